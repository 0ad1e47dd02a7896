/** Which of several columns a person most likely asks about, and by which they compare. */
import { levelSizes, levelsOf } from '../readings/levels';
import { readColumn } from '../readings/read-column';
import { type Column, type Table, columnsOf, findColumn } from '../readings/table';
import { areOpposites } from './opposites';
import { areGrades, groupName, treatmentName, turnName, variableIn } from './vocabulary';
import { leastOf } from '../numeric/extremes';

const best = <T>(all: readonly T[], weight: (one: T) => number): T | undefined =>
  all.reduce<{ one: T; weight: number } | undefined>((found, one) => {
    const own = weight(one);
    return found && found.weight >= own ? found : { one, weight: own };
  }, undefined)?.one;

/** What describes a case rather than being its outcome. */
const background =
  /\b(age|birth|year|date|day|time|start|initial|baseline|before|pre|dose|id|order|temperature|salinity|depth)\b/i;

/** The measure most likely asked about: the one the person named, else one with a unit and decimals that is no background. */
export function likeliestOutcome(table: Table): Column | undefined {
  const measures = columnsOf(table, 'measure');
  const said = findColumn(table, table.settled?.['which-outcome']);
  if (said && measures.includes(said)) return said;
  return best(measures, (c) => {
    const texts = c.cells.slice(0, 100);
    return (
      (c.unit !== '' ? 1 : 0) +
      (texts.some((t) => /\d[.,]\d/.test(t)) ? 1 : 0) +
      (variableIn(c.name) ? 0.5 : 0) -
      (background.test(c.name) ? 4 : 0) -
      (c.formula || readColumn(c).used.length > 1 ? 0 : 5)
    );
  });
}

/** The column that most likely parts the readings: named after what was done, of few levels that come equally often. */
export const likeliestCategory = (table: Table): Column | undefined => likeliestOf(columnsOf(table, 'group'));

function likeliestOf(columns: readonly Column[]): Column | undefined {
  return best(columns, (c) => {
    const sizes = levelSizes(c).filter((n) => n > 0);
    const levels = levelsOf(c).length;
    return (
      (/^(treat|group|arm|diet|drug|lamp|condition|dose|nutrient|medium|regime|method|feed)/i.test(c.name)
        ? 3
        : groupName.test(c.name)
          ? 1
          : 0) -
      (/^(sex|gender)/i.test(c.name) ? 1.5 : 0) -
      (turnName.test(c.name) ? 1 : 0) -
      (levels < 2 ? 6 : levels > 12 ? 3 : 0) -
      (leastOf(sizes) < 2 ? 2 : 0)
    );
  });
}

/** What came of something: yes or no, alive or dead, none or mild or severe; but not whether something was done. */
function isOutcome(c: Column): boolean {
  const names = levelsOf(c).map(({ name }) => name.trim());
  return areGrades(names) || (areOpposites(names) && !treatmentName.test(c.name));
}

/**
 * Which of several columns of categories are crossed: the one the person named, else the one of yes and no, else the last
 * as the outcome, and by what it most likely depends on. Empty of a table with fewer than two.
 */
export function likeliestCrossing(table: Table): { by?: string; outcome?: string } {
  const groups = columnsOf(table, 'group');
  const said = findColumn(table, table.settled?.['which-outcome']);
  const outcome = said && groups.includes(said) ? said : (groups.findLast(isOutcome) ?? groups.at(-1));
  const others = groups.filter((c) => c !== outcome);
  const by = others.length > 1 ? likeliestOf(others) : others[0];
  return outcome && by ? { by: by.id, outcome: outcome.id } : {};
}
