/** What is said of groups compared within blocks. */
import type { Answer } from '../../answer/answer';
import { choicesOf } from '../../question/choices';
import type { Named } from '../../question/naming';
import type { Question } from '../../question/question';
import { counted, plural } from '../../words/numbers';
import { type Segment, part } from '../../words/segments';
import { eachCounts } from '../../words/measured';
import { contribution } from '../../words/phrases';
import { mixedModel, mixedModelWords, variationClause } from '../../words/variation';
import type { ModelWords } from '../by-model-words';

/** "compared within each day": the blocks as a part of the sentence. */
const blockedPart = (named: Named): Segment[] => [
  'compared within each ',
  part('covariate', named.block ?? 'block'),
  ', ',
];

const isRandom = (question: Question): boolean => choicesOf(question).method === 'mixed-model';

const blockedName = (question: Question): string =>
  isRandom(question) ? mixedModel : 'Analysis of variance with blocks';

/** By what groups were compared, for the methods. */
const blockedModel = ({ question, block = 'block' }: Answer): string =>
  isRandom(question)
    ? mixedModelWords(block)
    : `analysis of variance of randomized blocks (${block} as a fixed factor that adds to each reading alike)`;

/** What the blocks were, for the methods. */
function blocksClause({ comparison, block = 'block' }: Answer): string {
  const blocks = comparison.ok ? comparison.value.blocks : undefined;
  if (!blocks) return '';
  const lost =
    blocks.lost === 0
      ? ''
      : ` ${counted(blocks.lost, 'reading')} that named no ${block} ${blocks.lost === 1 ? 'was' : 'were'} left out.`;
  return ` Groups were compared within ${counted(blocks.count, block)}; means are those of each group were it read in all ${plural(block)} alike.${lost}`;
}

const blockedReason = (question: Question): string =>
  `Readings of one block share what it did to them. Comparing groups within blocks takes that off, so that the comparison is surer, and fair where groups did not fall into blocks alike.${
    isRandom(question)
      ? ' Blocks are taken as drawn from many such, so that differences between blocks tell of the groups, too.'
      : ' Blocks are taken as those there are, whatever others would do.'
  }`;

const blockedElse = (question: Question): string =>
  isRandom(question)
    ? 'Blocks as fixed, where they are few or nothing says that they were drawn from many: complete blocks give the same comparison.'
    : 'Blocks as random, where they are many and some lack a group: then what differs between blocks tells of the groups, too.';

export const words: ModelWords = {
  each: (named) => [...blockedPart(named), ...eachCounts(named, 'reading')],
  methodName: blockedName,
  reason: blockedReason,
  methodElse: blockedElse,
  compared: 'groups',
  procedure: blockedModel,
  entered: contribution,
  further: blocksClause,
  last: variationClause,
};
