/** The tables that go with an answer. */
import type { Answer } from '../../answer/answer';
import { groupTable } from './group-table';
import { cellTable, countTable } from './layout-tables';
import { varianceTable } from './variance-table';
import type { ResultTable, TextTable } from './result-table';
import { asText } from './result-table';
import { comparisonTable, differenceTable, effectTable, sourceTable, testTable } from './test-tables';

/**
 * The figures of groups or cells first, then what was found. Their order stays as it is: a write-up names a table by its
 * question and its place among them.
 */
export function resultTables(answer: Answer): ResultTable[] {
  const { question, groups, comparison: result } = answer;
  const comparison = result.ok ? result.value : undefined;
  const { cells, table, effect, also = [], counts, follow } = comparison ?? {};
  const ofReadings = question.about === 'value';
  const tables: ResultTable[] = [];
  if (cells) tables.push(cellTable(answer, cells));
  else if (question.about !== 'table' && groups.length > 0) tables.push(groupTable(answer));
  if (!comparison) return tables;
  if (!ofReadings) {
    if (counts && question.about === 'table') tables.push(countTable(answer, counts));
    if (effect) tables.push(effectTable(answer, comparison, [effect, ...also]));
    if (comparison.tests.length > 0) tables.push(testTable(answer, comparison));
  }
  if (ofReadings && table) tables.push(sourceTable(table, comparison.pooledSd, answer));
  if (ofReadings && effect)
    tables.push(
      comparison.p === undefined
        ? effectTable(answer, comparison, [effect])
        : differenceTable(answer, comparison, effect, comparison.p),
    );
  if (follow?.ok) tables.push(comparisonTable(answer, follow.value));
  if (ofReadings && !effect && !table) tables.push(testTable(answer, comparison));
  const variances = comparison.model?.variances;
  if (variances) tables.push(varianceTable(answer, variances, comparison.model?.inner?.of));
  return tables;
}

/** The same as plain texts. */
export const textTables = (answer: Answer): TextTable[] => resultTables(answer).map(asText);
