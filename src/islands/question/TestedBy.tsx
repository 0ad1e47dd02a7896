import { factsOf } from '../../core/analyses/kinds';
import { choicesOf, followUpsFor, methodsFor } from '../../core/question/choices';
import type { Question } from '../../core/question/question';
import { followNames } from '../../core/words/follow-names';
import { methodName } from '../../core/telling/method';
import { SpacingPart } from './SpacingPart';
import { SeedPart } from './StatisticPart';
import { Choose } from '../kit/Parts';

/** Which test a question about shares, counts or spread is answered by, and how its pairs are adjusted. */
export function TestedBy({
  question,
  names,
  onChange,
}: {
  question: Question;
  /** What the groups are called. */
  names: readonly string[];
  onChange: (question: Question) => void;
}) {
  const { method, follow, spread } = choicesOf(question);
  const methods = methodsFor(question);
  const name = (m: (typeof methods)[number]): string => {
    const named = methodName({ ...question, method: m });
    // What begins with someone's name, or a letter that is one, keeps its capital within the sentence.
    return /^(Fisher|McNemar|Levene|Bartlett|Brown|Pitman|Cochran|G |F )/.test(named)
      ? named
      : named.charAt(0).toLowerCase() + named.slice(1);
  };
  return (
    <>
      ; tested by {!/^(Fisher|McNemar|Levene|Bartlett)/.test(methodName(question)) && methods.length > 1 && 'the '}
      {methods.length > 1 ? (
        <Choose
          label="Tested by"
          value={method}
          options={Object.fromEntries(methods.map((m) => [m, name(m)]))}
          onChange={(next) => onChange({ ...question, method: next })}
        />
      ) : (
        `the ${name(method)}`
      )}
      {method === 'trend' && (
        <>
          , groups <SpacingPart question={question} names={names} onChange={onChange} />
        </>
      )}
      {method === 'shuffle' && (
        <>
          , seed <SeedPart question={question} onChange={onChange} />
        </>
      )}
      {factsOf(question).follows && (
        <>
          ; pairs adjusted by{' '}
          <Choose
            label="Pairs adjusted by"
            value={follow}
            options={Object.fromEntries(followUpsFor(question, method, spread, 'all').map((f) => [f, followNames[f]]))}
            onChange={(next) => onChange({ ...question, follow: next })}
          />
        </>
      )}
    </>
  );
}
