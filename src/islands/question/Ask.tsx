import { ArrowLeftRight } from 'lucide-react';
import type { ReactNode } from 'react';
import { asDesign, designOf, groupChoices, isWithin, kindOf, kindsFor } from '../../core/question/asking';
import { choicesOf, methodsFor } from '../../core/question/choices';
import type { Question } from '../../core/question/question';
import { factorColumns, factorNames } from '../../core/readings/factors';
import { chosenColumns, columnsAreGroups, groupsOf } from '../../core/readings/groups';
import { levelsOf } from '../../core/readings/levels';
import { type Column, type Table, called, columnsOf, withUnit } from '../../core/readings/table';
import type { TableEdit } from '../../core/readings/table-edit';
import { countingWords } from '../../core/words/question';
import { Accepted } from '../shared/Accepted';
import { Choose } from '../shared/Parts';
import { FollowSentence } from './FollowSentence';
import { GroupsPart } from './GroupsPart';
import { Level } from './Level';
import { NumberPart } from './NumberPart';

export interface AskProps {
  question: Question;
  table: Table;
  /** The unit of what is compared. */
  unit: string;
  onChange: (question: Question) => void;
  onEdit: (edits: TableEdit[]) => void;
}

/** One of a few columns; where there is no choice its name stands as plain words. */
function ColumnPart({
  label,
  columns,
  chosen,
  onPick,
}: {
  label: string;
  columns: readonly Column[];
  chosen: Column | undefined;
  onPick: (id: string) => void;
}) {
  if (columns.length < 2) return <b className="font-semibold">{called(chosen, 'reading')}</b>;
  return (
    <select className="part" aria-label={label} value={chosen?.id} onChange={(e) => onPick(e.target.value)}>
      {columns.map((c) => (
        <option key={c.id} value={c.id}>
          {called(c)}
        </option>
      ))}
    </select>
  );
}

/** The measure: a name of the table's own where columns are groups, else one of its measure columns. */
function Measured({ question, table, unit, onChange, onEdit }: AskProps) {
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
  const groupColumns = columnsOf(table, 'group');
  const factors = kindOf[question.design] === 'factors';
  return (
    <>
      <ColumnPart
        label="What was measured"
        columns={columnsOf(table, 'measure')}
        chosen={measure}
        onPick={(id) => onChange({ ...question, measure: id })}
      />
      {printed}
      {groupColumns.length > 1 && !factors && (
        <>
          {' '}
          by{' '}
          <ColumnPart
            label="What names the groups"
            columns={groupColumns}
            chosen={by}
            onPick={(id) => {
              const [a, b] = groupsOf(table, { measure: question.measure, by: id });
              const { groups: _, ...rest } = question;
              onChange({ ...rest, by: id, ...(a ? { a: a.id } : {}), ...(b ? { b: b.id } : {}) });
            }}
          />
        </>
      )}
    </>
  );
}

/** Turning the order round keeps the question: "greater in A" becomes "less in B". */
const mirrored = { either: 'either', greater: 'less', less: 'greater' } as const;

const kindWords = {
  value: { either: 'from a fixed value,', one: 'than a fixed value,' },
  two: { either: 'between two groups,', one: 'in one group than in another,' },
  several: { either: 'among several groups,', one: 'among several groups,' },
  factors: { either: 'with two factors,', one: 'with two factors,' },
};

/** The question as a sentence; its parts are its controls, and decide the design. */
export function Ask(props: AskProps) {
  const { question, table, unit, onChange, onEdit } = props;
  const { design, direction } = question;
  const choices = choicesOf(question);
  const groups = groupChoices(table, question);
  const kind = kindOf[design];
  const within = isWithin(design);
  const set = (more: Partial<Question>) => onChange({ ...question, ...more });
  const name = (id: string | undefined): string => groups.find((g) => g.id === id)?.name ?? 'a group no longer there';
  const turnTo = (nextKind: keyof typeof kindWords, nextWithin: boolean) =>
    onChange(asDesign(question, table, designOf(nextKind, nextWithin)));

  const directed = (
    <Choose
      label="Direction"
      value={direction}
      options={{
        either: direction === 'either' ? 'differ' : 'different, either way,',
        greater: 'greater',
        less: 'less',
      }}
      // A direction chosen with the answer in sight is remembered as such.
      onChange={(next) => {
        const { afterLooking: _, ...rest } = question;
        onChange(next === 'either' ? { ...rest, direction: next } : { ...rest, direction: next, afterLooking: true });
      }}
    />
  );
  const compared = (
    <Choose
      label="What is compared"
      value={kind}
      options={Object.fromEntries(
        [...new Set([...kindsFor(table, question), kind])].map((k) => [
          k,
          k === kind
            ? {
                value: direction === 'either' ? 'from' : 'than',
                two: direction === 'either' ? 'between' : 'in',
                several: 'among',
                factors: 'on',
              }[k]
            : kindWords[k][direction === 'either' ? 'either' : 'one'],
        ]),
      )}
      onChange={(next) => turnTo(next, within && next !== 'value')}
    />
  );
  const groupPart = (label: string, value: string | undefined, pick: (id: string) => void): ReactNode => {
    const known = groups.some((g) => g.id === value);
    return (
      <select className="part" aria-label={label} value={known ? value : ''} onChange={(e) => pick(e.target.value)}>
        {!known && <option value="">(removed)</option>}
        {groups.map((g) => (
          <option key={g.id} value={g.id}>
            {g.name}
          </option>
        ))}
      </select>
    );
  };
  const exchanged = (id: string, other: 'a' | 'b'): Partial<Question> => {
    const mine = other === 'a' ? 'b' : 'a';
    const swap = id === question[other] && question[mine] !== undefined ? { [other]: question[mine] } : {};
    return { [mine]: id, ...swap };
  };
  const a = groupPart('First group', question.a, (id) => set(kind === 'two' ? exchanged(id, 'b') : { a: id }));
  const b = groupPart('Second group', question.b, (id) => set(exchanged(id, 'a')));
  const measure = <Measured {...props} />;
  const [first, second] = factorColumns(table, question);
  const named = factorNames(table, question);
  const factor = (which: 'by' | 'by2', place: 0 | 1): ReactNode =>
    columnsAreGroups(table) ? (
      <b className="font-semibold">{named[place]}</b>
    ) : (
      <ColumnPart
        label={place === 0 ? 'First factor' : 'Second factor'}
        columns={columnsOf(table, 'group')}
        chosen={place === 0 ? first : second}
        onPick={(id) => {
          const other = which === 'by' ? second : first;
          const mine = which === 'by' ? first : second;
          const otherKey = which === 'by' ? 'by2' : 'by';
          set({ [which]: id, [otherKey]: other?.id === id ? mine?.id : other?.id });
        }}
      />
    );
  const value = <NumberPart label="Fixed value" value={choices.value} onChange={(x) => set({ value: x ?? 0 })} />;
  const counting = (
    <>
      when each{' '}
      <Accepted
        className="part"
        aria-label="What counts once"
        placeholder="animal, plant, dish …"
        value={table.subject}
        onAccept={(text) => onEdit([{ kind: 'describe-table', subject: text }])}
      />{' '}
      <span className="whitespace-nowrap">
        {kind === 'value' || table.shape === 'summary' ? (
          'counts once'
        ) : (
          <Choose
            label="How subjects were measured"
            value={within ? 'within' : 'once'}
            options={{ once: 'counts once', within: countingWords[designOf(kind, true)] }}
            onChange={(next) => turnTo(kind, next === 'within')}
          />
        )}
        ?
      </span>
    </>
  );
  const asked = {
    value:
      direction === 'either' ? (
        <>
          Does {measure} of {a} {directed} {compared} {value}
          {unit && ` ${unit}`},
        </>
      ) : (
        <>
          Is {measure} of {a} {directed} {compared} {value}
          {unit && ` ${unit}`},
        </>
      ),
    two:
      direction === 'either' ? (
        <>
          Does {measure} {directed} {compared} {a} and {b},
        </>
      ) : (
        <>
          Is {measure} {directed} {compared} {a} than in {b},
        </>
      ),
    several: (
      <>
        Does {measure} differ {compared} <GroupsPart choices={groups} question={question} onChange={onChange} />,
      </>
    ),
    factors: (
      <>
        Does {measure} depend {compared} {factor('by', 0)} and {factor('by2', 1)},
      </>
    ),
  }[kind];
  const methods = methodsFor(question);
  const byWhat = {
    means: kind === 'two' || kind === 'value' ? 'their means' : 'their means',
    ranks: 'ranks: what is typically larger',
    shuffle: 'their means, by shuffled labels',
    z: 'their means, the SD being known',
  };
  if (kind === 'value') byWhat.means = 'its mean';
  const spreads =
    (design === 'two-groups' && choices.method === 'means') || (design === 'several' && choices.method === 'means');
  return (
    <div className="prose-serif">
      <h1 className="text-[23px] leading-9">
        {asked} {counting}
      </h1>
      <p className="mt-1 text-[16px] leading-7 text-muted">
        {kind === 'two' && (
          <>
            Differences are{' '}
            <button
              type="button"
              className="part"
              onClick={() => {
                const { a: left, b: right, ...rest } = question;
                onChange({
                  ...rest,
                  ...(right ? { a: right } : {}),
                  ...(left ? { b: left } : {}),
                  direction: mirrored[direction],
                  ...(question.value === undefined ? {} : { value: -question.value }),
                });
              }}
              title="Turn the order of subtraction round"
              aria-label={`Order: ${name(question.a)} minus ${name(question.b)}. Turn round`}
            >
              {name(question.a)} minus {name(question.b)} <ArrowLeftRight size={13} className="inline" aria-hidden />
            </button>
            , tested against{' '}
            <NumberPart
              label="Difference tested against"
              value={choices.value}
              onChange={(x) => set({ value: x ?? 0 })}
            />
            , with intervals at{' '}
          </>
        )}
        {kind !== 'two' && 'Intervals are at '}
        <Level level={question.level} onChange={(level) => set({ level })} />
        {spreads && (
          <>
            ; the groups’ spreads{' '}
            <Choose
              label="Spreads"
              value={choices.spread}
              options={{ separate: 'may differ', pooled: 'are taken as equal' }}
              onChange={(spread) => {
                const { follow: _, ...rest } = question;
                onChange({ ...rest, spread });
              }}
            />
          </>
        )}
        {design === 'factorial' && (
          <>
            ; sums of squares of{' '}
            <Choose
              label="Type of sums of squares"
              value={String(choices.sums)}
              options={{ '1': 'type I', '2': 'type II', '3': 'type III' }}
              onChange={(sums) => set({ sums: Number(sums) as 1 | 2 | 3 })}
            />
          </>
        )}
        {((design === 'repeated' && choices.method === 'means') || design === 'mixed') && (
          <>
            ; degrees of freedom{' '}
            <Choose
              label="Sphericity"
              value={choices.sphericity}
              options={{
                'greenhouse-geisser': 'corrected by Greenhouse and Geisser',
                ...(design === 'repeated' ? { 'huynh-feldt': 'corrected by Huynh and Feldt' } : {}),
                assumed: 'as they are',
              }}
              onChange={(sphericity) => set({ sphericity })}
            />
          </>
        )}
        {methods.length > 1 && (
          <>
            ; compared by{' '}
            <Choose
              label="Compared by"
              value={choices.method}
              options={Object.fromEntries(methods.map((m) => [m, byWhat[m]]))}
              onChange={(method) => set({ method })}
            />
          </>
        )}
        {kind === 'value' && (
          <>
            ; the population’s SD is{' '}
            <NumberPart
              label="Known SD"
              value={question.knownSd}
              placeholder="not known"
              refuse={(x) => (x > 0 ? undefined : 'An SD is above 0')}
              onChange={(x) => {
                const { knownSd: _, method: __, ...rest } = question;
                onChange(x === undefined ? rest : { ...rest, knownSd: x, method: 'z' });
              }}
            />
          </>
        )}
        <OnlyPart question={question} table={table} onChange={onChange} />
        {(kind === 'two' || kind === 'value') && choices.method === 'means' && (
          <Bounds question={question} onChange={onChange} unit={unit} />
        )}
        .
        {(kind === 'several' || kind === 'factors') && (
          <FollowSentence
            question={question}
            choices={question.groups ? groups.filter((g) => question.groups?.includes(g.id)) : groups}
            factors={kind === 'factors' ? named : undefined}
            onChange={onChange}
          />
        )}
      </p>
    </div>
  );
}

/** Bounds within which a difference does not matter: without them nothing can be called alike. */
function Bounds({ question, onChange, unit }: { question: Question; onChange: (q: Question) => void; unit: string }) {
  const { bounds } = question;
  const set = (low: number | undefined, high: number | undefined) => {
    const { bounds: _, ...rest } = question;
    onChange(low === undefined || high === undefined ? rest : { ...question, bounds: { low, high } });
  };
  if (!bounds)
    return (
      <>
        ; a difference within ±
        <NumberPart
          label="A difference that does not matter"
          value={undefined}
          placeholder="…"
          refuse={(x) => (x > 0 ? undefined : 'Type how far a difference may go and not matter, above 0')}
          onChange={(x) => (x === undefined ? undefined : set(-x, x))}
        />
        {unit && ` ${unit}`} would not matter
      </>
    );
  return (
    <>
      ; a difference from{' '}
      <NumberPart
        label="Lower bound"
        value={bounds.low}
        refuse={(x) => (x < bounds.high ? undefined : 'The lower bound must lie below the upper one')}
        onChange={(x) => set(x, bounds.high)}
      />{' '}
      to{' '}
      <NumberPart
        label="Upper bound"
        value={bounds.high}
        refuse={(x) => (x > bounds.low ? undefined : 'The upper bound must lie above the lower one')}
        onChange={(x) => set(bounds.low, x)}
      />
      {unit && ` ${unit}`} would not matter
    </>
  );
}

/** Rows chosen by what another column names, where the question is asked of those alone. */
function OnlyPart({ question, table, onChange }: Pick<AskProps, 'question' | 'table' | 'onChange'>) {
  const { only } = question;
  const column = only && table.columns.find((c) => c.id === only.column);
  if (!only) return null;
  return (
    <>
      ; only where {called(column, 'a removed column')} is{' '}
      <select
        className="part"
        aria-label="Only where"
        value={only.level}
        onChange={(e) => {
          const { only: _, ...rest } = question;
          onChange(e.target.value === '' ? rest : { ...question, only: { ...only, level: e.target.value } });
        }}
      >
        <option value="">anything: ask of all rows</option>
        {(column ? levelsOf(column) : []).map((l) => (
          <option key={l.id} value={l.id}>
            {l.name}
          </option>
        ))}
      </select>
    </>
  );
}
