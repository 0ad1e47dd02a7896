import { demandTwo, fromF } from '../../../answer/from-f';
import { asAdjusted } from '../../../answer/adjusted-part';
import { chosenParts } from '../../../answer/chosen-parts';
import { blocksLook } from '../../../scenes/blocks-look';
import type { OfReadings } from '../../analysis';
import { checked, checks } from '../checks';
import { fitted } from '../fit';
import { working } from '../working';
import { words } from './words';

/** Several independent groups, compared within blocks. */
export const analysis: OfReadings = {
  from: 'readings',
  words,
  look: blocksLook,
  figures: ['means', 'boxes'],
  working,
  groups: chosenParts,
  compare: (question, table, groups, brief) => {
    demandTwo(groups);
    const { blocks, test, effect, table: lines, model, remarks } = fitted(question, table, groups, brief);
    return {
      ...fromF(question, groups, test, effect, brief),
      ...(lines ? { table: lines } : {}),
      ...(model ? { model } : {}),
      blocks,
      remarks,
    };
  },
  used: (parts, { blocks }, level) => (blocks ? asAdjusted(parts, blocks.means, level) : [...parts]),
  alternatives: ({ block }) => [
    { design: 'blocked', method: 'means', block },
    { design: 'blocked', method: 'mixed-model', block },
    { design: 'several', method: 'means', spread: 'pooled' },
    { design: 'several', method: 'means', spread: 'separate' },
  ],
  checked,
  checks,
};
