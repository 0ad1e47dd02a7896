import { there } from '../../../numeric/there';
import type { Named } from '../../../question/naming';
import { against, parameterOf } from '../../../words/hypothesis';
import { directionClause, eachCounts, groupPart, nameAt, statedValue } from '../../../words/measured';
import { atAlpha } from '../../../words/numbers';
import { contribution } from '../../../words/phrases';
import { asked, part } from '../../../words/segments';
import { sentenceCase } from '../../../words/sentences';
import { text } from '../../../words/text';
import { verdictOn } from '../../../words/verdict';
import type { Words } from '../../words';
import { alike, effectResults, methodsOf, sdOf, short, spreadSentence, what } from '../words';

const stated = ({ question, unit }: Pick<Named, 'question' | 'unit'>): string => statedValue({ question }, unit);

/** The spread of one group, against a stated SD. */
export const words: Words = {
  ...alike,
  sentence: (of) => {
    const way = of.question.direction;
    const [direction, than] = way === 'either' ? ['different', 'from'] : [way, 'than'];
    const rest = asked`in ${groupPart('a', of)} ${part('direction', direction)} ${part('compares', than)} an SD of ${part('value', stated(of))}, ${eachCounts(of, 'reading')}`;
    return asked`Is ${spreadSentence(of, rest)}`;
  },
  short: (of) => `${short(of)} · ${stated(of)}`,
  methodElse: () => 'None that asks as little; look at the shape of the readings first.',
  headline: (answer, comparison) => {
    const { question, unit } = answer;
    const group = there(answer.groups[0], 'The group');
    const verdict = verdictOn({
      settled: comparison.significant,
      direction: question.direction,
      seen: 'readings',
      none: stated(answer),
      shown: 'that it is the SD',
      claim: `it is ${question.direction} than ${stated(answer)}`,
    });
    return text`${sentenceCase(what(answer))} of ${group.name} had an SD of ${sdOf(group, unit)}; ${atAlpha(question.level)}, ${verdict}.`;
  },
  hypotheses: (answer) => {
    const way = answer.question.direction;
    const value = answer.question.value ?? '\\ldots';
    const sigma = parameterOf('\\sigma', nameAt(answer, 0));
    return {
      none: { tex: `H_0\\colon ${sigma} = ${value}`, words: `The SD of ${nameAt(answer, 0)} is ${stated(answer)}.` },
      some: {
        tex: `H_1\\colon ${sigma} ${against[way]} ${value}`,
        words: way === 'either' ? 'It is another.' : `It is ${way}.`,
      },
    };
  },
  methods: (answer) =>
    methodsOf(answer, `of ${nameAt(answer, 0)} was judged`, contribution(answer), {
      sided: directionClause(answer),
      stated: ` against an SD of ${stated(answer)}`,
    }),
  results: (answer, comparison) => {
    const way = answer.question.direction;
    const claim =
      way === 'either' ? `the SD differs from ${stated(answer)}` : `the SD is ${way} than ${stated(answer)}`;
    return effectResults(answer, comparison, answer.unit, `, against an SD of ${stated(answer)}`, claim);
  },
};
