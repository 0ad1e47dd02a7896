import { choiceNames } from '../../core/words/choice-names';
import { factsOf } from '../../core/analyses/kinds';
import { adjusts, isAdjusted, withEffect } from '../../core/question/asking';
import { choicesOf, noneOf, ofMeans, tellsRatios } from '../../core/question/choices';
import type { Question } from '../../core/question/question';
import { underLetters } from '../../core/readings/blind';
import { factorNames } from '../../core/readings/factors';
import { covariates, innerSamples } from '../../core/telling/controls';
import { askedOf } from '../../core/telling/asked-of';
import { Choose } from '../kit/Parts';
import { Bounds } from './Bounds';
import { ControlPart } from './ControlPart';
import { CovariateAt } from './CovariateAt';
import { FollowSentence } from './FollowSentence';
import { Level } from './Level';
import type { AskProps } from './Measured';
import { NumberPart } from './NumberPart';
import { OnlyPart } from './OnlyPart';
import { OrderPart } from './OrderPart';
import { RowsPart } from './RowsPart';
import { SeedPart, StatisticPart } from './StatisticPart';
import { TestedBy } from './TestedBy';

/** Those of these words that a kind of question lets one choose. */
const among = <T extends string>(ids: readonly T[], words: Readonly<Record<T, string>>): Partial<Record<T, string>> =>
  Object.fromEntries(ids.map((id) => [id, words[id]])) as Partial<Record<T, string>>;

const askedWords: Partial<Record<string, string>> = { 'Asked of': 'asked of', 'What is estimated': 'estimating' };

/** Which way two are set against each other, and by what. */
function OrderSetting({
  question,
  unit,
  groups,
  onChange,
}: AskProps & { groups: readonly { id: string; name: string }[] }) {
  const { order, differences, effects } = factsOf(question);
  const choices = choicesOf(question);
  const ratios = tellsRatios(question);
  const name = (id: string | undefined): string => groups.find((g) => g.id === id)?.name ?? 'a group no longer there';
  return (
    <>
      {order && (
        <>
          {order === 'over' ? 'The order is' : ratios ? 'Ratios are' : 'Differences are'}{' '}
          <OrderPart
            question={question}
            onChange={onChange}
            first={name(question.a)}
            second={name(question.b)}
            joined={order === 'over' || ratios ? 'over' : 'minus'}
          />
        </>
      )}
      {differences && (
        <>
          , tested against{' '}
          <NumberPart
            label={ratios ? 'Ratio tested against' : 'Difference tested against'}
            value={choices.value}
            unit={ratios ? '' : unit}
            refuse={(x) => (ratios && x <= 0 ? 'A ratio is above 0; 1 is no difference' : undefined)}
            onChange={(x) => onChange({ ...question, value: x ?? noneOf(question) })}
          />
        </>
      )}
      {effects && (question.about !== 'value' || ofMeans(choices.method)) && (
        <>
          {order ? ', set' : 'They are set'} against each other by{' '}
          <Choose
            label="Set against each other by"
            value={effects[choices.effect] ? choices.effect : 'difference'}
            options={effects}
            onChange={(effect) => onChange(withEffect(question, effect))}
          />
        </>
      )}
    </>
  );
}

/** How the question is answered: each a choice that its kind of question has. */
export function AskSettings(
  props: AskProps & { groups: readonly { id: string; name: string }[]; rounded: readonly string[] },
) {
  const { question, settled, table, unit, groups, rounded, onChange } = props;
  const facts = factsOf(question);
  const choices = choicesOf(settled);
  const set = (more: Partial<Question>) => onChange({ ...question, ...more });
  const of = askedOf(question, table, choices.method);
  const covariate = covariates(question, table);
  const inner = question.inner === undefined ? innerSamples(question, table) : undefined;
  const byMeans = choices.method === 'means';
  const ofTwo = facts.order !== undefined;
  const ordered =
    facts.order !== undefined ||
    (facts.effects !== undefined && (question.about !== 'value' || ofMeans(choices.method)));
  return (
    <p className="mt-1 text-[15px] leading-[25px] text-muted">
      {ordered && <OrderSetting {...props} />}
      {ordered ? ', with intervals at ' : 'Intervals are at '}
      <Level level={question.level} onChange={(level) => set({ level })} />
      {question.about === 'share' && (
        <>
          , those of a share by{' '}
          <Choose
            label="Interval of a share"
            value={choices.shareInterval}
            options={choiceNames.shareInterval}
            onChange={(shareInterval) => set({ shareInterval })}
          />
        </>
      )}
      {facts.spreads && byMeans && (
        <>
          ; the groups’ spreads{' '}
          <Choose
            label="Spreads"
            value={choices.spread}
            options={{ ...choiceNames.spread, pooled: 'are taken as equal' }}
            onChange={(spread) => {
              const { follow: _, ...rest } = question;
              onChange({ ...rest, spread });
            }}
          />
        </>
      )}
      {facts.sums && (
        <>
          ; sums of squares of{' '}
          <Choose
            label="Type of sums of squares"
            value={String(choices.sums)}
            options={choiceNames.sums}
            onChange={(sums) => set({ sums: Number(sums) as 1 | 2 | 3 })}
          />
        </>
      )}
      {facts.sphericities && byMeans && (
        <>
          ; degrees of freedom{' '}
          <Choose
            label="Sphericity"
            value={choices.sphericity}
            options={among(facts.sphericities, choiceNames.sphericity)}
            onChange={(sphericity) => set({ sphericity })}
          />
        </>
      )}
      {inner && (
        <>
          ; readings within each {table.subject || 'sample'} are taken{' '}
          <ControlPart control={inner} onChange={onChange} />
        </>
      )}
      {covariate && !adjusts(question.design) && (
        <>
          ; adjusted for <ControlPart control={covariate} onChange={onChange} />
        </>
      )}
      {isAdjusted(question.design) && byMeans && <CovariateAt {...props} />}
      {of.options.length > 1 && (
        <>
          ; {askedWords[of.label] ?? 'compared by'} <ControlPart control={of} onChange={onChange} />
        </>
      )}
      {facts.statistics && choices.method === 'shuffle' && (
        <>
          , looking at <StatisticPart question={question} onChange={onChange} />
        </>
      )}
      {!facts.namesTest && choices.method === 'shuffle' && (
        <>
          , seed <SeedPart question={question} onChange={onChange} />
        </>
      )}
      {facts.namesTest && <TestedBy question={question} names={groups.map((g) => g.name)} onChange={onChange} />}
      {facts.knownSd && (byMeans || choices.method === 'z') && (
        <>
          ; {ofTwo ? 'the populations’ SDs are' : 'the population’s SD is'}{' '}
          <NumberPart
            label="Known SD"
            value={question.knownSd}
            unit={unit}
            placeholder="not known"
            refuse={(x) => (x > 0 ? undefined : 'An SD is above 0')}
            onChange={(x) => {
              const { knownSd: _, knownSdB: __, method: ___, ...rest } = question;
              const second = question.knownSdB === undefined ? {} : { knownSdB: question.knownSdB };
              onChange(x === undefined ? rest : { ...rest, ...second, knownSd: x, method: 'z' });
            }}
          />
          {ofTwo && question.knownSd !== undefined && (
            <>
              {' '}
              and{' '}
              <NumberPart
                label="Known SD of the second group"
                value={question.knownSdB}
                unit={unit}
                placeholder="the same"
                refuse={(x) => (x > 0 ? undefined : 'An SD is above 0')}
                onChange={(x) => {
                  const { knownSdB: _, ...rest } = question;
                  onChange(x === undefined ? rest : { ...rest, knownSdB: x, method: 'z' });
                }}
              />
            </>
          )}
        </>
      )}
      <OnlyPart question={question} table={table} onChange={onChange} />
      {facts.equivalence && (byMeans || choices.method === 'z') && (
        <Bounds question={question} onChange={onChange} unit={unit} />
      )}
      .
      <RowsPart question={question} table={table} onChange={onChange} />
      {facts.follows && !facts.namesTest && (
        <FollowSentence
          question={question}
          settled={settled}
          choices={question.groups ? groups.filter((g) => question.groups?.includes(g.id)) : groups}
          factors={factorNames(table, question)}
          told={underLetters(table)}
          onChange={onChange}
        />
      )}
      {rounded.length > 0 && (
        <span className="block">
          Percentages stand for counts here: {rounded.slice(0, 6).join('; ')}
          {rounded.length > 6 && ` and ${rounded.length - 6} more`}.
        </span>
      )}
    </p>
  );
}
