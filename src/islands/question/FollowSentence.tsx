import { choiceNames } from '../../core/words/choice-names';
import { Plus, X } from 'lucide-react';
import { factsOf } from '../../core/analyses/kinds';
import { choicesOf, followUpsFor } from '../../core/question/choices';
import type { Question } from '../../core/question/question';
import { followNames, followReasons } from '../../core/words/follow-names';
import { Accepted } from '../kit/Accepted';
import { Choose } from '../kit/Parts';
import { NumberPart } from './NumberPart';
import { SpacingPart } from './SpacingPart';
import { IconButton } from '../kit/IconButton';

interface Props {
  question: Question;
  /** The same with what the readings decide filled in. */
  settled: Question;
  choices: readonly { id: string; name: string }[];
  /** What the factors are called, where there are two. */
  factors: readonly [string, string];
  /** Words typed by hand as they may be shown: with letters for names that are hidden. */
  told: (words: string) => string;
  onChange: (question: Question) => void;
}

const pick = (names: readonly { id: string; name: string }[]): Record<string, string> =>
  Object.fromEntries(names.map((g) => [g.id, g.name]));

/** What follows the overall test: which comparisons, and how they are judged together. */
export function FollowSentence({ question, settled, choices, factors, told, onChange }: Props) {
  const { compare, follow, spread, method } = choicesOf(settled);
  const possible = followUpsFor(settled, method, spread, compare);
  const set = (more: Partial<Question>) => onChange({ ...question, ...more });
  const [first, second] = choices;
  const judged =
    possible.length > 1 ? (
      <span title={followReasons[follow]}>
        <Choose
          label="How comparisons are judged together"
          value={follow}
          options={Object.fromEntries(possible.map((f) => [f, followNames[f]]))}
          onChange={(next) => set({ follow: next })}
        />
      </span>
    ) : (
      <b className="font-semibold">{followNames[follow]}</b>
    );
  const { follows } = factsOf(question);
  const [a, b] = factors;
  if (follows === 'levels')
    return (
      <>
        {' '}
        Then{' '}
        <Choose
          label="Which levels are compared"
          value={question.within ?? 'auto'}
          options={{
            auto: 'levels as the interaction asks for',
            a: `levels of ${a}, over ${b}`,
            b: `levels of ${b}, over ${a}`,
            'a-within-b': `levels of ${a} within each ${b}`,
            'b-within-a': `levels of ${b} within each ${a}`,
            interaction: `differences of ${a} between levels of ${b}`,
          }}
          onChange={(next) => {
            const { within: _, ...rest } = question;
            onChange(next === 'auto' ? rest : { ...question, within: next });
          }}
        />{' '}
        are compared, adjusted by {judged}.
      </>
    );
  if (follows === 'conditions')
    return (
      <>
        {' '}
        Then{' '}
        <Choose
          label="Which levels are compared"
          value={question.within === 'a-within-b' ? 'a-within-b' : 'b-within-a'}
          options={{
            'b-within-a': `levels of ${b} within each ${a}`,
            'a-within-b': `levels of ${a} at each ${b}`,
          }}
          onChange={(within) => set({ within })}
        />{' '}
        are compared, adjusted by {judged}.
      </>
    );
  const { all, control } = choiceNames.compare;
  const ranksAlone = method === 'ranks' && !factsOf(question).rankTrend;
  if (follows === 'pairs' || ranksAlone) return <> Then all pairs are compared, adjusted by {judged}.</>;
  return (
    <>
      {' '}
      Then{' '}
      <Choose
        label="Which comparisons follow"
        value={compare}
        options={
          method === 'ranks'
            ? { all, control, trend: 'a trend over the groups in their order' }
            : { ...choiceNames.compare, contrasts: 'contrasts of my own' }
        }
        onChange={(next) => {
          const { follow: _, ...rest } = question;
          onChange({
            ...rest,
            compare: next,
            ...(next === 'control' && first ? { control: question.control ?? first.id } : {}),
            ...(next === 'chosen' && first && second ? { pairs: question.pairs ?? [[first.id, second.id]] } : {}),
            ...(next === 'contrasts' && first && second
              ? { contrasts: question.contrasts ?? [{ name: '', weights: { [first.id]: 1, [second.id]: -1 } }] }
              : {}),
          });
        }}
      />
      {compare === 'control' && first && (
        <>
          ,{' '}
          <Choose
            label="Control"
            value={question.control ?? first.id}
            options={pick(choices)}
            onChange={(control) => set({ control })}
          />
          ,{' '}
          <Choose
            label="Direction of the comparisons"
            value={question.direction}
            options={choiceNames.direction}
            onChange={(direction) => set({ direction })}
          />
          ,
        </>
      )}
      {compare === 'trend' && method !== 'ranks' && (
        <>
          {' '}
          over the groups, <SpacingPart question={question} names={choices.map((g) => g.name)} onChange={onChange} />,
        </>
      )}{' '}
      {compare === 'trend' ? (
        <>is tested{follow === 'scheffe' && <>, judged by {judged}</>}.</>
      ) : (
        <>are compared, adjusted by {judged}.</>
      )}
      {compare === 'chosen' && (
        <span className="block text-[15px]">
          {(question.pairs ?? []).map(([a, b], i) => {
            const change = (pair: [string, string] | undefined) =>
              set({ pairs: (question.pairs ?? []).flatMap((p, k) => (k === i ? (pair ? [pair] : []) : [p])) });
            return (
              <span key={i} className="mr-4 inline-block">
                <Choose
                  label={`Pair ${i + 1}, first group`}
                  value={a}
                  options={pick(choices)}
                  onChange={(x) => change([x, b])}
                />{' '}
                minus{' '}
                <Choose
                  label={`Pair ${i + 1}, second group`}
                  value={b}
                  options={pick(choices)}
                  onChange={(x) => change([a, x])}
                />
                <IconButton name={`Leave out pair ${i + 1}`} icon={X} onClick={() => change(undefined)} />
              </span>
            );
          })}
          {first && second && (
            <button
              type="button"
              className="plain-button"
              onClick={() => set({ pairs: [...(question.pairs ?? []), [first.id, second.id]] })}
            >
              <Plus size={13} aria-hidden /> another pair
            </button>
          )}
        </span>
      )}
      {compare === 'contrasts' && (
        <span className="block text-[15px]">
          {(question.contrasts ?? []).map((contrast, i) => {
            const change = (next: typeof contrast | undefined) =>
              set({ contrasts: (question.contrasts ?? []).flatMap((c, k) => (k === i ? (next ? [next] : []) : [c])) });
            return (
              <span key={i} className="block">
                <Accepted
                  className="part"
                  aria-label={`Name of contrast ${i + 1}`}
                  placeholder="name it"
                  value={told(contrast.name)}
                  onAccept={(name) => change({ ...contrast, name })}
                />
                {': '}
                {choices.map((g, k) => (
                  <span key={g.id} className="mr-2">
                    {k > 0 && '+ '}
                    <NumberPart
                      label={`Weight of ${g.name} in contrast ${i + 1}`}
                      value={contrast.weights[g.id] ?? 0}
                      onChange={(w) => change({ ...contrast, weights: { ...contrast.weights, [g.id]: w ?? 0 } })}
                    />{' '}
                    × {g.name}
                  </span>
                ))}
                <IconButton name={`Leave out contrast ${i + 1}`} icon={X} onClick={() => change(undefined)} />
              </span>
            );
          })}
          {first && second && (
            <button
              type="button"
              className="plain-button"
              onClick={() =>
                set({
                  contrasts: [...(question.contrasts ?? []), { name: '', weights: { [first.id]: 1, [second.id]: -1 } }],
                })
              }
            >
              <Plus size={13} aria-hidden /> another contrast
            </button>
          )}
        </span>
      )}
    </>
  );
}
