/** Stems with their leaves, "2 | 1 3 5": a reading a leaf. */
import { nth } from '../numeric/nth';
import { textAt } from '../readings/cell-at';

type Rows = readonly (readonly string[])[];

/** Stems there are at least; and at most, three digits each that go up by one. */
const [fewest, most] = [3, 1000];

/** Whether whole numbers go up by one. */
const goUp = (stems: readonly string[]): boolean =>
  stems.every((stem, i) => /^\d{1,3}$/.test(stem) && (i === 0 || Number(stem) === Number(stems[i - 1]) + 1));

/** The leaves of a stem, single digits that do not fall; undefined of anything else. */
function leavesOf(text: string): string[] | undefined {
  const leaves = [...text.matchAll(/\S/gu)].map(([leaf]) => leaf);
  const apart = text === '' || /^\d(?:\s+\d)*$|^\d+$/.test(text);
  return apart && leaves.every((leaf, i) => i === 0 || leaf >= nth(leaves, i - 1)) ? leaves : undefined;
}

/** How many times the number of its two digits a leaf is, as a key says: "2 | 1 = 2.1". */
function scaleIn(row: readonly string[]): number | undefined {
  const [, stem = '', leaf = '', value = ''] =
    /(\d{1,3})\s*\|?\s*(\d)\s*(?:=|means|stands for|is)\s*([\d.]+)/iu.exec(
      row.map((cell) => cell.trim()).join(' | '),
    ) ?? [];
  return value === '' || Number(stem + leaf) === 0 ? undefined : Number(value) / Number(stem + leaf);
}

/** A block of nothing but stems and leaves, and perhaps a key, with a reading a row; undefined of any other. */
export function leavesApart(block: Rows): string[][] | undefined {
  const rows = block.filter((row) => row.some((cell) => cell.trim() !== ''));
  if (rows.length > most) return undefined;
  const keys = rows.flatMap((row) => scaleIn(row) ?? []);
  const stems = rows.filter((row) => scaleIn(row) === undefined);
  const leaves = stems.map((row) => leavesOf(textAt(row, 1)));
  const scale = keys[0] ?? 1;
  if (stems.length < fewest || keys.length > 1 || !goUp(stems.map((row) => textAt(row, 0)))) return undefined;
  if (stems.some((row) => row.slice(2).some((cell) => cell.trim() !== ''))) return undefined;
  // A whole number beside each of a few numbers in a row is no list of leaves.
  const several = leaves.filter((all) => (all?.length ?? 0) > 1).length;
  const written = stems.some((row) => /\d\s+\d/.test(textAt(row, 1)));
  if (leaves.includes(undefined) || (!written && keys.length === 0) || several < 2) return undefined;
  return leaves.flatMap((all, i) =>
    (all ?? []).map((leaf) => [String(Number((Number(textAt(stems[i], 0) + leaf) * scale).toPrecision(6)))]),
  );
}
