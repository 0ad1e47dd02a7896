import type { Design } from '../question/question';

/** How each subject counts, as the sentence ends. */
export const countingWords: Record<Design, string> = {
  'one-sample': 'counts once',
  'two-groups': 'counts once',
  paired: 'is measured twice',
  several: 'counts once',
  factorial: 'counts once',
  repeated: 'is measured under every condition',
  mixed: 'is measured under every condition',
};
