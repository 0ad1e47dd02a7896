/** A key to codes that stands above or below a table, "1 = red, 2 = white": the column of codes gets the names it gives. */
import { textAt } from '../readings/cell-at';

type Rows = readonly (readonly string[])[];

/** Rows from either end among which a key may stand. */
const fromTheEnds = 12;

/** "1 = red", "R: red lamp": a short code and the name it stands for. */
const entry = /^\s*([\p{L}\d]{1,3})\s*(?:=|:|→|(?<=\s)[–-](?=\s))\s*(\S.*?)\s*[.;,]?\s*$/u;

/** What a line says codes stand for, perhaps behind the name of their column: "lamp: 1 = red, 2 = white". */
function keyIn(row: readonly string[]): { column: string; codes: Map<string, string> } | undefined {
  const line = row.filter((cell) => cell.trim() !== '').join('; ');
  const [, column = '', rest = line] = /^\s*([^:=;,]{2,}):\s*(?=\S+\s*=)(.*)$/u.exec(line) ?? [];
  const entries = rest.split(/\s*[;,]\s*|\s+(?:and|\/)\s+/u).map((part) => entry.exec(part));
  if (!entries.every((e) => e !== null)) return undefined;
  // What stands for nothing but a number is a statement: "n = 12".
  if (entries.some(([, , name = '']) => !/\p{L}/u.test(name))) return undefined;
  return { column: column.trim(), codes: new Map(entries.map(([, code = '', name = '']) => [code, name])) };
}

/** A block with the names in place of their codes and without the key; undefined where it has none that fits a column. */
export function codesNamed(block: Rows): { block: string[][]; note: string } | undefined {
  const near = block.flatMap((_, r) => (r < fromTheEnds || r >= block.length - fromTheEnds ? [r] : []));
  const found = near.flatMap((r) => {
    const key = keyIn(block[r] ?? []);
    return key ? [{ r, ...key }] : [];
  });
  const codes = new Map(found.flatMap((key) => [...key.codes]));
  if (codes.size < 2) return undefined;
  const said = found.find((key) => key.column !== '')?.column.toLowerCase();
  const lines = new Set(found.map((key) => key.r));
  const rest = block.filter((row, r) => !lines.has(r) && row.some((cell) => cell.trim() !== ''));
  const width = rest.reduce((most, row) => Math.max(most, row.length), 0);
  const coded = Array.from({ length: width }, (_, k) => k).filter((k) => {
    const [head = '', ...below] = rest.map((row) => textAt(row, k)).filter((text) => text !== '');
    const used = new Set(below);
    return (
      used.size > 1 &&
      [...used].every((code) => codes.has(code)) &&
      !codes.has(head) &&
      (!said || said === head.toLowerCase())
    );
  });
  const [k, another] = coded;
  if (k === undefined || another !== undefined) return undefined;
  const head = rest.find((row) => textAt(row, k) !== '');
  return {
    block: rest.map((row) => row.map((cell, i) => (i === k ? (codes.get(cell.trim()) ?? cell) : cell))),
    note: `The codes of “${textAt(head ?? [], k)}” were given the names that the key beside the table gives.`,
  };
}
