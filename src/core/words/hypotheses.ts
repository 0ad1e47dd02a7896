/** The hypotheses in symbols (TeX) and in words, and the decision in both ways. */
import { alphaOf } from '../procedures/interval';
import type { Answer } from '../answer/answer';
import type { Comparison, Reference } from '../answer/comparison';
import { named } from '../distributions/named';
import { choicesOf } from '../question/choices';
import { type Hypothesis, wordsAbout } from './about';
import { hypothesisName } from './hypothesis-name';
import { fixed, given, pRelation, percent, significant, smallP } from './numbers';
import { centreWord } from './method';
import { bareMeasure, claimOf, namedFactors } from './question';
import { sentenceCase, valued } from './sentences';

/** What permuted labels judge: that the labels have nothing to do with the readings. */
function shuffled(answer: Answer): { none: Hypothesis; some: Hypothesis } {
  const { question, groups } = answer;
  const centre = centreWord(question);
  const names = groups.map((g) => g.name);
  const [first = '', second = ''] = names;
  const spread = names.slice(0, 6).map((n) => `F_{${hypothesisName(n)}}`);
  const way = question.direction;
  return {
    none:
      question.design === 'paired'
        ? {
            tex: `H_0\\colon d \\sim -d`,
            words: `Each difference could as well have had the other sign.`,
          }
        : {
            tex: `H_0\\colon ${spread.join(' = ')}`,
            words: 'The labels have nothing to do with the readings: each could have stood under any.',
          },
    some: {
      tex: `H_1\\colon \\text{not } H_0`,
      words:
        question.design === 'several'
          ? 'They have: at least one group’s readings are others than chance would deal it.'
          : way === 'either'
            ? `They have: the ${centre} differs, one way or the other.`
            : choicesOf(question).value === 0
              ? `They have: the ${centre} is ${way} in ${first} than in ${second}.`
              : `They have: ${claimOf(answer)}.`,
    },
  };
}

/** What the two one-sided tests of equivalence judge; undefined where no margin is given. */
export function equivalenceHypotheses({
  question: { bounds, design },
  groups,
  unit,
}: Answer): { none: Hypothesis; some: Hypothesis } | undefined {
  if (!bounds) return undefined;
  const [a = '', b = ''] = groups.map((g) => hypothesisName(g.name));
  const delta =
    design === 'one-sample' ? `\\mu_{${a}} - \\mu_0` : design === 'paired' ? '\\mu_{d}' : `\\mu_{${a}} - \\mu_{${b}}`;
  const margin = valued(`${given(bounds.low)} to ${given(bounds.high)}`, unit);
  return {
    none: {
      tex: `H_0\\colon ${delta} \\le ${bounds.low} \\text{ or } ${delta} \\ge ${bounds.high}`,
      words: `Of equivalence: the difference lies outside ${margin}.`,
    },
    some: { tex: `H_1\\colon ${bounds.low} < ${delta} < ${bounds.high}`, words: `It lies within ${margin}.` },
  };
}

/** The hypothesis of no effect, and what stands against it. */
export function hypotheses(answer: Answer): { none: Hypothesis; some: Hypothesis } {
  const about = wordsAbout(answer.question);
  if (about) return about.hypotheses(answer);
  const { question, groups, unit } = answer;
  const { value, method } = choicesOf(question);
  const measure = bareMeasure(answer);
  const [a, b] = groups.map((g) => g.name);
  const [first = '', second = ''] = [a, b];
  const way = question.direction;
  const opposite = { either: '\\neq', greater: '>', less: '<' }[way];
  const centre = method === 'ranks' ? '\\theta' : '\\mu';
  const of = (name: string): string => `${centre}_{${hypothesisName(name)}}`;
  const what = method === 'ranks' ? `the typical ${measure}` : `mean ${measure}`;
  if (method === 'shuffle') return shuffled(answer);
  switch (question.design) {
    case 'one-sample': {
      const against = valued(given(value), unit);
      return {
        none: { tex: `H_0\\colon ${of(first)} = ${value}`, words: `${sentenceCase(what)} of ${first} is ${against}.` },
        some: {
          tex: `H_1\\colon ${of(first)} ${opposite} ${value}`,
          words: `It is ${way === 'either' ? 'another' : `${way} than ${against}`}.`,
        },
      };
    }
    case 'two-groups':
    case 'paired': {
      const left = question.design === 'paired' ? `${centre}_{d}` : `${of(first)} - ${of(second)}`;
      return {
        none: {
          tex: `H_0\\colon ${left} = ${value}`,
          words:
            value === 0
              ? `${sentenceCase(what)} is the same in ${first} and ${second}.`
              : `${sentenceCase(what)} in ${first} less that in ${second} is ${valued(given(value), unit)}.`,
        },
        some: {
          tex: `H_1\\colon ${left} ${opposite} ${value}`,
          words:
            way === 'either'
              ? 'It differs, one way or the other.'
              : value === 0
                ? `It is ${way} in ${first}.`
                : `It is ${way} than ${valued(given(value), unit)}.`,
        },
      };
    }
    case 'several':
    case 'repeated':
      return {
        none: {
          tex: `H_0\\colon ${groups
            .slice(0, 6)
            .map((g) => of(g.name))
            .join(' = ')}${groups.length > 6 ? ' = \\cdots' : ''}`,
          words: `${sentenceCase(what)} is the same in ${groups.length === 2 ? 'both' : `all ${groups.length}`}.`,
        },
        some: { tex: 'H_1\\colon \\text{not all are equal}', words: 'At least one differs from another.' },
      };
    case 'factorial':
    case 'mixed': {
      const [x, y] = namedFactors(answer);
      return {
        none: {
          tex: 'H_0\\colon (\\alpha\\beta)_{ij} = 0 \\text{ for all } i, j',
          words: `What ${x} does to ${measure} is the same at every level of ${y}; and likewise, for each alone: its levels share one mean.`,
        },
        some: {
          tex: 'H_1\\colon (\\alpha\\beta)_{ij} \\neq 0 \\text{ for some}',
          words: `What ${x} does depends on ${y}; for each alone: at least one level differs.`,
        },
      };
    }
  }
}

/** Where the reference distribution is cut, and what lies beyond. */
export interface Decision {
  critical: number[];
  p: number;
  beyond: boolean;
  /** By the critical value, then by p: they agree. */
  words: readonly [string, string];
}

/** The decision both ways; undefined where the curve has no critical value to show. */
export function decisionOf(reference: Reference, p: number, level: number): Decision | undefined {
  const made = named(reference.distribution, reference.parameters);
  if (!made.ok) return undefined;
  const alpha = alphaOf(level);
  const both = reference.direction === 'either';
  const share = both ? alpha / 2 : alpha;
  const [upper, lower] = [made.value.upperQuantile(share), made.value.quantile(share)];
  if (!upper.ok || !lower.ok) return undefined;
  if (made.value.discrete) {
    // A step that holds more than its share is not in the region: the region begins one further out.
    const [above, below] = [made.value.upper(upper.value), made.value.lower(lower.value)];
    const slack = 1 + 1e-9;
    if (above.ok && above.value > share * slack) upper.value += 1;
    if (below.ok && below.value > share * slack) lower.value -= 1;
  }
  const critical = both
    ? [lower.value, upper.value]
    : reference.direction === 'greater'
      ? [upper.value]
      : [lower.value];
  const { statistic, symbol } = reference;
  const beyond = both
    ? statistic <= lower.value || statistic >= upper.value
    : reference.direction === 'greater'
      ? statistic >= upper.value
      : statistic <= lower.value;
  const shown = (x: number): string =>
    Number.isInteger(x) ? String(x) : Math.abs(x) >= 1e4 ? significant(x, 4) : fixed(x, 3);
  const cut = !both
    ? shown(critical[0] ?? 0)
    : Math.abs(lower.value + upper.value) < 1e-9 * upper.value
      ? `±${shown(upper.value)}`
      : `${shown(lower.value)} or ${shown(upper.value)}`;
  const most = percent(alpha);
  const size = p < 0.001 ? smallP(p, 2) : pRelation(p).replace('= ', '');
  return {
    critical,
    p,
    beyond,
    words: [
      `${symbol} = ${shown(statistic)} lies ${beyond ? 'beyond' : 'short of'} the critical value ${cut}, which ${made.value.discrete ? 'at most ' : ''}${most} of such statistics ${made.value.discrete ? 'reach or pass' : 'pass'} when there is no effect.`,
      `p ${/^[<>]/.test(size) ? '' : '= '}${size} is ${beyond ? 'below' : 'not below'} ${most}. ${beyond ? 'Either way, the hypothesis of no effect is rejected at this level.' : 'Either way, the hypothesis of no effect is not rejected; that does not show it to be true.'}`,
    ],
  };
}

/** The p a reference curve belongs to: of the test it is of. */
export const pOf = (comparison: Comparison, reference: Reference): number =>
  comparison.tests.find((t) => t.of === reference.of)?.p ?? comparison.p;
