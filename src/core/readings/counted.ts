/** Things by their number. */

/** "12 seedlings", "1 seedling": a plain plural good for the nouns of a bench. */
export function counted(n: number, noun: string): string {
  if (n === 1) return `1 ${noun}`;
  return `${n} ${plural(noun)}`;
}

/** Nouns of a bench with plurals of their own. */
const irregular: readonly (readonly [one: string, many: string])[] = [
  ['mouse', 'mice'],
  ['louse', 'lice'],
  ['goose', 'geese'],
  ['tooth', 'teeth'],
  ['foot', 'feet'],
  ['child', 'children'],
  ['person', 'people'],
  ['leaf', 'leaves'],
  ['calf', 'calves'],
  ['half', 'halves'],
  ['larva', 'larvae'],
  ['pupa', 'pupae'],
  ['alga', 'algae'],
  ['fungus', 'fungi'],
  ['nucleus', 'nuclei'],
  ['bacterium', 'bacteria'],
  ['ovum', 'ova'],
  ['fish', 'fish'],
  ['sheep', 'sheep'],
  ['series', 'series'],
  ['species', 'species'],
];

/** A noun whose last word has a form of its own, in that form; undefined of any other. */
function inForm(noun: string, from: 0 | 1, to: 0 | 1): string | undefined {
  const [, before = '', last = ''] = /^(.*?)(\p{L}*)$/su.exec(noun) ?? [];
  const form = irregular.find((forms) => forms[from] === last.toLowerCase())?.[to];
  return form === undefined ? undefined : before + last.charAt(0) + form.slice(1);
}

/** Whether a noun was typed as a plural: trays, seedlings, mice, days to settling. */
export const isPlural = (noun: string): boolean =>
  (inForm(noun, 1, 0) !== undefined && inForm(noun, 0, 1) === undefined) ||
  /^(?:(?! (?:of|per|to|in|on|at|for) ).)*[^siua\W]s(?: (?:of|per|to|in|on|at|for) |$)/i.test(noun);

/** The plural of a noun as English forms most of them. */
export function plural(noun: string): string {
  if (noun === '') return 'readings';
  const own = inForm(noun, 0, 1);
  if (own !== undefined) return own;
  if (isPlural(noun)) return noun;
  if (/(s|x|z|ch|sh)$/i.test(noun)) return `${noun}es`;
  if (/[^aeiou]y$/i.test(noun)) return `${noun.slice(0, -1)}ies`;
  return `${noun}s`;
}

/** One of what a noun typed as a plural names: "plant" of plants, "mouse" of mice. */
export function singular(noun: string): string {
  const own = inForm(noun, 1, 0);
  if (own !== undefined) return own;
  if (!isPlural(noun)) return noun;
  if (/ies$/i.test(noun)) return `${noun.slice(0, -3)}y`;
  return /(?:s|x|z|ch|sh)es$/i.test(noun) ? noun.slice(0, -2) : noun.slice(0, -1);
}

/** A sentence's first letter as a capital: what begins it may be any name. */
export const sentenceCase = (raw: string): string => raw.charAt(0).toUpperCase() + raw.slice(1);
