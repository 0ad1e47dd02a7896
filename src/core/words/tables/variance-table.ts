/** How readings vary between samples and within them. */
import type { Answer } from '../../answer/answer';
import type { ModelPart } from '../../answer/comparison';
import { between, percent, plural } from '../numbers';
import { type ResultTable, column, figures, interval, number, words } from './result-table';

export function varianceTable(
  { question, unit: measured, subject, block, logs }: Answer,
  { between: among, inner, within, icc }: NonNullable<ModelPart['variances']>,
  innerOf = 'inner sample',
): ResultTable {
  const sample = block ?? (subject || 'sample');
  const unit = logs ? '' : measured;
  const ci = `${percent(question.level)} CI`;
  const line = (head: string, { variance, interval: range }: typeof within) => ({
    head: [head],
    cells: [
      variance > 0 ? figures(Math.sqrt(variance), 4) : words('–'),
      figures(variance, 4),
      interval(range),
      number(variance / (among.variance + (inner?.variance ?? 0) + within.variance), 3),
    ],
  });
  return {
    kind: 'variances',
    title: `Variation${logs ? ' of the logarithms' : ''} between and within ${plural(sample)}`,
    columns: [
      column('of'),
      column('SD', { unit }),
      column('variance', { unit: unit && `${unit}²` }),
      column(`${ci} of the variance`),
      column('share', {
        hint: icc
          ? 'of the two variances together; that between samples is the intraclass correlation'
          : 'of the three variances together',
      }),
    ],
    rows: [
      line(`between ${plural(sample)}`, among),
      ...(inner ? [line(`between ${plural(innerOf)} of one ${sample}`, inner)] : []),
      line(`within ${plural(inner ? innerOf : sample)}`, within),
    ],
    notes: [
      ...(icc
        ? [
            [
              `Intraclass correlation ${icc.value.toFixed(3).replace('-', '−')}, ${ci} ${between(icc.interval, 3)} (profile likelihood).`,
            ],
          ]
        : []),
      ...(among.variance < 0
        ? [
            [
              `The variance between ${plural(sample)} is estimated below 0: readings of one were less alike than those of different ones.`,
            ],
          ]
        : []),
    ],
  };
}
