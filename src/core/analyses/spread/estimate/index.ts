import { onePart, summaryOf } from '../../../answer/group-part';
import { groupValues, independentChecks } from '../../../answer/readings-checks';
import { worked } from '../../../answer/worked';
import { demand } from '../../../numeric/domain-error';
import { there } from '../../../numeric/there';
import { spreadOfOne } from '../../../procedures/spread-of-one';
import { spreadLook } from '../../../scenes/groups-look';
import { sdIntervalWorking } from '../../../working/intervals';
import type { OfReadings } from '../../analysis';
import { words } from './words';

/** How far the readings of one group scatter, and no claim about it. */
export const analysis: OfReadings = {
  from: 'readings',
  words,
  look: spreadLook,
  figures: ['means', 'boxes'],
  groups: (question, all) => [onePart(question, all)],
  compare: ({ level }, _, [part]) => {
    const group = there(part, 'The group');
    const { n, variance } = summaryOf(group);
    demand(variance > 0, `All readings of ${group.name} are the same: they show no spread.`);
    const sd = Math.sqrt(variance);
    const { sdInterval, varianceInterval } = spreadOfOne(sd, n, sd, level);
    return {
      effect: { name: `SD of ${group.name}`, estimate: sd, interval: sdInterval },
      also: [{ name: `variance of ${group.name}`, estimate: variance, interval: varianceInterval }],
      tests: [],
      sizes: [],
      remarks: [],
    };
  },
  checked: groupValues,
  checks: (answer) => independentChecks(answer, groupValues(answer), 'asked'),
  working: ({ answer: { question, groups } }) => {
    const { n, variance } = there(groups[0]?.summary, 'The summary');
    return worked('The SD and its interval', () => sdIntervalWorking(Math.sqrt(variance), n, question.level));
  },
};
