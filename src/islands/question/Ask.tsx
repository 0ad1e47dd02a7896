import { type ReactNode, lazy } from 'react';
import { type Kind, asDesign, designOf, groupChoices, isWithin, kindOf, kindsFor } from '../../core/question/asking';
import { namesOf } from '../../core/question/naming';
import { choicesOf, methodsFor } from '../../core/question/choices';
import type { Method, Question } from '../../core/question/question';
import { factorColumns, factorNames } from '../../core/readings/factors';
import { middleOf } from '../../core/readings/banded';
import { columnsAreGroups } from '../../core/readings/groups';
import { columnsOf } from '../../core/readings/table';
import { given } from '../../core/words/numbers';
import { factsOf } from '../../core/analyses/kinds';
import { questionSentence } from '../../core/telling/question';
import { valued } from '../../core/words/sentences';
import { Accepted } from '../shared/Accepted';
import { Choose } from '../shared/Parts';
import { WhenLive } from '../shared/WhenLive';
import { Bounds } from './Bounds';
import { FollowSentence } from './FollowSentence';
import { GroupsPart } from './GroupsPart';
import { Level } from './Level';
import { type AskProps, ColumnPart, Measured } from './Measured';
import { NumberPart } from './NumberPart';
import { OnlyPart } from './OnlyPart';
import { DirectionPart, GroupPick, KindPart, OrderPart, exchanged } from './SentenceParts';
import { SeedPart, StatisticPart } from './StatisticPart';
import { StatedSpread } from './StatedSpread';
import { TestedBy } from './TestedBy';

const AskCounts = lazy(() => import('./AskCounts'));

const meansWords: Partial<Record<Method, string>> = {
  means: 'their means',
  ranks: 'ranks',
  shuffle: 'permutation',
  z: 'their means, the SD being known',
};

const kindWords = {
  either: {
    value: 'from a fixed value,',
    two: 'between two groups,',
    several: 'among several groups,',
    factors: 'with two factors,',
  },
  one: {
    value: 'than a fixed value,',
    two: 'in one group than in another,',
    several: 'among several groups,',
    factors: 'with two factors,',
  },
};

/** The question as a sentence; its parts are its controls, and decide the design. */
export function Ask(props: AskProps) {
  const { about } = props.question;
  return about === 'share' || about === 'table' ? (
    <WhenLive meanwhile={<AskedInWords {...props} />}>
      <AskCounts {...props} />
    </WhenLive>
  ) : (
    <AskReadings {...props} />
  );
}

/** The question as plain words, while its controls are on their way. */
const AskedInWords = ({ question, table }: AskProps) => (
  <h1 className="prose-serif min-h-40 text-[23px] leading-9">{questionSentence(namesOf(question, table))}</h1>
);

function AskReadings(props: AskProps) {
  const { question, settled, table, unit, onChange, onEdit } = props;
  const { design, direction } = question;
  const choices = choicesOf(settled);
  const groups = groupChoices(table, question);
  const kind = kindOf[design];
  const within = isWithin(design);
  const set = (more: Partial<Question>) => onChange({ ...question, ...more });
  const name = (id: string | undefined): string => groups.find((g) => g.id === id)?.name ?? 'a group no longer there';
  const turnTo = (nextKind: Kind, nextWithin: boolean) =>
    onChange(asDesign(question, table, designOf(nextKind, nextWithin)));

  const directed = <DirectionPart question={question} onChange={onChange} />;
  const either = direction === 'either';
  const compared = (
    <KindPart
      kind={kind}
      kinds={kindsFor(table, question)}
      shown={
        {
          value: either ? 'from' : 'than',
          two: either && (question.about || choices.value === 0) ? 'between' : 'in',
          several: 'among',
          factors: 'on',
        }[kind]
      }
      others={kindWords[either ? 'either' : 'one']}
      onTurn={(next) => turnTo(next, within && next !== 'value')}
    />
  );
  const pick = (which: 'a' | 'b', label: string): ReactNode => (
    <GroupPick
      label={label}
      value={question[which]}
      groups={groups}
      onPick={(id) => set(kind === 'two' ? exchanged(question, which, id) : { [which]: id })}
    />
  );
  const a = pick('a', 'First group');
  const b = pick('b', 'Second group');
  const spreadAsked = question.about === 'spread';
  const measure = (
    <>
      {spreadAsked && 'the spread of '}
      <Measured {...props} />
    </>
  );
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
  const value = spreadAsked ? (
    <StatedSpread sd={choices.value} unit={unit} onChange={(x) => set({ value: x })} />
  ) : (
    <NumberPart label="Fixed value" value={choices.value} unit={unit} onChange={(x) => set({ value: x ?? 0 })} />
  );
  const after = !spreadAsked && unit ? ` ${unit}` : '';
  const counting = (
    <>
      when each {props.nested && 'reading, not each '}
      <Accepted
        className="part"
        aria-label="What counts once"
        placeholder="animal, plant, dish …"
        value={table.subject}
        onAccept={(text) => onEdit([{ kind: 'describe-table', subject: text }])}
      />
      {props.nested && ','}{' '}
      <span className="whitespace-nowrap">
        {kind === 'value' || table.shape === 'summary' ? (
          'counts once'
        ) : (
          <Choose
            label="How subjects were measured"
            value={within ? 'within' : 'once'}
            options={{
              once: 'counts once',
              within: factsOf({ ...question, design: designOf(kind, true) }).within ?? 'counts once',
            }}
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
          {after},
        </>
      ) : (
        <>
          Is {measure} of {a} {directed} {compared} {value}
          {after},
        </>
      ),
    two:
      !spreadAsked && choices.value !== 0 ? (
        <>
          {either ? 'Does' : 'Is'} {measure} {compared} {a} less that in {b} {directed} {either ? 'from' : 'than'}{' '}
          {valued(given(choices.value), unit)},
        </>
      ) : direction === 'either' ? (
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
  const methods = methodsFor(spreadAsked ? { ...question, about: undefined } : question);
  const byWhat: Partial<Record<Method | 'spread' | 'share' | 'band', string>> = {
    ...Object.fromEntries(methods.map((m) => [m, meansWords[m]])),
    ...(kind === 'value' ? { means: 'its mean' } : {}),
    ...(kind !== 'factors' && design !== 'repeated'
      ? { spread: kind === 'value' ? 'its spread' : 'their spread' }
      : {}),
    ...(kind !== 'factors' && design !== 'repeated' ? { band: 'a share: how many lie beyond a limit' } : {}),
    ...(table.shape === 'rows' && columnsOf(table, 'group').length > 1 && !within
      ? { share: 'what was found: a share' }
      : {}),
  };
  const spreads = !spreadAsked && (design === 'two-groups' || design === 'several') && choices.method === 'means';
  return (
    <div className="prose-serif">
      <h1 className="text-[23px] leading-9">
        {asked} {counting}
      </h1>
      <p className="mt-1 text-[16px] leading-7 text-muted">
        {kind === 'two' && (
          <>
            {spreadAsked ? 'The order is' : 'Differences are'}{' '}
            <OrderPart
              question={question}
              onChange={onChange}
              first={name(question.a)}
              second={name(question.b)}
              joined={spreadAsked ? 'over' : 'minus'}
            />
            {!spreadAsked && (
              <>
                , tested against{' '}
                <NumberPart
                  label="Difference tested against"
                  value={choices.value}
                  unit={unit}
                  onChange={(x) => set({ value: x ?? 0 })}
                />
              </>
            )}
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
        {Object.keys(byWhat).length > 1 && (
          <>
            ; compared by{' '}
            <Choose<Method | 'spread' | 'share' | 'band'>
              label="Compared by"
              value={spreadAsked ? 'spread' : choices.method}
              options={byWhat}
              onChange={(next) => {
                const { about: _, method: __, value: ___, follow: ____, ...rest } = question;
                if (next === 'spread') onChange({ ...rest, about: 'spread' });
                else if (next === 'band')
                  onChange({ ...rest, about: 'share', found: 'below', cut: middleOf(table, question) });
                else if (next === 'share') onChange({ ...rest, about: 'share' });
                else onChange({ ...(spreadAsked ? rest : question), method: next });
              }}
            />
          </>
        )}
        {!spreadAsked && choices.method === 'shuffle' && (
          <>
            , looking at <StatisticPart question={question} onChange={onChange} />, seed{' '}
            <SeedPart question={question} onChange={onChange} />
          </>
        )}
        {spreadAsked && <TestedBy question={question} onChange={onChange} />}
        {kind === 'value' && !spreadAsked && (
          <>
            ; the population’s SD is{' '}
            <NumberPart
              label="Known SD"
              value={question.knownSd}
              unit={unit}
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
        {!spreadAsked && (kind === 'two' || kind === 'value') && choices.method === 'means' && (
          <Bounds question={question} onChange={onChange} unit={unit} />
        )}
        .
        {(kind === 'several' || kind === 'factors') && (
          <FollowSentence
            question={question}
            settled={settled}
            choices={question.groups ? groups.filter((g) => question.groups?.includes(g.id)) : groups}
            factors={kind === 'factors' ? named : undefined}
            onChange={onChange}
          />
        )}
      </p>
    </div>
  );
}
