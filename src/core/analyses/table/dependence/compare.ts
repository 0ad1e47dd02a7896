import { nth } from '../../../numeric/nth';
import { demand } from '../../../numeric/domain-error';
import { independence } from '../../../procedures/independence';
import type { Question } from '../../../question/question';
import type { CountTable } from '../../../readings/counts';
import type { Comparison } from '../../../answer/comparison';
import { countedPart } from '../../../answer/counted-part';
import { testOfTable } from '../../../answer/table-test';
import { total } from '../../../answer/shares';

/** Whether what was found depends on the rows. */
export function compare(question: Question, table: CountTable): Comparison {
  const kept = table.rows.categories.flatMap((row, i) =>
    (question.groups?.includes(row.id) ?? true) ? [{ name: row.name, counts: table.counts[i] ?? [] }] : [],
  );
  // A category nothing fell into cannot depend on anything.
  const used = table.columns.categories
    .map((c, j) => ({ name: c.name, j }))
    .filter(({ j }) => kept.some((row) => nth(row.counts, j) > 0));
  const rows = kept.filter((row) => total(row.counts) > 0);
  demand(rows.length > 1, 'At least two rows with counts are needed.');
  demand(used.length > 1, 'Everything counted fell into one category, so there is nothing that could differ.');
  const observed = rows.map((row) => used.map(({ j }) => nth(row.counts, j)));
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
