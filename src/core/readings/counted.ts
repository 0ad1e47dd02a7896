/** Things by their number. */

/** "12 seedlings", "1 seedling": a plain plural good for the nouns of a bench. */
export function counted(n: number, noun: string): string {
  if (n === 1) return `1 ${noun}`;
  return `${n} ${plural(noun)}`;
}

/** Whether a noun was typed as a plural: trays, seedlings, days to settling. */
export const isPlural = (noun: string): boolean =>
  /^(?:(?! (?:of|per|to|in|on|at|for) ).)*[^siua\W]s(?: (?:of|per|to|in|on|at|for) |$)/i.test(noun);

/** The plural of a noun as English forms most of them. */
export function plural(noun: string): string {
  if (noun === '') return 'readings';
  if (isPlural(noun)) return noun;
  if (/(s|x|z|ch|sh)$/i.test(noun)) return `${noun}es`;
  if (/[^aeiou]y$/i.test(noun)) return `${noun.slice(0, -1)}ies`;
  return `${noun}s`;
}

/** A sentence's first letter as a capital: what begins it may be any name. */
export const sentenceCase = (raw: string): string => raw.charAt(0).toUpperCase() + raw.slice(1);
