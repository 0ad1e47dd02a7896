/** Subjects in several rows, one under each level of a factor, whose conditions stand beside one another: two factors, both of the same subjects. */
import { transpose } from 'd3-array';
import { cellAt } from '../readings/cell-at';
import { subjectsUnder } from './crossing';
import { recognise } from './recognise';
import type { Gathered } from './replicates-gathered';
import type { Incoming } from './seen';
import { valueOf } from './sums';
import { areTurns, spoken, variableIn } from './vocabulary';

/** Rows looked at: enough to tell what stands beside what. */
const mostLooked = 1000;

/** The columns that are conditions of one measure where only the rows of one level are looked at, as of subjects in a row each. */
function conditionsBeside(
  columns: readonly Incoming[],
  who: Incoming,
  under: Incoming,
  level: string,
): readonly Incoming[] {
  // What else names groups says nothing of what stands beside what.
  const read = columns.filter((c) => c !== under && c.cells.some((cell) => valueOf(cell) !== undefined));
  const looked = [who, ...read.filter((c) => c !== who)];
  const all = under.cells.flatMap((cell, row) => (cell.trim() === level ? [row] : []));
  const rows = all.slice(0, mostLooked);
  const { best } = recognise(looked.map((c) => ({ ...c, cells: rows.map((row) => cellAt(c.cells, row)) })));
  if (best.shape !== 'repeated' || best.roles[0] !== 'subject') return [];
  const conditions = looked.filter((_, k) => best.roles[k] === 'measure');
  const variables = new Set(conditions.flatMap((c) => variableIn(spoken(c.name)) ?? []));
  return variables.size < 2 ? conditions : [];
}

/**
 * Puts the conditions of such subjects below one another, named in a column of their own; undefined where there are none.
 * @param most rows there may be then
 */
export function conditionsGathered(columns: readonly Incoming[], most: number): Gathered | undefined {
  if (columns.length < 4 || (columns[0]?.cells.length ?? 0) < 4) return undefined;
  for (const { who, under, level } of subjectsUnder(columns)) {
    const conditions = conditionsBeside(columns, who, under, level);
    const times = conditions.length;
    if (times < 2 || who.cells.length * times > most) continue;
    const names = conditions.map((c) => c.name);
    const others = columns.filter((c) => !conditions.includes(c));
    const taken = new Set(others.map((c) => c.name.toLowerCase()));
    const called = (areTurns(names) ? ['time', 'turn'] : ['condition', 'setting', 'factor']).find(
      (name) => !taken.has(name),
    );
    return {
      columns: [
        ...others.map((c) => ({ ...c, cells: c.cells.flatMap((cell) => conditions.map(() => cell)) })),
        { name: called ?? '', unit: '', cells: who.cells.flatMap(() => names) },
        {
          name: 'reading',
          unit: conditions.map((c) => c.unit).find(Boolean) ?? '',
          cells: transpose(conditions.map((c) => c.cells)).flat(),
        },
      ],
      times,
      note: `The ${times} readings of each row stand below one another, and “${called}” says under which each was read: “${who.name}” has a row for each “${under.name}”.`,
    };
  }
  return undefined;
}
