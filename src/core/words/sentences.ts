import { degreesOfFreedom, fixed, pRelation } from './numbers';
import { type Text, symbol, text } from './text';

/** What an answer says: for the methods section, for the results section, and for someone who is no statistician. */
export interface Sentences {
  methods: Text;
  results: Text;
  plain: Text;
}

export const sentenceCase = (raw: string): string => raw.charAt(0).toUpperCase() + raw.slice(1);
export const unitAfter = (unit: string): string => (unit ? ` ${unit}` : '');

/** "3.4 mm": a value with its unit. */
export const valued = (shown: string, unit: string): string => (unit ? `${shown} ${unit}` : shown);

/** "_F_(2, 27) = 5.41". */
export const fPhrase = (f: number, df1: number, df2: number): Text =>
  text`${symbol('F')}(${degreesOfFreedom(df1)}, ${degreesOfFreedom(df2)}) = ${fixed(f, 2)}`;

/** "χ²(2) = 9.10". */
export const chiPhrase = (chi2: number, df: number): Text =>
  text`${symbol('χ')}²(${degreesOfFreedom(df)}) = ${fixed(chi2, 2)}`;

/** "_p_ = 0.012". */
export const pPhrase = (p: number): Text => text`${symbol('p')} ${pRelation(p)}`;

/** Names as a list: "a, b and c". */
export const listed = (names: readonly string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1) ?? ''}`;

/** The plain verdict at a level: neither proof of a difference nor of its absence. */
export const verdict = (p: number, level: number, yes: string, no: string): string => (p < 1 - level ? yes : no);
