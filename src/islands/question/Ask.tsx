import { ArrowLeftRight } from 'lucide-react';
import { useState } from 'react';
import type { Question } from '../../core/question/question';
import type { TableEdit } from '../../core/readings/table-edit';
import { type Group, chosenColumns, columnsAreGroups, groupsOf } from '../../core/readings/groups';
import { type Column, type Table, called, columnsOf, withUnit } from '../../core/readings/table';
import { percent } from '../../core/words/numbers';
import { Accepted } from '../shared/Accepted';

const usualLevels = [0.8, 0.9, 0.95, 0.99];

/** The confidence level: the usual ones by name, any other typed. */
function Level({ level, onChange }: { level: number; onChange: (level: number) => void }) {
  const [own, setOwn] = useState(!usualLevels.includes(level));
  const [trouble, setTrouble] = useState('');
  if (own)
    return (
      <>
        <Accepted
          className="part w-14"
          aria-label="Confidence level in percent"
          inputMode="decimal"
          value={String(Number((level * 100).toPrecision(8)))}
          onAccept={(text) => {
            const typed = Number(text.replace(',', '.').replace('%', ''));
            if (usualLevels.includes(typed / 100)) setOwn(false);
            if (typed >= 50 && typed <= 99.99) {
              setTrouble('');
              onChange(Number((typed / 100).toPrecision(10)));
            } else setTrouble(`“${text}” is not a level between 50 and 99.99: kept at ${percent(level)}.`);
          }}
        />{' '}
        %
        {trouble && (
          <span role="alert" className="ml-2 text-[13px] text-error">
            {trouble}
          </span>
        )}
      </>
    );
  return (
    <select
      className="part"
      aria-label="Confidence level"
      value={level}
      onChange={(e) => (e.target.value === 'own' ? setOwn(true) : onChange(Number(e.target.value)))}
    >
      {usualLevels.map((l) => (
        <option key={l} value={l}>
          {percent(l)}
        </option>
      ))}
      <option value="own">another level …</option>
    </select>
  );
}

function GroupPart({
  groups,
  value,
  label,
  onChange,
}: {
  groups: readonly Group[];
  value: string;
  label: string;
  onChange: (id: string) => void;
}) {
  const known = groups.some((g) => g.id === value);
  return (
    <select className="part" aria-label={label} value={known ? value : ''} onChange={(e) => onChange(e.target.value)}>
      {!known && <option value="">(removed)</option>}
      {groups.map((g) => (
        <option key={g.id} value={g.id}>
          {g.name}
        </option>
      ))}
    </select>
  );
}

/** The measure: a name of the table's own where columns are groups, else one of its measure columns, by a group column. */
function Measured({ question, table, unit, onChange, onEdit }: AskProps & { unit: string }) {
  const printed = unit && ` ${withUnit('', unit).trim()}`;
  if (columnsAreGroups(table))
    return (
      <>
        <Accepted
          className="part"
          aria-label="What was measured"
          placeholder="what was measured"
          value={table.measure}
          onAccept={(text) => onEdit([{ kind: 'describe-table', measure: text }])}
        />
        {printed}
      </>
    );
  const { measure, by } = chosenColumns(table, question);
  const choose = (label: string, columns: readonly Column[], chosen: Column | undefined, pick: (id: string) => void) =>
    columns.length < 2 ? (
      <b className="font-semibold">{called(chosen, 'reading')}</b>
    ) : (
      <select className="part" aria-label={label} value={chosen?.id} onChange={(e) => pick(e.target.value)}>
        {columns.map((c) => (
          <option key={c.id} value={c.id}>
            {called(c)}
          </option>
        ))}
      </select>
    );
  const groupColumns = columnsOf(table, 'group');
  return (
    <>
      {choose('What was measured', columnsOf(table, 'measure'), measure, (id) =>
        onChange({ ...question, measure: id }),
      )}
      {printed}
      {groupColumns.length > 1 && (
        <>
          {' '}
          by{' '}
          {choose('What names the groups', groupColumns, by, (id) => {
            const [a, b] = groupsOf(table, { measure: question.measure, by: id });
            if (a && b) onChange({ ...question, by: id, a: a.id, b: b.id });
          })}
        </>
      )}
    </>
  );
}

export interface AskProps {
  question: Question;
  table: Table;
  onChange: (question: Question) => void;
  onEdit: (edits: TableEdit[]) => void;
}

/** The question as a sentence; its parts are its controls. */
export function Ask({ question, table, onChange, onEdit }: AskProps) {
  const groups = groupsOf(table, question);
  const unit = groups.find((g) => g.id === question.a)?.unit ?? '';
  const name = (id: string): string => groups.find((g) => g.id === id)?.name ?? 'a group no longer there';
  const measure = <Measured question={question} table={table} unit={unit} onChange={onChange} onEdit={onEdit} />;
  const direction = (
    <select
      className="part"
      aria-label="Direction"
      value={question.direction}
      onChange={(e) => onChange({ ...question, direction: e.target.value as Question['direction'] })}
    >
      <option value="either">{question.direction === 'either' ? 'differ' : 'different, either way,'}</option>
      <option value="greater">greater</option>
      <option value="less">less</option>
    </select>
  );
  const a = (
    <GroupPart
      groups={groups}
      value={question.a}
      label="First group"
      onChange={(id) => onChange({ ...question, a: id, b: id === question.b ? question.a : question.b })}
    />
  );
  const b = (
    <GroupPart
      groups={groups}
      value={question.b}
      label="Second group"
      onChange={(id) => onChange({ ...question, b: id, a: id === question.a ? question.b : question.a })}
    />
  );
  return (
    <div className="prose-serif">
      <h1 className="text-[23px] leading-9">
        {question.direction === 'either' ? (
          <>
            Does {measure} {direction} between {a} and {b},
          </>
        ) : (
          <>
            Is {measure} {direction} in {a} than in {b},
          </>
        )}{' '}
        when each{' '}
        <Accepted
          className="part"
          aria-label="What counts once"
          placeholder="animal, plant, dish …"
          value={table.subject}
          onAccept={(text) => onEdit([{ kind: 'describe-table', subject: text }])}
        />{' '}
        <select
          className="part"
          aria-label="How subjects were measured"
          value={question.design}
          onChange={(e) => onChange({ ...question, design: e.target.value as Question['design'] })}
        >
          <option value="two-groups">counts once</option>
          <option value="paired">is measured in both</option>
        </select>
        ?
      </h1>
      <p className="mt-1 text-[16px] leading-7 text-muted">
        Differences are{' '}
        <button
          type="button"
          className="part"
          onClick={() =>
            onChange({ ...question, a: question.b, b: question.a, direction: mirrored[question.direction] })
          }
          title="Turn the order of subtraction round"
          aria-label={`Order: ${name(question.a)} minus ${name(question.b)}. Turn round`}
        >
          {name(question.a)} minus {name(question.b)} <ArrowLeftRight size={13} className="inline" aria-hidden />
        </button>
        , with intervals at <Level level={question.level} onChange={(level) => onChange({ ...question, level })} />
        {question.design === 'two-groups' && (
          <>
            ; the groups’ spreads{' '}
            <select
              className="part"
              aria-label="Spreads"
              value={question.spread}
              onChange={(e) => onChange({ ...question, spread: e.target.value as Question['spread'] })}
            >
              <option value="separate">may differ</option>
              <option value="pooled">are taken as equal</option>
            </select>
          </>
        )}
        .
      </p>
    </div>
  );
}

/** Turning the order round keeps the question: "greater in A" becomes "less in B". */
const mirrored = { either: 'either', greater: 'less', less: 'greater' } as const;
