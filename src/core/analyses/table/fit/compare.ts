import { nth } from '../../../numeric/nth';
import { demand } from '../../../numeric/domain-error';
import { goodnessOfFit } from '../../../procedures/goodness-of-fit';
import type { Question } from '../../../question/question';
import type { CountTable } from '../../../readings/counts';
import type { Comparison } from '../../../answer/comparison';
import { countedPart } from '../../../answer/counted-part';
import { chiSquareReference } from '../../../answer/references';
import { total } from '../../../answer/shares';

/** One series of counts: the only column's, or those of one row, or of all rows together. */
function seriesOf(table: CountTable, a: string | undefined): { names: string[]; counts: number[] } {
  if (table.columns.categories.length === 1)
    return { names: table.rows.categories.map((c) => c.name), counts: table.counts.map((row) => nth(row, 0)) };
  const place = table.rows.categories.findIndex((c) => c.id === a);
  const lines = place < 0 ? table.counts : [table.counts[place] ?? []];
  return {
    names: table.columns.categories.map((c) => c.name),
    counts: table.columns.categories.map((_, j) => total(lines.map((row) => nth(row, j)))),
  };
}

/** Counts against stated proportions. */
export function compare(question: Question, table: CountTable): Comparison {
  const { names, counts } = seriesOf(table, question.a);
  demand(names.length > 1, 'One category alone cannot depart from anything: at least two are needed.');
  const ratio = question.ratio ?? counts.map(() => 1);
  demand(
    ratio.length === counts.length,
    `There are ${counts.length} categories (${names.join(', ')}) and ${ratio.length} parts of the ratio: give one for each, in this order.`,
  );
  const found = goodnessOfFit(counts, ratio);
  const n = total(counts);
  // With unit spread: a class of share π varies as √(nπ(1 − π)).
  const residuals = counts.map((o, i) => {
    const e = found.expected[i] ?? 1;
    return (o - e) / Math.sqrt(e * (1 - e / n));
  });
  return {
    p: found.p,
    tests: [{ symbol: 'χ²', value: found.chi2, df: [found.df], p: found.p }],
    sizes: [],
    counts: countedPart(
      {
        rowName: '',
        columnName: table.columns.categories.length === 1 ? table.rows.name : table.columns.name,
        rows: ['counted'],
        columns: names,
      },
      [counts],
      [found.expected],
      [residuals],
    ),
    reference: [chiSquareReference(found.chi2, found.df)],
    remarks: [],
  };
}
