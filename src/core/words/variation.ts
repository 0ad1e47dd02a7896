/** How readings vary within samples, or subjects, and between them. */
import type { Answer } from '../answer/answer';
import type { Comparison } from '../answer/comparison';
import { between, fixed, percent, plural, significant } from './numbers';
import { unitAfter } from './sentences';
import { type Text, text } from './text';

/** The mixed model, by the name the field gives it. */
export const mixedModel = 'Linear mixed model';

/** The same as the methods write it. @param of what has an intercept of its own: "tank" @param inner and what within it */
export const mixedModelWords = (of: string, inner?: string): string =>
  `a linear mixed model (random ${inner === undefined ? `intercept for each ${of}` : `intercepts for each ${of} and each ${inner} within it`}, restricted maximum likelihood, Kenward–Roger degrees of freedom)`;

/** How readings vary between samples and within them. */
export function variationClause(answer: Answer, comparison: Comparison): Text {
  const model = comparison.model?.variances;
  if (!model) return [];
  const { question } = answer;
  const unit = answer.logs ? '' : answer.unit;
  const sdName = answer.logs ? 'SD of the logarithms' : 'SD';
  const sample = answer.block ?? (answer.subject || 'sample');
  const { within, between: among, inner, icc } = model;
  const sd = (variance: number): string => `${significant(Math.sqrt(variance), 3)}${unitAfter(unit)}`;
  if (!icc) {
    const of = comparison.model?.inner?.of ?? 'inner sample';
    const told = (variance: number): string =>
      variance > 0 ? sd(variance) : 'none (its variance is estimated below 0)';
    return text` The ${sdName} between ${plural(sample)} was ${told(among.variance)}, between ${plural(of)} of one ${sample} ${told(inner?.variance ?? 0)}, within ${plural(of)} ${sd(within.variance)}.`;
  }
  const alike = text`intraclass correlation ${fixed(icc.value, 2)}, ${percent(question.level)} CI ${between(icc.interval, 2)}`;
  return among.variance > 0
    ? text` The ${sdName} between ${plural(sample)} was ${sd(among.variance)}, within them ${sd(within.variance)} (${alike}).`
    : text` Readings of one ${sample} were no more alike than those of different ${plural(sample)} (${alike}); the ${sdName} within them was ${sd(within.variance)}.`;
}
