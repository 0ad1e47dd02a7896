/** A question asked of a table, as the tests of its answers need it. */
import { answer } from '../../src/core/answering/answer';
import { type Beside, type BesideName, eachBeside } from '../../src/core/answering/asked-beside';
import type { Question } from '../../src/core/question/question';
import type { Table } from '../../src/core/readings/table';

/** The answer with its comparison. @throws Error with the reason where there is none */
export function answered(question: Question, table: Table) {
  const found = answer(question, table);
  if (!found.ok) throw new Error(found.reason);
  const { comparison } = found.value;
  if (!comparison.ok) throw new Error(comparison.reason);
  return { ...found.value, comparison: comparison.value };
}

/** Why there is no answer; empty where there is one. */
export function reasonOf(question: Question, table: Table): string {
  const found = answer(question, table);
  if (!found.ok) return found.reason;
  return found.value.comparison.ok ? '' : found.value.comparison.reason;
}

/** What is asked beside a question, all of it. */
const all =
  <K extends BesideName>(name: K) =>
  (question: Question, table: Table): Beside<K>[] => [...eachBeside(name, question, table)];
export const alternativeMethods = all('methods');
export const pByDirection = all('directions');
export const atLevels = all('levels');
export const waysOut = all('waysOut');
