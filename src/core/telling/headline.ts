/** The result in a few lines: effect first, then what it means, then the test. */
import { analysisOf } from '../analyses/registry';
import type { Answer } from '../answer/answer';
import type { Comparison } from '../answer/comparison';
import { foremost } from '../answer/foremost';
import type { Outcome } from '../numeric/domain-error';
import { choicesOf, tellsRatios } from '../question/choices';
import { effectPhrases, testPhrase } from '../words/phrases';
import { type Text, text } from '../words/text';
import { methodOf } from './method';

/** The difference first, with unit and interval; then the test. */
export interface Headline {
  /** "4.3 mm" */
  estimate: string;
  /** "95 % CI 1.9 to 6.7 mm" */
  interval: string;
  /** What the difference is of: "Red lamp minus White lamp". */
  order: string;
  /** The result in a sentence. */
  sentence: Text;
  test: Text;
}

/** The headline of an answered question. */
export function headline(answer: Answer, comparison: Comparison): Headline {
  const { question } = answer;
  const top = foremost(comparison);
  const single = comparison.effect !== undefined;
  const alone = comparison.follow?.ok && comparison.follow.value.flatMap((part) => part.effects).length === 1;
  // Differences of mean ranks have no unit.
  const ranked = !single && choicesOf(question).method === 'ranks';
  const shown = top ? effectPhrases(top, ranked ? '' : answer.unit, question.level) : { estimate: '', interval: '' };
  const [first] = comparison.tests;
  const several = comparison.tests.length > 1;
  const last = comparison.tests.at(-1);
  const test = several ? (last ? text`${last.of ?? ''} ${testPhrase(last)}` : []) : first ? testPhrase(first) : [];
  return {
    ...shown,
    ...(ranked && top ? { estimate: `${shown.estimate} ranks` } : {}),
    ...(top && tellsRatios(question) ? { estimate: `${shown.estimate} times` } : {}),
    order: top
      ? single || alone
        ? top.name
        : `largest ${ranked ? 'difference of mean ranks' : top.ratio ? 'ratio' : 'difference'}: ${top.name}${top.within === undefined ? '' : `, ${top.within}`}`
      : '',
    sentence: analysisOf(question).words.headline(answer, comparison),
    test: test.length > 0 ? text`${methodOf(answer)}, ${test}` : [methodOf(answer)],
  };
}

/** n and the difference with its interval in one line, or why there is none. */
export function shortAnswer(found: Outcome<Answer>): string {
  if (!found.ok) return found.reason;
  const { groups, comparison } = found.value;
  const n = groups.map((g) => g.n).join(' + ');
  if (!comparison.ok) return `n ${n}: ${comparison.reason}`;
  const { estimate, interval } = headline(found.value, comparison.value);
  const said = [estimate, interval].filter((x) => x !== '').join(', ');
  return said === '' ? `n ${n}` : `n ${n}: ${said}`;
}
