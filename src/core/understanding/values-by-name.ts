/** Tables with a value a row and beside it what it is a value of, "analyte" or "statistic": each becomes a column of its own. */
import { hasHead } from './heads';
import { valueOf } from './sums';
import { ofWhatName } from './vocabulary';
import { textAt } from '../readings/cell-at';
import { tally } from '../numeric/tally';
import { withUnit } from '../readings/table';

type Rows = readonly (readonly string[])[];

const value = /^(?:values?|results?|readings?|measurements?|amounts?|data)$/iu;
const unit = /^units?$/iu;

/** Names there are at most: more are no variables. */
const mostNames = 40;

/** A block with a column for each variable, and a row for each of what else names its rows; undefined of any other. */
export function valuesByName(block: Rows): string[][] | undefined {
  const [head = [], ...rest] = block;
  const place = (pattern: RegExp): number => head.findIndex((text) => pattern.test(text.trim()));
  const [named, valued, inUnits] = [place(ofWhatName), place(value), place(unit)];
  if (named < 0 || valued < 0 || !hasHead(block)) return undefined;
  const keys = head.flatMap((text, k) =>
    k === named || k === valued || k === inUnits || text.trim() === '' ? [] : [k],
  );
  const body = rest.filter((row) => row.some((cell) => cell.trim() !== ''));
  const names = [...new Set(body.map((row) => textAt(row, named)))];
  if (keys.length === 0 || names.length < 2 || names.length > mostNames || names.includes('')) return undefined;
  if (names.some((name) => valueOf(name) !== undefined)) return undefined;
  const rows = new Map<string, { own: string[]; values: Map<string, string> }>();
  const units = new Map<string, Set<string>>();
  const times = new Map<string, number>();
  for (const row of body) {
    const own = keys.map((k) => textAt(row, k));
    const key = own.join('\n');
    const name = textAt(row, named);
    // A value that comes again under one name is another sample's, whose values of other names nothing tells.
    const again = `${key}\n${name}`;
    const at = `${key}\n${times.get(again) ?? 0}`;
    tally(times, again);
    const made = rows.get(at) ?? { own, values: new Map<string, string>() };
    made.values.set(name, textAt(row, valued));
    rows.set(at, made);
    if (inUnits >= 0) units.set(name, (units.get(name) ?? new Set<string>()).add(textAt(row, inUnits)));
  }
  if (rows.size < 2 || [...units.values()].some((of) => of.size > 1)) return undefined;
  return [
    [
      ...keys.map((k) => textAt(head, k)),
      ...names.map((name) => withUnit(name, [...(units.get(name) ?? [])][0] ?? '')),
    ],
    ...[...rows.values()].map(({ own, values }) => [...own, ...names.map((name) => values.get(name) ?? '')]),
  ];
}
