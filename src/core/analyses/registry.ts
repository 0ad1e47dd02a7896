/** Every kind of question with all that is done for it: the one place that lists them. */
import { type ByKind, ofKind } from './kinds';
import type { Question } from '../question/question';
import { words as factorial } from './factorial/words';
import { words as mixed } from './mixed/words';
import { words as oneSample } from './one-sample/words';
import { words as paired } from './paired/words';
import { words as repeated } from './repeated/words';
import { words as several } from './several/words';
import { words as shareOfOne } from './share/one';
import { words as sharePaired } from './share/paired';
import { words as shareOfSeveral } from './share/several';
import { words as shareOfTwo } from './share/two';
import { words as spreadOfOne } from './spread/one';
import { words as spreadPaired } from './spread/paired';
import { words as spreadOfSeveral } from './spread/several';
import { words as spreadOfTwo } from './spread/two';
import { words as dependence } from './table/dependence';
import { words as fit } from './table/fit';
import { words as twoGroups } from './two-groups/words';
import type { Words } from './words';

const words: ByKind<Words> = {
  value: { 'one-sample': oneSample, 'two-groups': twoGroups, paired, several, factorial, repeated, mixed },
  share: { 'one-sample': shareOfOne, 'two-groups': shareOfTwo, paired: sharePaired, several: shareOfSeveral },
  table: { 'one-sample': fit, several: dependence },
  spread: { 'one-sample': spreadOfOne, 'two-groups': spreadOfTwo, paired: spreadPaired, several: spreadOfSeveral },
};

export const wordsOf = (question: Pick<Question, 'about' | 'design'>): Words => ofKind(words, question);
