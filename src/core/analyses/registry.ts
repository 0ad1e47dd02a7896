/** Every kind of question with all that is done for it: the one place that lists them. */
import type { Question } from '../question/question';
import type { Analysis } from './analysis';
import { type ByKind, ofKind } from './kinds';
import { analysis as factorial } from './factorial';
import { analysis as mixed } from './mixed';
import { analysis as oneSample } from './one-sample';
import { analysis as paired } from './paired';
import { analysis as repeated } from './repeated';
import { analysis as several } from './several';
import { analysis as shareOfOne } from './share/one';
import { analysis as sharePaired } from './share/paired';
import { analysis as shareOfSeveral } from './share/several';
import { analysis as shareOfTwo } from './share/two';
import { analysis as spreadOfOne } from './spread/one';
import { analysis as spreadPaired } from './spread/paired';
import { analysis as spreadRepeated } from './spread/repeated';
import { analysis as spreadOfSeveral } from './spread/several';
import { analysis as spreadOfTwo } from './spread/two';
import { analysis as dependence } from './table/dependence';
import { analysis as fit } from './table/fit';
import { analysis as twoGroups } from './two-groups';

const analyses: ByKind<Analysis> = {
  value: { 'one-sample': oneSample, 'two-groups': twoGroups, paired, several, factorial, repeated, mixed },
  share: { 'one-sample': shareOfOne, 'two-groups': shareOfTwo, paired: sharePaired, several: shareOfSeveral },
  table: { 'one-sample': fit, several: dependence },
  spread: {
    'one-sample': spreadOfOne,
    'two-groups': spreadOfTwo,
    paired: spreadPaired,
    several: spreadOfSeveral,
    repeated: spreadRepeated,
  },
};

export const analysisOf = (question: Pick<Question, 'about' | 'design'>): Analysis => ofKind(analyses, question);
