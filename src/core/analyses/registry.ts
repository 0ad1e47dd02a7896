/** Every kind of question with all that is done for it: the one place that lists them. */
import type { Question } from '../question/question';
import type { Analysis } from './analysis';
import { type ByKind, ofKind } from './kinds';
import { several as adjusted, two as adjustedTwo } from './adjusted';
import { several as blocked, two as blockedTwo } from './blocked';
import { analysis as estimate } from './estimate';
import { analysis as factorial } from './factorial';
import { analysis as mixed } from './mixed';
import { several as nested, two as nestedTwo } from './nested';
import { analysis as oneSample } from './one-sample';
import { analysis as paired } from './paired';
import { analysis as repeated } from './repeated';
import { analysis as repeatedFactorial } from './repeated-factorial';
import { analysis as several } from './several';
import { analysis as shareEstimate } from './share/estimate';
import { analysis as shareOfOne } from './share/one';
import { analysis as sharePaired } from './share/paired';
import { analysis as shareOfSeveral } from './share/several';
import { analysis as shareOfTwo } from './share/two';
import { analysis as spreadEstimate } from './spread/estimate';
import { analysis as spreadOfOne } from './spread/one';
import { analysis as spreadPaired } from './spread/paired';
import { analysis as spreadRepeated } from './spread/repeated';
import { analysis as spreadOfSeveral } from './spread/several';
import { analysis as spreadOfTwo } from './spread/two';
import { analysis as dependence } from './table/dependence';
import { analysis as fit } from './table/fit';
import { analysis as twoGroups } from './two-groups';

const analyses: ByKind<Analysis> = {
  value: {
    estimate,
    'one-sample': oneSample,
    'two-groups': twoGroups,
    paired,
    several,
    factorial,
    repeated,
    mixed,
    'repeated-factorial': repeatedFactorial,
    'nested-two': nestedTwo,
    nested,
    'adjusted-two': adjustedTwo,
    adjusted,
    'blocked-two': blockedTwo,
    blocked,
  },
  share: {
    estimate: shareEstimate,
    'one-sample': shareOfOne,
    'two-groups': shareOfTwo,
    paired: sharePaired,
    several: shareOfSeveral,
  },
  table: { 'one-sample': fit, several: dependence },
  spread: {
    estimate: spreadEstimate,
    'one-sample': spreadOfOne,
    'two-groups': spreadOfTwo,
    paired: spreadPaired,
    several: spreadOfSeveral,
    repeated: spreadRepeated,
  },
};

export const analysisOf = (question: Pick<Question, 'about' | 'design'>): Analysis => ofKind(analyses, question);
