import { asAdjusted } from '../../../answer/adjusted-part';
import { fromT, subtracted } from '../../../answer/from-t';
import { partOf } from '../../../answer/group-part';
import { demand } from '../../../numeric/domain-error';
import { there } from '../../../numeric/there';
import { tTest } from '../../../procedures/t-test';
import { choicesOf } from '../../../question/choices';
import { blocksLook } from '../../../scenes/blocks-look';
import type { OfReadings } from '../../analysis';
import { checked, checks } from '../checks';
import { fitted } from '../fit';
import { working } from '../working';
import { words } from './words';

/** Two independent groups, compared within blocks. */
export const analysis: OfReadings = {
  from: 'readings',
  words,
  look: blocksLook,
  figures: ['means', 'boxes'],
  working,
  groups: ({ a, b }, all) => [partOf(all, a), partOf(all, b)],
  compare: (question, table, parts, brief) => {
    const [a, b] = [there(parts[0], 'The first group'), there(parts[1], 'The second group')];
    demand(a.id !== b.id, 'A group cannot be compared with itself: choose two different groups.');
    const { blocks, effect, table: lines, model, remarks } = fitted(question, table, [a, b], brief);
    const { estimate, se, df } = effect([1, -1]);
    const test = tTest(estimate, se, df, question.level, choicesOf(question).value);
    return {
      ...fromT(question, subtracted(a, b), [a.id, b.id], test, []),
      ...(lines ? { table: lines } : {}),
      ...(model ? { model } : {}),
      blocks,
      remarks,
    };
  },
  used: (parts, { blocks }, level) => (blocks ? asAdjusted(parts, blocks.means, level) : [...parts]),
  alternatives: ({ block }) => [
    { design: 'blocked-two', method: 'means', block },
    { design: 'blocked-two', method: 'mixed-model', block },
    { design: 'two-groups', method: 'means', spread: 'separate' },
  ],
  checked,
  checks,
};
