import { countChecks } from '../../../answer/count-checks';
import { partOf } from '../../../answer/group-part';
import { shareParts } from '../../../answer/shares';
import { worked } from '../../../answer/worked';
import { demand } from '../../../numeric/domain-error';
import { there } from '../../../numeric/there';
import type { Question } from '../../../question/question';
import type { CountTable } from '../../../readings/counts';
import type { GroupPart } from '../../../answer/group-part';
import { oneProportionWorking } from '../../../working/counts';
import { statedShareLook } from '../../../scenes/groups-look';
import type { OfCounts } from '../../analysis';
import { ending } from '../../../answer/ending';
import { compare } from './compare';
import { words } from './words';

const tails = {
  either: '\\sum_{P(k) \\le P(x)} P(k)',
  greater: '\\sum_{k \\ge x} P(k)',
  less: '\\sum_{k \\le x} P(k)',
};

function groups(question: Question, counted: CountTable): GroupPart[] {
  const all = shareParts(counted, question);
  return question.a === undefined ? all.slice(0, 1) : [partOf(all, question.a)];
}

/** The share found in one group, against a stated one. */
export const analysis: OfCounts = {
  from: 'counts',
  words,
  look: statedShareLook,
  figures: ['shares'],
  groups,
  compare: (question, counted) => {
    const [group] = groups(question, counted);
    demand(group !== undefined, 'Nothing was counted.');
    return compare(question, group);
  },
  checked: () => [],
  checks: (answer) => {
    const { value } = answer.question;
    const [group] = answer.groups;
    return countChecks(answer, group && value !== undefined ? [[group.n * value, group.n * (1 - value)]] : undefined);
  },
  working: ({ answer: { question, groups }, comparison }) => {
    const { level, direction } = question;
    const group = there(groups[0], 'The group');
    const { successes } = there(group.share, 'The share');
    return worked('The share and its test', () =>
      ending(
        question,
        comparison,
        oneProportionWorking(successes, group.n, there(question.value, 'The share'), level, direction),
        tails[direction],
      ),
    );
  },
};
