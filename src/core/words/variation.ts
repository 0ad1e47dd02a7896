/** How readings vary within samples, or subjects, and between them. */
import type { Answer } from '../answer/answer';
import type { Comparison } from '../answer/comparison';
import { between, fixed, percent, plural, significant } from './numbers';
import { unitAfter } from './sentences';
import { type Text, text } from './text';

/** The mixed model, by the name the field gives it. */
export const mixedModel = 'Linear mixed model';

/** The same as the methods write it. @param of what has an intercept of its own: "tank" */
export const mixedModelWords = (of: string): string =>
  `a linear mixed model (random intercept for each ${of}, restricted maximum likelihood, Kenward–Roger degrees of freedom)`;

/** How readings vary between samples and within them. */
export function variationClause(answer: Answer, comparison: Comparison): Text {
  const model = comparison.model?.variances;
  if (!model) return [];
  const { question } = answer;
  const unit = answer.logs ? '' : answer.unit;
  const sdName = answer.logs ? 'SD of the logarithms' : 'SD';
  const sample = answer.block ?? (answer.subject || 'sample');
  const { within, between: among, icc } = model;
  const sd = (variance: number): string => `${significant(Math.sqrt(variance), 3)}${unitAfter(unit)}`;
  const alike = text`intraclass correlation ${fixed(icc.value, 2)}, ${percent(question.level)} CI ${between(icc.interval, 2)}`;
  return among.variance > 0
    ? text` The ${sdName} between ${plural(sample)} was ${sd(among.variance)}, within them ${sd(within.variance)} (${alike}).`
    : text` Readings of one ${sample} were no more alike than those of different ${plural(sample)} (${alike}); the ${sdName} within them was ${sd(within.variance)}.`;
}
