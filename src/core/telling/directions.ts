/** What the test would have come to under each direction. */
import { choiceNames } from '../words/choice-names';
import { analysisOf } from '../analyses/registry';
import { answer } from '../answering/answer';
import { there } from '../numeric/there';
import { namesOf } from '../question/naming';
import type { Question } from '../question/question';
import type { Table } from '../readings/table';
import { isPart } from '../words/segments';
import { type ResultTable, column, pCell } from '../words/tables/result-table';
import { symbol } from '../words/text';

/** A direction with its p, or why it has none. */
export interface Directed {
  direction: Question['direction'];
  /** Whether it is the one asked for. */
  asked: boolean;
  p?: number;
  why?: string;
}

/** The p of all three directions; empty where the question has none. */
export function pByDirection(question: Question, table: Table): Directed[] {
  const sentence = analysisOf(question).words.sentence(namesOf(question, table));
  if (!sentence.some((s) => isPart(s, 'direction'))) return [];
  return (['either', 'greater', 'less'] as const).map((direction) => {
    const found = answer({ ...question, direction }, table, true);
    const base = { direction, asked: direction === question.direction };
    if (!found.ok) return { ...base, why: found.reason };
    const { comparison } = found.value;
    return comparison.ok ? { ...base, p: there(comparison.value.p, 'p') } : { ...base, why: comparison.reason };
  });
}

/** The p of each direction as a table; undefined where the question has none. */
export function directionsTable(question: Question, table: Table): ResultTable | undefined {
  const all = pByDirection(question, table);
  if (all.length === 0) return undefined;
  return {
    kind: 'directions',
    title: 'p in each direction',
    columns: [column('direction'), column(symbol('p'))],
    rows: all.map(({ direction, asked, p, why }) => ({
      head: [`${choiceNames.direction[direction]}${asked ? ' · asked' : ''}`],
      ...(p === undefined ? { cells: [], reason: why ?? '' } : { cells: [pCell(p)] }),
      ...(asked ? { weight: 'main' as const } : {}),
    })),
    notes: [],
  };
}
