export { sentenceCase } from '../readings/counted';
/** Names of procedures that are plain words: within a sentence they begin small, those after a person do not. */
const plainWords =
  /^(?:Paired|One|Two|Large|Linear|Exact|Chi|Randomization|Permutation|Analysis|Repeated|Mean|Median|Share|Censored)\b/;
export const withinSentence = (name: string): string =>
  plainWords.test(name) ? name.charAt(0).toLowerCase() + name.slice(1) : name;
export const unitAfter = (unit: string): string => (unit ? ` ${unit}` : '');

/** "3.4 mm": a value with its unit. */
export const valued = (shown: string, unit: string): string => (unit ? `${shown} ${unit}` : shown);

/** Names as a list: "a, b and c". */
export const listed = (names: readonly string[]): string =>
  names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.slice(-1).join('')}`;
