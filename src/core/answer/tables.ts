/** Counts in categories: against stated proportions, or by what they depend on. */
import { demand } from '../numeric/domain-error';
import { goodnessOfFit } from '../procedures/goodness-of-fit';
import { independence } from '../procedures/independence';
import type { Question } from '../question/question';
import type { CountTable } from '../readings/counts';
import type { Comparison } from './comparison';
import { countedPart } from './counted-part';
import type { GroupPart } from './group-part';
import { testOfTable } from './table-test';
import { chiSquareReference } from './references';

const total = (row: readonly number[]): number => row.reduce((a, b) => a + b, 0);

/** The rows of a table as groups: what was counted in each. */
export const tableParts = (table: CountTable): GroupPart[] =>
  table.rows.categories.map((row, i) => ({
    ...row,
    unit: '',
    column: '',
    readings: { used: [], aside: [], unread: [] },
    n: total(table.counts[i] ?? []),
    decimals: 0,
  }));

/** One series of counts: the only column's, or those of one row, or of all rows together. */
export function seriesOf(table: CountTable, a: string | undefined): { names: string[]; counts: number[] } {
  if (table.columns.categories.length === 1)
    return { names: table.rows.categories.map((c) => c.name), counts: table.counts.map((row) => row[0] ?? 0) };
  const place = table.rows.categories.findIndex((c) => c.id === a);
  const lines = place < 0 ? table.counts : [table.counts[place] ?? []];
  return {
    names: table.columns.categories.map((c) => c.name),
    counts: table.columns.categories.map((_, j) => total(lines.map((row) => row[j] ?? 0))),
  };
}

function fit(question: Question, table: CountTable): Comparison {
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

function dependence(question: Question, table: CountTable): Comparison {
  const kept = table.rows.categories.flatMap((row, i) =>
    (question.groups?.includes(row.id) ?? true) ? [{ name: row.name, counts: table.counts[i] ?? [] }] : [],
  );
  // A category nothing fell into cannot depend on anything.
  const used = table.columns.categories
    .map((c, j) => ({ name: c.name, j }))
    .filter(({ j }) => kept.some((row) => (row.counts[j] ?? 0) > 0));
  const rows = kept.filter((row) => total(row.counts) > 0);
  demand(rows.length > 1, 'At least two rows with counts are needed.');
  demand(used.length > 1, 'Everything counted fell into one category, so there is nothing that could differ.');
  const observed = rows.map((row) => used.map(({ j }) => row.counts[j] ?? 0));
  const found = independence(observed);
  const tested = testOfTable(question, observed, found);
  const empty = [
    ...kept.filter((row) => total(row.counts) === 0).map((row) => row.name),
    ...table.columns.categories.filter((c) => !used.some((u) => u.name === c.name)).map((c) => c.name),
  ];
  return {
    p: tested.p,
    tests: tested.tests,
    sizes: tested.sizes,
    counts: countedPart(
      {
        rowName: table.rows.name,
        columnName: table.columns.name,
        rows: rows.map((r) => r.name),
        columns: used.map((u) => u.name),
      },
      observed,
      found.expected,
      found.adjusted,
    ),
    reference: tested.reference,
    remarks: [
      ...(empty.length > 0 ? [`Left out, for nothing was counted in them: ${empty.join(', ')}.`] : []),
      ...tested.remarks,
    ],
  };
}

/** Counts against stated proportions, or whether what was found depends on the rows. */
export const compareTable = (question: Question, table: CountTable): Comparison =>
  question.design === 'one-sample' ? fit(question, table) : dependence(question, table);
