import { asAdjusted } from '../../answer/adjusted-part';
import { blocksLook } from '../../scenes/blocks-look';
import { type ByModel, severalByModel, twoByModel } from '../by-model';
import { checked, checks } from './checks';
import { fitted } from './fit';
import { words } from './words';
import { working } from './working';

const model: ByModel = {
  words,
  look: blocksLook,
  figures: ['means', 'boxes'],
  working,
  fit: fitted,
  used: (parts, { blocks }, level) => (blocks ? asAdjusted(parts, blocks.means, level) : [...parts]),
  checked,
  checks,
};

/** Two independent groups, compared within blocks. */
export const two = twoByModel(model, ({ block }) => [
  { design: 'blocked-two', method: 'means', block },
  { design: 'blocked-two', method: 'mixed-model', block },
  { design: 'two-groups', method: 'means', spread: 'separate' },
]);

/** Several independent groups, compared within blocks. */
export const several = severalByModel(model, ({ block }) => [
  { design: 'blocked', method: 'means', block },
  { design: 'blocked', method: 'mixed-model', block },
  { design: 'several', method: 'means', spread: 'pooled' },
  { design: 'several', method: 'means', spread: 'separate' },
]);
