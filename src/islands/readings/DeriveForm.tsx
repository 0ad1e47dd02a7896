import { nanoid } from 'nanoid';
import { type ReactNode, useState } from 'react';
import { attempt } from '../../core/numeric/domain-error';
import { quantile, sortedUp } from '../../core/numeric/quantile';
import { columnsAreGroups } from '../../core/readings/groups';
import { levelsOf } from '../../core/readings/levels';
import { readColumn } from '../../core/readings/read-column';
import type { Formula } from '../../core/readings/formula';
import {
  type Column,
  type Table,
  called,
  columnsOf,
  emptyColumn,
  findColumn,
  isMeasured,
} from '../../core/readings/table';
import { parseExpression } from '../../formats/expression';
import { CutsPicture } from './CutsPicture';
import { Choose, ToolForm, byName } from '../kit/Parts';

const ways = {
  expression: 'an expression',
  difference: 'the difference of two columns',
  ratio: 'the ratio of two columns',
  log: 'the logarithm (base 10)',
  root: 'the square root',
  percent: 'percent of control',
  score: 'standard scores',
  bands: 'bands between cut-points',
};
type Way = keyof typeof ways;

/** Whether there are numbers to compute with; of names the first thousand tell. */
const holdsNumbers = (c: Column): boolean =>
  readColumn(isMeasured(c.role) ? c : { ...c, cells: c.cells.slice(0, 1000) }).used.length > 0;

interface Props {
  table: Table;
  start: string;
  onAdd: (column: Column) => void;
  onClose: () => void;
}

function Pick({
  label,
  columns,
  value,
  onChange,
}: {
  label: string;
  columns: readonly Column[];
  value: string;
  onChange: (id: string) => void;
}) {
  return <Choose label={label} value={value} options={byName(columns, (c) => called(c))} onChange={onChange} />;
}

/** Makes a column computed from others; it stays linked to them. */
export default function DeriveForm({ table, start, onAdd, onClose }: Props) {
  const numeric = table.columns.filter(holdsNumbers);
  const groups = columnsAreGroups(table) ? undefined : columnsOf(table, 'group')[0];
  const first = findColumn(table, start) ?? numeric[0];
  const [way, setWay] = useState<Way>('expression');
  const [text, setText] = useState('');
  const [a, setA] = useState((first && numeric.includes(first) ? first : numeric[0])?.id ?? '');
  const [b, setB] = useState(numeric.find((c) => c.id !== a)?.id ?? a);
  const [control, setControl] = useState('');
  const [ownName, setName] = useState<string>();
  const [trouble, setTrouble] = useState('');
  const of = findColumn(table, a);
  const middle = (): number[] => {
    const values = of ? sortedUp(readColumn(of).used.map((r) => r.value)) : [];
    return values.length > 0 ? [Number(quantile(values, 0.5).toPrecision(3))] : [0];
  };
  const [cuts, setCuts] = useState(middle);
  const bandNames = (at: readonly number[]): string[] =>
    Array.from({ length: at.length + 1 }, (_, i) =>
      i === 0
        ? `below ${at[0] ?? ''}`
        : i === at.length
          ? `${at[i - 1] ?? ''} and above`
          : `${at[i - 1] ?? ''} to ${at[i] ?? ''}`,
    );
  const [names, setNames] = useState<string[]>();
  const controls = groups ? levelsOf(groups).map((l) => ({ id: l.id, name: l.name })) : numeric;
  const chosenControl = controls.find((c) => c.id === control)?.id ?? controls[0]?.id ?? '';

  const one = (name: 'log10' | 'sqrt'): Formula => ({
    kind: 'expression',
    expression: { kind: 'apply', name, args: [{ kind: 'column', column: a }] },
  });
  const both = (name: '-' | '/'): Formula => ({
    kind: 'expression',
    expression: {
      kind: 'apply',
      name,
      args: [
        { kind: 'column', column: a },
        { kind: 'column', column: b },
      ],
    },
  });
  const formulas: Record<Way, () => { formula: Formula; name: string; unit: string }> = {
    expression: () => ({
      formula: { kind: 'expression', expression: parseExpression(text, table.columns) },
      name: text.trim().slice(0, 60),
      unit: '',
    }),
    difference: () => ({
      formula: both('-'),
      name: `${called(of)} minus ${called(findColumn(table, b))}`,
      unit: of?.unit ?? '',
    }),
    ratio: () => ({ formula: both('/'), name: `${called(of)} per ${called(findColumn(table, b))}`, unit: '' }),
    log: () => ({ formula: one('log10'), name: `log ${called(of)}`, unit: '' }),
    root: () => ({ formula: one('sqrt'), name: `root of ${called(of)}`, unit: '' }),
    percent: () => ({
      formula: { kind: 'percent-of-control', of: a, by: groups?.id ?? null, control: chosenControl },
      name: `${called(of)}, percent of ${controls.find((c) => c.id === chosenControl)?.name ?? 'control'}`,
      unit: '%',
    }),
    score: () => ({ formula: { kind: 'score', of: a }, name: `${called(of)}, standard score`, unit: '' }),
    bands: () => ({
      formula: { kind: 'bands', of: a, cuts, names: names ?? bandNames(cuts) },
      name: `${called(of)}, banded`,
      unit: '',
    }),
  };
  const made = attempt(formulas[way]);
  const name = ownName ?? (made.ok ? made.value.name : '');
  const add = () => {
    if (!made.ok) return setTrouble(made.reason);
    const role = way === 'bands' ? 'group' : 'measure';
    const column = { ...emptyColumn(nanoid(8), name, made.value.unit, role), formula: made.value.formula };
    onAdd(column);
  };
  const pickA = (
    <Pick
      label="Column computed from"
      columns={numeric}
      value={a}
      onChange={(id) => {
        setA(id);
        setNames(undefined);
      }}
    />
  );
  const pickB = <Pick label="Second column" columns={numeric} value={b} onChange={setB} />;
  const details: Record<Way, ReactNode> = {
    expression: (
      <input
        className="part min-w-72 font-mono text-[13.5px]"
        aria-label="Expression"
        autoFocus
        placeholder={numeric[0] ? `log("${called(numeric[0])}")` : 'length / width'}
        value={text}
        onChange={(e) => {
          setText(e.target.value);
          setTrouble('');
        }}
      />
    ),
    difference: (
      <>
        {pickA} minus {pickB}
      </>
    ),
    ratio: (
      <>
        {pickA} divided by {pickB}
      </>
    ),
    log: <>of {pickA}</>,
    root: <>of {pickA}</>,
    score: <>of {pickA}</>,
    percent: (
      <>
        : {pickA} in percent of the mean of{' '}
        <Choose
          label="Control"
          value={chosenControl}
          options={byName(controls, (c) => c.name || 'unnamed')}
          onChange={setControl}
        />
      </>
    ),
    bands: <>of {pickA}</>,
  };
  return (
    <ToolForm
      onDo={() => {
        add();
      }}
      onClose={onClose}
    >
      <p className="flex flex-wrap items-baseline gap-x-2 gap-y-1">
        New column: <Choose label="How it is computed" value={way} options={ways} onChange={setWay} />
        {details[way]}
      </p>
      {way === 'bands' && of && (
        <div className="flex flex-wrap items-end gap-x-6 gap-y-2 pt-1">
          <CutsPicture
            column={of}
            cuts={cuts}
            onChange={(next) => {
              setCuts(next);
              setNames(undefined);
            }}
          />
          <div className="space-y-1">
            <p>
              <button
                type="button"
                className="plain-button"
                disabled={cuts.length >= 6}
                onClick={() => {
                  const values = sortedUp(readColumn(of).used.map((r) => r.value));
                  const next = Array.from({ length: cuts.length + 1 }, (_, i) =>
                    Number(quantile(values, (i + 1) / (cuts.length + 2)).toPrecision(3)),
                  );
                  setCuts([...new Set(next)]);
                  setNames(undefined);
                }}
              >
                Another cut-point
              </button>{' '}
              <button
                type="button"
                className="plain-button"
                disabled={cuts.length < 2}
                onClick={() => {
                  setCuts(cuts.slice(0, -1));
                  setNames(undefined);
                }}
              >
                One less
              </button>
            </p>
            {(names ?? bandNames(cuts)).map((band, i) => (
              <input
                key={i}
                className="part mr-2"
                aria-label={`Name of band ${i + 1}`}
                value={band}
                maxLength={200}
                onChange={(e) => setNames((names ?? bandNames(cuts)).map((n, k) => (k === i ? e.target.value : n)))}
              />
            ))}
          </div>
        </div>
      )}
      <p className="flex flex-wrap items-baseline gap-x-3">
        called{' '}
        <input
          className="part min-w-40"
          aria-label="Name of the new column"
          value={name}
          maxLength={200}
          onChange={(e) => setName(e.target.value)}
        />
        <button type="submit" className="plain-button">
          Add it
        </button>
        <button type="button" className="plain-button" onClick={onClose}>
          Cancel
        </button>
        {trouble && (
          <span role="alert" className="text-error">
            {trouble}
          </span>
        )}
      </p>
    </ToolForm>
  );
}
