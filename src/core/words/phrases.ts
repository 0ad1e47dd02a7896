/** Statistics, effects and effect sizes as sentences write them. */
import type { Answer } from '../answer/answer';
import type { Comparison, Effect, Size, Test } from '../answer/comparison';
import { between, counted, degreesOfFreedom, effectDecimals, fixed, pRelation, percent, significant } from './numbers';
import { unitAfter } from './sentences';
import { type Text, symbol, text } from './text';

/** What of each sample enters the comparison: "each seedling contributing one reading". */
export const contribution = ({
  subject,
  averaged,
  repeats,
}: Pick<Answer, 'subject' | 'averaged' | 'repeats'>): string => {
  const values = averaged ? repeats?.subjects : repeats?.readings;
  return repeats && values !== undefined && repeats.distinct < values
    ? `the ${counted(values, averaged ? 'mean' : 'reading')} of ${counted(repeats.distinct, subject || 'subject')} being treated as independent`
    : subject
      ? `each ${subject} contributing one ${averaged ? 'value, the mean of its readings' : 'reading'}`
      : 'each reading counting once';
};

/** "_t_(31.2) = 3.61"; empty where a p came without a statistic. */
export function statisticPhrase({ symbol: letter, value, df }: Test): Text {
  if (letter === undefined || value === undefined) return [];
  const degrees = df.length > 0 ? `(${df.map(degreesOfFreedom).join(', ')})` : '';
  const shown =
    letter === 'U' || letter === 'W' || letter === 'J'
      ? fixed(value, Number.isInteger(value) ? 0 : 1)
      : Math.abs(value) > 1e-9 && Math.abs(value) < 0.005
        ? significant(value, 2)
        : fixed(value, 2);
  const name =
    letter === 'χ²' ? text`${symbol('χ')}²` : letter === 'W' ? text`${symbol('W')}+` : text`${symbol(letter)}`;
  return text`${name}${degrees} = ${shown}`;
}

/** "_t_(31.2) = 3.61, _p_ < 0.001". */
export function testPhrase(test: Test): Text {
  const statistic = statisticPhrase(test);
  return text`${statistic}${statistic.length > 0 ? ', ' : ''}${symbol('p')} ${pRelation(test.p)}`;
}

/** An effect as it is written: estimate and interval to the interval's own precision. */
export function effectPhrases(
  effect: Effect,
  of: string,
  level: number,
  decimals = effectDecimals(effect),
): { estimate: string; interval: string } {
  const { estimate, interval } = effect;
  const unit = effect.ratio ? '' : of;
  const unbounded =
    interval?.low === -Infinity && interval.high === Infinity
      ? ' (so few readings exclude no value at this level)'
      : '';
  if (!interval) return { estimate: `${significant(estimate, 3)}${unitAfter(unit)}`, interval: '' };
  return {
    estimate: `${fixed(estimate, decimals)}${unitAfter(unit)}`,
    interval: `${percent(level)} CI ${between(interval, decimals)}${unitAfter(unit)}${unbounded}`,
  };
}

/** An effect size by the name the field gives it. */
export function sizeName({ kind }: Size): Text {
  switch (kind) {
    case 'g':
      return text`Hedges’ ${symbol('g')}`;
    case 'd':
      return text`Cohen’s ${symbol('d')}`;
    case 'dz':
      return text`Cohen’s ${symbol('d')}z`;
    case 'eta':
      return text`η²`;
    case 'omega':
      return text`ω²`;
    case 'partial-eta':
      return text`partial η²`;
    case 'superiority':
      return text`probability of superiority`;
    case 'r-squared':
      return text`${symbol('R')}²`;
    case 'kendall':
      return text`Kendall’s ${symbol('W')}`;
    case 'cramer':
      return text`Cramér’s ${symbol('V')}`;
  }
}

/** What an effect size says, in words. */
export const sizeMeaning: Record<Size['kind'], string> = {
  g: 'the difference in pooled standard deviations, its small-sample bias removed',
  d: 'the distance from the fixed value in standard deviations',
  dz: 'the mean difference in standard deviations of the differences within pairs',
  eta: 'the share of all variation that lies between the groups; the interval is for that share in the population',
  omega: 'the same share with its bias removed',
  'partial-eta': 'the share of the variation not explained otherwise',
  'r-squared': 'the share of all variation that lies between the two groups, their spread taken as one',
  superiority: 'how often a reading of the first group exceeds one of the second',
  cramer: 'how strongly the two go together, 0 to 1',
  kendall: 'agreement between the subjects, 0 to 1',
};

/** The effect sizes that can be given, in one phrase. */
export const sizesClause = ({ sizes }: Comparison, level: number): Text =>
  sizes.flatMap((size): Text => {
    // R² stands in the table: beside a standardized difference a sentence would say the same twice.
    if (!size.ok || size.value.kind === 'r-squared') return [];
    const { interval, value } = size.value;
    const ci = interval ? `, ${percent(level)} CI ${between(interval, 2)}` : '';
    return text`; ${sizeName(size.value)} = ${fixed(value, 2)}${ci}`;
  });
