/** Figures of groups told as text, a group a line: "red lamp: mean 20.1, SD 2.1, n 12", "red 20.1 ± 2.1 mm (n = 12)". */
import { isUnit } from '../readings/units';
import { spreadKind } from './vocabulary';

type Rows = readonly (readonly string[])[];

/** Groups told so at most. */
const mostGroups = 40;

const number = String.raw`[+−-]?\d+(?:[.,]\d+)?(?:e[+-]?\d+)?`;
const is = String.raw`\s*(?:=|:|of|is|was)?\s*`;
const spreads = String.raw`s\.?d\.?|s\.?e\.?m?\.?|standard (?:deviation|error(?: of the mean)?)`;
const unit = String.raw`(?:\s?(?!(?:${spreads}|n|mean|and|with)(?!\p{L}))([\p{L}µ°%][\p{L}\d°/·²³⁻¹]*))?`;
/** Each figure by how it is told; what stands behind a mean may be its unit. */
const figures = {
  mean: new RegExp(String.raw`(?<![\p{L}\d])(?:mean|average|M(?==| =))${is}(${number})${unit}`, 'iu'),
  spread: new RegExp(String.raw`(?<![\p{L}\d])(${spreads})${is}(${number})${unit}`, 'iu'),
  n: /(?<![\p{L}\d])n\s*[=:]?\s*(\d+)(?![\d.]|,\d)/iu,
  both: new RegExp(
    String.raw`(${number})${unit}\s*(?:±|\+\/-|\+-)\s*(${number})${unit}(?:\s*\(?(${spreads})\)?)?`,
    'iu',
  ),
  bracketed: new RegExp(String.raw`(${number})${unit}\s*\(\s*(?:(${spreads})${is})?(${number})\s*\)`, 'iu'),
};

interface Told {
  name: string;
  mean: string;
  spread: string;
  kind: string;
  units: string[];
  n: string;
}

/** What a line tells of one group; undefined where it tells anything else. */
function toldOf(line: string): Told | undefined {
  let rest = line;
  /** The parts of a figure, its place in the line left empty. */
  const take = (pattern: RegExp): RegExpExecArray | undefined => {
    const found = pattern.exec(rest);
    if (!found) return undefined;
    rest = `${rest.slice(0, found.index)}\n${rest.slice(found.index + found[0].length)}`;
    return found;
  };
  const [, n = ''] = take(figures.n) ?? [];
  const [, both, unitOfBoth = '', ofBoth, unitBehind = '', kindOfBoth = ''] = take(figures.both) ?? [];
  const mean = both === undefined ? take(figures.mean) : undefined;
  const spread = mean && take(figures.spread);
  const [, inFront, unitInFront = '', kindWithin = '', within] =
    both === undefined && !mean && n !== '' ? (take(figures.bracketed) ?? []) : [];
  const [name = '', ...after] = rest.split('\n');
  // Nothing else may be told behind the name.
  if (after.join('').replace(/[\s,;:.()[\]]|\b(?:and|with|mean|average)\b/giu, '') !== '') return undefined;
  const found = {
    name: name.replace(/[\s,;:=([]+$/u, '').trim(),
    mean: both ?? mean?.[1] ?? inFront ?? '',
    spread: ofBoth ?? spread?.[2] ?? within ?? '',
    kind: [kindOfBoth, spread?.[1], kindWithin].find(Boolean) ?? '',
    units: [unitOfBoth, unitBehind, mean?.[2], spread?.[3], unitInFront].flatMap((said) => (said ? [said] : [])),
    n,
  };
  const isTold = /\p{L}/u.test(found.name) && found.mean !== '' && found.spread !== '';
  return isTold && found.units.every(isUnit) ? found : undefined;
}

const kinds = { sd: 'SD', sem: 'SEM', variance: 'variance', interval: 'interval' } as const;

/**
 * A block of such lines, or one line of several groups, with a group a row; undefined where it is none. Commas
 * or blanks may have parted a line into cells.
 */
export function figuresTold(block: Rows): string[][] | undefined {
  if (block.length > 2 * mostGroups) return undefined;
  const texts = block.map((row) => row.filter((cell) => cell.trim() !== '').join(' ')).filter((text) => text !== '');
  const [one = ''] = texts;
  const lines = texts.length === 1 ? one.split(/;|\bvs\.?(?=\s)|\bversus\b|\band\b/iu) : texts;
  if (lines.length < 2 || lines.length > mostGroups) return undefined;
  const told = lines.map((line) => toldOf(line.trim()));
  if (!told.every((t) => t !== undefined)) return undefined;
  const units = new Set(told.flatMap((t) => t.units));
  const named = new Set(told.flatMap((t) => spreadKind(t.kind) ?? []));
  const [kind] = named;
  if (units.size > 1 || named.size > 1 || new Set(told.map((t) => t.name)).size < told.length) return undefined;
  const sized = told.some((t) => t.n !== '');
  const head = ['group', `mean${[...units].map((u) => ` (${u})`).join('')}`, kind ? kinds[kind] : 'spread', 'n'];
  return [head, ...told.map((t) => [t.name, t.mean, t.spread, t.n])].map((row) => (sized ? row : row.slice(0, 3)));
}
