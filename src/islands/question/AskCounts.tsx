import { type ReactNode, useState } from 'react';
import { attempt } from '../../core/numeric/domain-error';
import { typedNumber } from '../../core/readings/typed-number';
import {
  type Kind,
  asDesign,
  designOf,
  groupChoices,
  isWithin,
  kindOf,
  kindsFor,
  sameOutcomes,
} from '../../core/question/asking';
import { choicesOf } from '../../core/question/choices';
import { countedNames, measureOf } from '../../core/question/naming';
import type { Question } from '../../core/question/question';
import { countTable, holdsCounts } from '../../core/readings/count-table';
import { columnsOf } from '../../core/readings/table';
import { intervalNames } from '../../core/answer/shares';
import { Accepted } from '../shared/Accepted';
import { Choose } from '../shared/Parts';
import { GroupsPart } from './GroupsPart';
import { Level } from './Level';
import { type AskProps, ColumnPart } from './Measured';
import { NumberPart } from './NumberPart';
import { DirectionPart, GroupPick, KindPart, OrderPart, exchanged } from './SentenceParts';
import { TestedBy } from './TestedBy';

const kindWords = {
  share: { value: 'from a stated share,', two: 'between two groups,', several: 'among several groups,' },
  table: { value: 'stated proportions,', several: 'on the rows,' },
};

/** Why shares do not say all: parts below 1, or percentages, that do not add up; empty for a plain ratio. */
function shareTrouble(typed: string, parts: readonly number[]): string {
  const percentages = typed.includes('%');
  const whole = percentages ? 100 : 1;
  const sum = parts.reduce((a, b) => a + b, 0);
  if ((!percentages && parts.some((x) => x >= 1)) || Math.abs(sum - whole) < 1e-3 * whole) return '';
  return `“${typed}” add up to ${Number(sum.toPrecision(6))}${percentages ? ' %' : ''} and not to ${whole}${percentages ? ' %' : ''}: mend one, or write a ratio such as 9 : 3 : 3 : 1.`;
}

/** A ratio as it is typed: 9:3:3:1, or 0.5, 0.25, 0.25; nothing for equal shares. */
function RatioPart({
  question,
  names,
  onChange,
}: Pick<AskProps, 'question' | 'onChange'> & { names: readonly string[] }) {
  const [trouble, setTrouble] = useState('');
  const { ratio } = question;
  return (
    <>
      <Accepted
        className="part"
        aria-label="Stated proportions"
        placeholder="equal shares"
        value={ratio?.join(' : ') ?? ''}
        onAccept={(typed) => {
          const parts = typed
            .split(/[:;]|\s+|,(?!\d)/)
            .filter((x) => x.trim() !== '' && x.trim() !== '%')
            .map((x) => {
              const read = typedNumber(x, '%');
              return read.kind === 'number' ? read.value : NaN;
            });
          const { ratio: _, ...rest } = question;
          if (parts.length === 0) {
            setTrouble('');
            onChange(rest);
          } else if (parts.some((x) => !(x > 0) || !Number.isFinite(x)))
            setTrouble(`“${typed}” is no ratio: write numbers above 0 with colons between, 9 : 3 : 3 : 1.`);
          else if (parts.length === names.length && shareTrouble(typed, parts)) setTrouble(shareTrouble(typed, parts));
          else if (parts.length !== names.length)
            setTrouble(
              `“${typed}” has ${parts.length} parts, and there are ${names.length} categories: ${names.join(', ')}.`,
            );
          else {
            setTrouble('');
            onChange({ ...rest, ratio: parts });
          }
        }}
      />
      {trouble && (
        <span role="alert" className="ml-2 font-sans text-[13px] text-error">
          {trouble}
        </span>
      )}
    </>
  );
}

/** A question about counts as a sentence: a share of them, or how they fall into categories. */
export default function AskCounts({ question, table, onChange, onEdit }: AskProps) {
  const { design, direction } = question;
  const about = question.about === 'table' ? 'table' : 'share';
  const choices = choicesOf(question);
  const kind = kindOf[design] === 'factors' ? 'several' : kindOf[design];
  const within = isWithin(design);
  const set = (more: Partial<Question>) => onChange({ ...question, ...more });
  const counted = attempt(() => countTable(table, question));
  const rows = counted.ok ? counted.value.rows.categories : [];
  const outcomes = counted.ok ? counted.value.columns.categories : [];
  const named = countedNames(question, table);
  const turnTo = (nextKind: Kind, nextWithin: boolean) =>
    onChange(asDesign(question, table, designOf(nextKind, nextWithin)));
  const asks = (next: 'share' | 'table' | 'readings') => {
    const { about: _, method: __, value: ___, ratio: ____, effect: _____, cut, ...kept } = question;
    const { found: ______, ...unfound } = kept;
    const rest = cut === undefined ? kept : unfound;
    if (next === 'readings') return onChange(rest);
    const nextDesign = next === 'table' && (design === 'two-groups' || design === 'paired') ? 'several' : design;
    onChange({
      ...rest,
      about: next,
      design: nextDesign,
      ...(next === 'table' ? { direction: 'either' as const } : {}),
    });
  };
  const { cut } = question;
  const crossable = cut === undefined && (!holdsCounts(table) || table.shape === 'categories');
  const groupColumns = columnsOf(table, 'group');
  const column = (label: string, which: 'by' | 'outcome', name: string): ReactNode =>
    crossable && groupColumns.length > 2 ? (
      <ColumnPart
        label={label}
        columns={groupColumns}
        chosen={groupColumns.find((c) => c.name === name)}
        onPick={(id) => {
          const { found: _, groups: __, a: ___, b: ____, ...rest } = question;
          const other = which === 'by' ? 'outcome' : 'by';
          const swapped = question[other] === id && question[which] ? { [other]: question[which] } : {};
          const next = { ...rest, [which]: id, ...swapped };
          const again = attempt(() => countTable(table, next));
          const [x, y] = again.ok ? again.value.rows.categories : [];
          onChange({ ...next, ...(x ? { a: x.id } : {}), ...(y ? { b: y.id } : {}) });
        }}
      />
    ) : (
      <b className="font-semibold">{name}</b>
    );
  const unit = groupChoices(table, question)[0] as { unit?: string } | undefined;
  const found =
    cut !== undefined ? (
      <>
        {measureOf(question, table)}{' '}
        <Choose
          label="Side of the limit"
          value={question.found === 'from' ? 'from' : 'below'}
          options={{ below: 'below', from: 'not below' }}
          onChange={(side) => set({ found: side })}
        />{' '}
        <NumberPart label="Limit" value={cut} unit={unit?.unit ?? ''} onChange={(x) => set({ cut: x ?? cut })} />
        {unit?.unit && ` ${unit.unit}`}
      </>
    ) : (
      <GroupPick
        label="What was found"
        value={question.found ?? outcomes[0]?.id}
        groups={outcomes}
        onPick={(id) => set({ found: id })}
      />
    );
  const twice = counted.ok && sameOutcomes(counted.value);
  const directed = (
    <DirectionPart question={question} onChange={onChange} differ={kind === 'value' ? 'different' : 'differ'} />
  );
  const either = direction === 'either';
  const compared = (
    <KindPart
      kind={kind}
      kinds={kindsFor(table, question)}
      shown={
        {
          share: { value: either ? 'from' : 'than', two: either ? 'between' : 'in', several: 'among', factors: '' },
          table: { value: 'follow', two: '', several: 'depend on', factors: '' },
        }[about][kind]
      }
      others={kindWords[about]}
      onTurn={(next) => turnTo(next, false)}
    />
  );
  const pick = (which: 'a' | 'b', label: string): ReactNode => (
    <GroupPick
      label={label}
      value={question[which] ?? (which === 'a' ? rows[0]?.id : undefined)}
      groups={rows}
      onPick={(id) => set(kind === 'two' ? exchanged(question, which, id) : { [which]: id })}
    />
  );
  const name = (id: string | undefined): string => rows.find((g) => g.id === id)?.name ?? 'a group no longer there';
  const asked =
    about === 'table' ? (
      kind === 'value' ? (
        <>
          Do the counts of {column('What was counted', 'by', named.measure)} {compared}{' '}
          <RatioPart
            question={question}
            names={outcomes.length === 1 ? rows.map((r) => r.name) : outcomes.map((o) => o.name)}
            onChange={onChange}
          />
          ,
        </>
      ) : (
        <>
          Does {column('What was found', 'outcome', named.measure)} {compared}{' '}
          {column('What it may depend on', 'by', named.rowName ?? '')}
          {rows.length > 2 && (
            <>
              {' '}
              (<GroupsPart choices={rows} question={question} onChange={onChange} />)
            </>
          )}
          ,
        </>
      )
    ) : (
      {
        value: (
          <>
            Is the share of {found} in {pick('a', 'First group')} {directed} {compared}{' '}
            <NumberPart
              label="Stated share"
              value={choices.value}
              unit={null}
              refuse={(x) => (x > 0 && x < 1 ? undefined : 'A share lies between 0 and 1, 0.4 for 40 %')}
              onChange={(x) => set({ value: x ?? 0.5 })}
            />
            ,
          </>
        ),
        two: within ? (
          <>
            {direction === 'either' ? 'Does' : 'Is'} the share of {found} {directed} {compared}{' '}
            <b className="font-semibold">{named.groups[0]?.name}</b> {direction === 'either' ? 'and' : 'than in'}{' '}
            <b className="font-semibold">{named.groups[1]?.name}</b>,
          </>
        ) : direction === 'either' ? (
          <>
            Does the share of {found} {directed} {compared} {pick('a', 'First group')} and {pick('b', 'Second group')},
          </>
        ) : (
          <>
            Is the share of {found} {directed} {compared} {pick('a', 'First group')} than in {pick('b', 'Second group')}
            ,
          </>
        ),
        several: (
          <>
            Does the share of {found} differ {compared}{' '}
            <GroupsPart choices={rows} question={question} onChange={onChange} />,
          </>
        ),
      }[kind]
    );
  return (
    <div className="prose-serif">
      <h1 className="text-[23px] leading-9">
        {asked} when each{' '}
        <Accepted
          className="part"
          aria-label="What counts once"
          placeholder="spore, plant, dish …"
          value={table.subject}
          onAccept={(typed) => onEdit([{ kind: 'describe-table', subject: typed }])}
        />{' '}
        <span className="whitespace-nowrap">
          {about === 'share' && (twice || within || (cut !== undefined && kind === 'two')) ? (
            <Choose
              label="How subjects were looked at"
              value={within ? 'within' : 'once'}
              options={{ once: 'counts once', within: 'is measured twice' }}
              onChange={(next) => turnTo('two', next === 'within')}
            />
          ) : (
            'counts once'
          )}
          ?
        </span>
      </h1>
      <p className="mt-1 text-[16px] leading-7 text-muted">
        Asked of{' '}
        <Choose
          label="Asked of"
          value={about}
          options={{
            share: 'one share',
            ...(cut === undefined ? { table: 'all categories' } : {}),
            ...(columnsOf(table, 'measure').length > 0 ? { readings: 'the readings' } : {}),
          }}
          onChange={asks}
        />
        {about === 'share' && kind === 'two' && !within && (
          <>
            ; differences are{' '}
            <OrderPart question={question} onChange={onChange} first={name(question.a)} second={name(question.b)} />
          </>
        )}
        {about === 'share' && kind === 'two' && (
          <>
            , set against each other by{' '}
            <Choose
              label="Set against each other by"
              value={within && choices.effect === 'ratio' ? 'difference' : choices.effect}
              options={{
                difference: 'their difference',
                ...(within ? {} : { ratio: 'their ratio' }),
                odds: within ? 'the odds of changing' : 'the odds ratio',
              }}
              onChange={(effect) => set({ effect })}
            />
          </>
        )}
        ; intervals are at <Level level={question.level} onChange={(level) => set({ level })} />
        {about === 'share' && (
          <>
            , those of a share by{' '}
            <Choose
              label="Interval of a share"
              value={choices.shareInterval}
              options={intervalNames}
              onChange={(shareInterval) => set({ shareInterval })}
            />
          </>
        )}
        <TestedBy question={question} onChange={onChange} />.
        {counted.ok && counted.value.rounded.length > 0 && (
          <span className="block">
            Percentages stand for counts here: {counted.value.rounded.slice(0, 6).join('; ')}
            {counted.value.rounded.length > 6 && ` and ${counted.value.rounded.length - 6} more`}.
          </span>
        )}
      </p>
    </div>
  );
}
