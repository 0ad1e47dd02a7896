import type { Effect } from '../../../answer/comparison';
import { countChecks } from '../../../answer/count-checks';
import { onePart } from '../../../answer/group-part';
import { intervalNames, shareOf, shareParts } from '../../../answer/shares';
import { worked } from '../../../answer/worked';
import { there } from '../../../numeric/there';
import { proportionInterval } from '../../../procedures/one-proportion';
import { choicesOf } from '../../../question/choices';
import type { Question } from '../../../question/question';
import type { CountTable } from '../../../readings/counts';
import { sharesLook } from '../../../scenes/groups-look';
import { shareIntervalWorking } from '../../../working/intervals';
import type { OfCounts } from '../../analysis';
import { words } from './words';

const group = (question: Question, counted: CountTable) => onePart(question, shareParts(counted, question));

/** The share found in one group, and no claim about it. */
export const analysis: OfCounts = {
  from: 'counts',
  words,
  look: sharesLook,
  figures: ['shares'],
  groups: (question, counted) => [group(question, counted)],
  compare: (question, counted) => {
    const part = group(question, counted);
    const share = shareOf(part);
    const { shareInterval } = choicesOf(question);
    const of = (kind: keyof typeof intervalNames, name: string): Effect => ({
      name,
      estimate: share.successes / share.n,
      interval: proportionInterval(share, question.level, kind),
    });
    const others = (Object.keys(intervalNames) as (keyof typeof intervalNames)[]).filter((k) => k !== shareInterval);
    return {
      effect: of(shareInterval, `share in ${part.name}`),
      also: others.map((kind) => of(kind, intervalNames[kind])),
      tests: [],
      sizes: [],
      remarks: [],
    };
  },
  checked: () => [],
  checks: (answer) => countChecks(answer, undefined),
  working: ({ answer: { question, groups } }) => {
    const { successes, n } = shareOf(there(groups[0], 'The group'));
    // Wilson's is the one worked by hand; the others are told as figures.
    return choicesOf(question).shareInterval === 'wilson'
      ? worked('The share and its interval', () => shareIntervalWorking(successes, n, question.level))
      : [];
  },
};
