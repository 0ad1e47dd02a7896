import { beyond } from '../../answer/from-t';
import { tiedBelow } from '../../answer/limits';
import { equivalenceWorked, shuffleWorked, worked } from '../../answer/worked';
import { there } from '../../numeric/there';
import { pooledT } from '../../procedures/pooled-t';
import { choicesOf } from '../../question/choices';
import { hedgesWorking } from '../../working/effect-sizes';
import { pooledWorking, twoSampleZWorking, welchWorking } from '../../working/means';
import { likelihoodRatioWorking } from '../../working/likelihood';
import { mannWhitneyWorking } from '../../working/ranks';
import type { Worked, WorkingPart } from '../analysis';

export function working({ answer, comparison }: Worked): WorkingPart[] {
  const { question, groups } = answer;
  const { level, direction } = question;
  const { method, value, spread } = choicesOf(question);
  const [a, b] = [there(groups[0], 'The first group'), there(groups[1], 'The second group')];
  if (method === 'ranks') {
    const [x = [], y = []] = tiedBelow([a, b]);
    return worked('Rank sums', () => mannWhitneyWorking(beyond(x, value), y, direction));
  }
  if (comparison.likelihood) {
    const { logLikelihood, same } = comparison.likelihood;
    return worked('The test', () =>
      likelihoodRatioWorking(logLikelihood, same, 1, {
        direction,
        sign: Math.sign(there(comparison.effect, 'The difference').estimate - value),
      }),
    );
  }
  const [x, y] = [a.summary, b.summary];
  if (!x || !y) return [];
  if (method === 'z') {
    const { knownSd = NaN, knownSdB = knownSd } = question;
    return [
      ...worked('The test', () =>
        twoSampleZWorking(
          [
            { ...x, sd: knownSd },
            { ...y, sd: knownSdB },
          ],
          level,
          value,
          direction,
        ),
      ),
      ...equivalenceWorked(answer, comparison),
    ];
  }
  const run = spread === 'pooled' && method === 'means' ? pooledWorking : welchWorking;
  return [
    ...shuffleWorked(answer, comparison),
    ...worked(method === 'shuffle' ? 'The interval' : 'The test', () => run(x, y, level, value, direction)),
    ...worked('Effect size', () => hedgesWorking(pooledT(x, y, level).t, x.n, y.n, level)),
    ...equivalenceWorked(answer, comparison),
  ];
}
