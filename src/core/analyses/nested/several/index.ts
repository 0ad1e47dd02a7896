import { chosenParts } from '../../../answer/chosen-parts';
import type { FollowUpPart } from '../../../answer/comparison';
import {
  type Raw,
  comparisonsAsked,
  demandFewPairs,
  eachByItself,
  isAdjustment,
  judgedByP,
  lettersFor,
} from '../../../answer/follow-up';
import type { GroupPart } from '../../../answer/group-part';
import { fReference } from '../../../answer/references';
import { attempt, demand } from '../../../numeric/domain-error';
import { choicesOf } from '../../../question/choices';
import type { Question } from '../../../question/question';
import { asModelled } from '../../../answer/group-part';
import { nestedLook } from '../../../scenes/nested-look';
import type { OfReadings } from '../../analysis';
import { type Nested, nestedIn } from '../compare';
import { nestedChecks, sampleMeans } from '../checks';
import { working } from '../working';
import { words } from './words';

/** The comparisons asked for, each by the model, judged together. */
function followed(question: Question, groups: readonly GroupPart[], { effect }: Nested): FollowUpPart {
  const { follow, compare } = choicesOf(question);
  if (compare === 'all') demandFewPairs(groups.length);
  const direction = compare === 'control' ? question.direction : 'either';
  const raw = eachByItself(
    comparisonsAsked(question, groups),
    (of) => of.name,
    ({ name, pair, weights }): Raw => {
      const { estimate, se, df, t, p } = effect(weights);
      return { name, ...(pair ? { pair } : {}), estimate, se, df, t, p: p[direction] };
    },
  );
  demand(raw.judged.length > 0, raw.left[0]?.why ?? 'There is no comparison to make.');
  const [part] = judgedByP([raw], isAdjustment(follow) ? follow : 'holm', question.level, direction);
  if (!part || compare !== 'all' || part.left) return part ?? { effects: [], simultaneous: false };
  return { ...part, letters: lettersFor(groups, part.effects, question.level) };
}

/** Several groups of samples, several readings of each. */
export const analysis: OfReadings = {
  from: 'readings',
  words,
  look: nestedLook,
  figures: ['means', 'boxes'],
  working,
  groups: chosenParts,
  compare: (question, table, groups, brief) => {
    demand(groups.length >= 2, 'Comparing groups needs at least two of them.');
    const found = nestedIn(question, table, groups, brief);
    const { f, df1, df2, p } = found.test();
    return {
      p,
      tests: [{ symbol: 'F', value: f, df: [df1, df2], p }],
      sizes: [],
      reference: [fReference(f, df1, df2)],
      ...(brief ? {} : { follow: attempt(() => [followed(question, groups, found)]) }),
      model: found.model,
      remarks: found.remarks,
    };
  },
  used: asModelled,
  alternatives: () => [
    { design: 'nested' },
    { design: 'several', repeats: 'average', method: 'means', spread: 'pooled' },
    { design: 'several', repeats: 'average', method: 'means', spread: 'separate' },
    { design: 'several', repeats: 'average', method: 'ranks' },
    { design: 'several', repeats: 'each', method: 'means', spread: 'pooled' },
  ],
  checked: sampleMeans,
  checks: nestedChecks,
};
