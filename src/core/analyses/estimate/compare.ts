import type { Comparison } from '../../answer/comparison';
import { sentenceCase } from '../../words/sentences';
import { type GroupPart, demandReadings, summaryOf } from '../../answer/group-part';
import { demand } from '../../numeric/domain-error';
import { there } from '../../numeric/there';
import { medianInterval } from '../../procedures/median-interval';
import { oneSampleT } from '../../procedures/one-sample-t';
import { oneSampleZ } from '../../procedures/one-sample-z';
import { choicesOf } from '../../question/choices';
import type { Question } from '../../question/question';
import { percent } from '../../words/numbers';

/** What is estimated of one group, with its interval: nothing is tested. */
const estimated = (effect: Comparison['effect'], remarks: string[] = []): Comparison => ({
  ...(effect ? { effect } : {}),
  tests: [],
  sizes: [],
  remarks,
});

/** The mean of one group, or its median, in the readings' units. */
export function compare(question: Question, group: GroupPart): Comparison {
  const { level, knownSd } = question;
  const { method } = choicesOf(question);
  if (method === 'ranks') {
    const [values = []] = demandReadings([group], 'A median');
    const { median, interval, coverage } = medianInterval(values, level);
    return estimated({ name: `median of ${group.name}`, estimate: median, interval }, [
      Number.isFinite(interval.low)
        ? `An interval between two of the readings comes in steps: this one covers ${percent(Number(coverage.toPrecision(3)))}.`
        : `No two of ${group.n} readings enclose the median at ${percent(level)}: more are needed.`,
    ]);
  }
  const name = `mean of ${group.name}`;
  if (method === 'z') {
    demand(group.n > 0, `${sentenceCase(group.name)} has no readings that can be used.`);
    const { mean } = summaryOf(group, 1);
    const { se, interval } = oneSampleZ(mean, group.n, there(knownSd, 'The known SD'), mean, level);
    return estimated({ name, estimate: mean, se, interval });
  }
  const sample = summaryOf(group, 2);
  demand(
    sample.variance > 0,
    `Every reading of ${group.name} is the same, so nothing tells how far their mean may stray.`,
  );
  const { se, df, interval } = oneSampleT(sample, sample.mean, level);
  return estimated({ name, estimate: sample.mean, se, df, interval });
}
