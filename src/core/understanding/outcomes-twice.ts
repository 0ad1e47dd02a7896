/** Counts of subjects looked at twice, "before: yes" at the left and "after: yes" above: what was found each time, a pair a row. */
import { valueOf } from './sums';
import { subjectName } from './vocabulary';
import { cellAt } from '../readings/cell-at';

type Rows = readonly (readonly string[])[];

/** "before: yes", "after yes", "test A = positive": when or by what, and what was found. */
const named =
  /^(.+?)\s*[:=]\s*(.+)$|^(before|after|pre|post|initial|final|start|end|baseline|first|second|day \d+|time \d+|visit \d+)[\s,–-]+(.+)$|^(.+?)\s+([+−–-]|pos\.?|neg\.?|positive|negative|yes|no|present|absent)$/iu;

const signs: Readonly<Record<string, string>> = { '+': 'positive', '-': 'negative', '−': 'negative', '–': 'negative' };

/** What two outcomes are of, "before", and what they are called; undefined where the names do not say so. */
function ofOneLook(names: readonly string[]): { look: string; found: string[] } | undefined {
  const parts = names.map((name) => named.exec(name.trim()));
  const looks = new Set(parts.map((part) => (part?.[1] ?? part?.[3] ?? part?.[5])?.trim().toLowerCase()));
  // A lone minus in a cell would be a reading that is missing.
  const found = parts
    .map((part) => (part?.[2] ?? part?.[4] ?? part?.[6] ?? '').trim())
    .map((name) => signs[name] ?? name);
  const [first] = parts;
  const look = first?.[1] ?? first?.[3] ?? first?.[5];
  return looks.size === 1 && look !== undefined && names.length === 2 && found[0] !== found[1]
    ? { look: look.trim(), found }
    : undefined;
}

/** "Probe" alone over results would name the probes. */
const headed = (look: string): string => (subjectName.test(look) ? `result by ${look}` : look);

/** A table of two by two outcomes, the same at two looks, with a pair of outcomes a row and its count; undefined of any other. */
export function outcomesTwice(block: Rows): string[][] | undefined {
  const [head = [], ...body] = block.filter((row) => row.some((cell) => cell.trim() !== ''));
  if (body.length !== 2 || [head, ...body].some((row) => row.length !== 3)) return undefined;
  const [down, over] = [ofOneLook(body.map(([name = '']) => name)), ofOneLook(head.slice(1))];
  if (!down || !over || down.look.toLowerCase() === over.look.toLowerCase()) return undefined;
  if ([...down.found].sort().join('\n') !== [...over.found].sort().join('\n')) return undefined;
  const counts = body.map((row) => row.slice(1));
  if (counts.flat().some((cell) => !Number.isInteger(valueOf(cell)))) return undefined;
  return [
    [headed(down.look), headed(over.look), 'count'],
    ...counts.flatMap((row, i) => row.map((cell, j) => [cellAt(down.found, i), cellAt(over.found, j), cell])),
  ];
}
