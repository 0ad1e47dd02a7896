/** Numbers typed into a field, read as the cells of a table are. */
import { understand } from './parse-number';

/** What was typed: nothing, a number, or a text that is none, with why and what it may have meant. */
export type Typed =
  { kind: 'empty' } | { kind: 'number'; value: number } | { kind: 'unread'; why: string; meant: number[] };

/** A number, and what stands behind it. */
const withRest =
  /^([<>≤≥]?\s*[+\-−–]?[\d.,\s\u00a0\u2009\u202f]*\d[.,]?(?:\s*[×x*]\s*10\^?[⁻⁺⁰¹²³⁴⁵⁶⁷⁸⁹+\-−\d]+|e[+-]?\d+)?)\s*(.*)$/iu;

const lowered: Record<string, string> = Object.fromEntries(
  Array.from('⁰¹²³⁴⁵⁶⁷⁸⁹⁻⁺', (c, i) => [c, '0123456789-+'[i] ?? c]),
);

/** "3 × 10⁻⁷" as "3e-7". */
const plainPowers = (text: string): string =>
  text.replace(
    /\s*[×x*]\s*10\^?([⁻⁺⁰¹²³⁴⁵⁶⁷⁸⁹+\-−\d]+)$/iu,
    (_, power: string) => `e${power.replace(/./gu, (c) => lowered[c] ?? c).replace('−', '-')}`,
  );

/** A comma or a point between a few digits and just three: a decimal mark or a thousands mark. */
const doubtful = /^([+-]?\d{1,3}),(\d{3})$/;

/**
 * Reads a typed number. A unit behind it is dropped where it is the field's own, or where the field has none; "14.5 %"
 * is 0.145 where a share is asked and 14.5 where a percentage is.
 * @param unit of the field; '%' where a percentage is asked, null where a share is
 */
export function typedNumber(text: string, unit: string | null = ''): Typed {
  if (text.trim() === '') return { kind: 'empty' };
  const quoted = `“${text.trim()}”`;
  const [, head = text, rest = ''] = withRest.exec(text.trim()) ?? [];
  const tidy = plainPowers(head.trim().replace(/^[−–]/u, '-'));
  const doubt = doubtful.exec(tidy);
  if (doubt) {
    const [, whole = '', thousand = ''] = doubt;
    const meant = [Number(`${whole}.${thousand}`), Number(`${whole}${thousand}`)];
    return { kind: 'unread', why: `${quoted} could be ${meant.join(' or ')}`, meant };
  }
  const found = understand(tidy, '', 'auto');
  if (found.kind !== 'number')
    return { kind: 'unread', why: `${quoted} ${found.kind === 'unread' ? found.why : 'is not a number'}`, meant: [] };
  const { value } = found;
  if (rest === '' || rest === unit) return { kind: 'number', value };
  if (rest === '%' && unit === null) return { kind: 'number', value: Number((value / 100).toPrecision(15)) };
  if (/^[\d.,]/.test(rest) || !/^[\p{L}\p{M}\p{Sc}%°µμ‰/²³⁻¹·*^()\d\s.\-−]+$/u.test(rest))
    return { kind: 'unread', why: `${quoted} is not a number`, meant: [] };
  // Where the field's own unit is not known, the unit typed is taken for it.
  if (unit === '') return { kind: 'number', value };
  return {
    kind: 'unread',
    why:
      unit === null
        ? `${quoted} is in ${rest}, and a share has no unit`
        : `${quoted} is in ${rest}, and here ${unit} is asked`,
    meant: [],
  };
}

/** A number as a field shows it: every digit that was typed, and none of the dust of a computation. */
export const fieldText = (value: number): string => String(Number(value.toPrecision(12)));

/** Numbers typed in a row, apart by spaces, semicolons or commas with a space; the first text that is none is told. */
export function typedNumbers(text: string): { values: number[]; trouble?: string } {
  const values: number[] = [];
  for (const word of text.split(/,?[\s;]+/).filter(Boolean)) {
    const found = typedNumber(word);
    if (found.kind === 'number') values.push(found.value);
    else if (found.kind === 'unread') return { values, trouble: found.why };
  }
  return { values };
}
