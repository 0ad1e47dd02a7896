/** What all questions about shares say. */
import type { Method } from '../../question/options';
import type { Answer } from '../../answer/answer';
import type { GroupPart } from '../../answer/group-part';
import { intervalNames } from '../../answer/shares';
import { choicesOf } from '../../question/choices';
import type { Named } from '../../question/naming';
import type { Question } from '../../question/question';
import { countOf, countedClause, shareNamed, arrangementWords } from '../../words/counts';
import { percent } from '../../words/numbers';
import { testPhrase } from '../../words/phrases';
import { groupPart, nameAt } from '../../words/measured';
import { type Part, type Segment, asked, part } from '../../words/segments';
import { type Text, text } from '../../words/text';
import { factsOf } from '../kinds';
import type { Words } from '../words';

/** A test by the name it goes by, and as the methods section writes it. */
export type Names = Partial<Record<Method, readonly [name: string, written: string]>>;
export const named = (names: Names, asked: Question): readonly [string, string] =>
  names[choicesOf(asked).method] ?? ['', ''];

export const isExact = (asked: Question): boolean => choicesOf(asked).method === 'exact';
export const byPermutedShares =
  'A permutation test asks how often the labels, permuted, give shares as far apart: nothing is assumed but that the labels are exchangeable.';
export const elseOf = (asked: Question): string =>
  isExact(asked)
    ? 'The large-sample test, where all expected counts are five or more.'
    : 'The exact test, where expected counts are small.';

/** Whether what is counted already names the one group it is counted in: "blade length below 25 mm". */
const isNamed = ({ groups, measure }: Pick<Named, 'groups' | 'measure'>): boolean => {
  const [only, another] = groups;
  return (
    only !== undefined &&
    !another &&
    /^ (?:below|of) /.test(measure.startsWith(only.name) ? measure.slice(only.name.length) : '')
  );
};
/** " in Red lamp", where that is not said already. */
export const inGroup = (of: Named): string => (isNamed(of) ? '' : ` in ${nameAt(of, 0)}`);
export const inGroupPart = (of: Named): Segment[] => (isNamed(of) ? [] : asked` in ${groupPart('a', of)}`);
export const foundPart = (of: Named): Part => part('found', shareNamed(of));
export const shareOf = (of: Named): string => `The share of ${shareNamed(of)}`;
export const shareClause = (group: GroupPart): Text => text`${group.name} ${countOf(group)}`;

/** "Shares are given with 95 % Wilson intervals": how one share's interval is named. */
export const sharesGiven = (asked: Question): string =>
  `Shares are given with ${percent(asked.level)} ${intervalNames[choicesOf(asked).shareInterval]} intervals`;

/** The methods. @param among what was compared with what; @param sided whether the test had a direction */
export function methodsOf(answer: Answer, among: string, names: Names, sided: string, intervals: string): Text {
  const { question, subject } = answer;
  const each = `each ${subject || 'subject'} ${factsOf(question).within ? 'being measured twice' : 'counting once'}`;
  return text`${shareOf(answer)} ${among} by ${named(names, question)[1]}${arrangementWords(answer)}, ${each}.${sided} ${intervals}${countedClause(answer)}`;
}

/** The legend of shares by group. */
export const legendOf =
  (names: Names): NonNullable<Words['legend']> =>
  (answer) => {
    const { question, groups, comparison } = answer;
    const [test] = comparison.ok ? comparison.value.tests : [];
    return text`Share of ${shareNamed(answer)} by group. Symbols are shares, bars ${percent(question.level)} ${intervalNames[choicesOf(question).shareInterval]} intervals. ${groups.map((g) => `${g.name} ${countOf(g)}`).join('; ')}.${test ? text` ${named(names, question)[0]}, ${testPhrase(test)}.` : []}${countedClause(answer)}`;
  };
