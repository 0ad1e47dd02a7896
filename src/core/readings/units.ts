/** Units as they are printed at a bench: known by how they are put together rather than by a list of all there are. */

/** What a unit measures, as powers of dimensions, and how many base units one of it is. */
export interface Unit {
  factor: number;
  /** "length^1 time^-1", sorted: equal texts can be converted into one another. */
  dimension: string;
}

type Part = [factor: number, dimensions: Readonly<Record<string, number>>];

const prefixes: Readonly<Record<string, number>> = {
  p: 1e-12, n: 1e-9, µ: 1e-6, u: 1e-6, m: 1e-3, c: 1e-2, d: 1e-1, h: 1e2, k: 1e3, M: 1e6, G: 1e9,
}; // prettier-ignore

/** Units that take a prefix. */
const prefixed: Readonly<Record<string, Part>> = {
  m: [1, { length: 1 }], g: [1e-3, { mass: 1 }], s: [1, { time: 1 }], L: [1e-3, { length: 3 }], l: [1e-3, { length: 3 }],
  mol: [1, { amount: 1 }], M: [1e3, { amount: 1, length: -3 }], A: [1, { current: 1 }], V: [1, { voltage: 1 }],
  W: [1, { power: 1 }], J: [1, { energy: 1 }], N: [1, { force: 1 }], Pa: [1, { pressure: 1 }], bar: [1e5, { pressure: 1 }],
  Hz: [1, { frequency: 1 }], K: [1, { temperature: 1 }], Da: [1, { 'molecular mass': 1 }], U: [1, { activity: 1 }],
  IU: [1, { 'international units': 1 }], kat: [1, { katal: 1 }], eq: [1, { equivalents: 1 }], Eq: [1, { equivalents: 1 }],
  cal: [1, { calories: 1 }], Bq: [1, { radioactivity: 1 }], Gy: [1, { dose: 1 }], Sv: [1, { 'dose equivalent': 1 }],
  lx: [1, { illuminance: 1 }], lm: [1, { light: 1 }], bp: [1, { bases: 1 }], osmol: [1, { osmoles: 1 }], Osm: [1, { osmoles: 1 }],
  S: [1, { conductance: 1 }], Ω: [1, { resistance: 1 }], T: [1, { field: 1 }], F: [1, { capacitance: 1 }],
}; // prettier-ignore

const day = 86_400;
/** Units that stand as they are. */
const plain: Readonly<Record<string, Part>> = {
  min: [60, { time: 1 }], mins: [60, { time: 1 }], h: [3600, { time: 1 }], hr: [3600, { time: 1 }], hrs: [3600, { time: 1 }],
  hour: [3600, { time: 1 }], hours: [3600, { time: 1 }], minute: [60, { time: 1 }], minutes: [60, { time: 1 }],
  sec: [1, { time: 1 }], seconds: [1, { time: 1 }], d: [day, { time: 1 }], day: [day, { time: 1 }], days: [day, { time: 1 }],
  week: [7 * day, { time: 1 }], weeks: [7 * day, { time: 1 }], wk: [7 * day, { time: 1 }], months: [1, { months: 1 }],
  month: [1, { months: 1 }], years: [1, { years: 1 }], year: [1, { years: 1 }], yr: [1, { years: 1 }], yrs: [1, { years: 1 }],
  y: [1, { years: 1 }], ha: [1e4, { length: 2 }], '°': [1, { angle: 1 }], deg: [1, { angle: 1 }],
  rad: [1, { radians: 1 }], '°C': [1, { celsius: 1 }], '°F': [1, { fahrenheit: 1 }], '%': [1e-2, {}], '‰': [1e-3, {}],
  ppm: [1e-6, {}], ppb: [1e-9, {}], ppt: [1, { ppt: 1 }], psu: [1, { salinity: 1 }], PSU: [1, { salinity: 1 }],
  pH: [1, { pH: 1 }], mmHg: [133.322387415, { pressure: 1 }], atm: [101_325, { pressure: 1 }], bpm: [1, { beats: 1 }],
  rpm: [1, { rotations: 1 }], dB: [1, { level: 1 }], 'a.u.': [1, { arbitrary: 1 }], au: [1, { arbitrary: 1 }],
  AU: [1, { arbitrary: 1 }], RFU: [1, { fluorescence: 1 }], OD: [1, { absorbance: 1 }], CFU: [1, { colonies: 1 }],
  cfu: [1, { colonies: 1 }], cells: [1, { cells: 1 }], cell: [1, { cells: 1 }], copies: [1, { copies: 1 }],
  counts: [1, { counts: 1 }], beats: [1, { beats: 1 }], breaths: [1, { breaths: 1 }], ind: [1, { individuals: 1 }],
  individuals: [1, { individuals: 1 }], '£': [1, { pounds: 1 }], '€': [1, { euros: 1 }], $: [1, { dollars: 1 }], '¥': [1, { yen: 1 }], points: [1, { points: 1 }], t: [1e3, { mass: 1 }],
}; // prettier-ignore

/** Units that are read as such only behind a prefix: alone they are names, "drug (T)", "sex (F)". */
const capitals = new Set(['F', 'T', 'S']);

/** What may stand behind a unit: of what it is a unit. */
const ofWhat =
  /\s+(?:dw|fw|ww|dry|wet|fresh|dry weight|wet weight|fresh weight|dry mass|protein|tissue|soil|creatinine)$/i;

const lowered: Readonly<Record<string, string>> = { '⁰': '0', '¹': '1', '²': '2', '³': '3', '⁴': '4', '⁵': '5', '⁶': '6', '⁷': '7', '⁸': '8', '⁹': '9', '⁻': '-', '⁺': '+' }; // prettier-ignore

/** Raised digits and signs as plain ones: "⁻³" as "-3". */
export const unraised = (text: string): string => text.replace(/[⁰¹²³⁴⁵⁶⁷⁸⁹⁻⁺]/gu, (c) => lowered[c] ?? c);

const normalized = (unit: string): string => unit.replaceAll('μ', 'µ').trim();

/** A single unit with its prefix and power: of bare numbers 2 and 3 alone, for "d1" is the first day. */
function atom(text: string): Part | undefined {
  const flat = unraised(text).replace('−', '-');
  const found = /^(°?[\p{L}µ%‰Ω.°£€$¥]+?)(?:\^?([+-][1-4]|[23])|\^([1-4]))?$/u.exec(flat);
  if (!found) return undefined;
  const [, name = '', plainPower, power = plainPower ?? '1'] = found;
  const raised = ([factor, dimensions]: Part): Part => [
    factor ** Number(power),
    Object.fromEntries(Object.entries(dimensions).map(([key, n]) => [key, n * Number(power)])),
  ];
  const whole = plain[name] ?? (capitals.has(name) ? undefined : prefixed[name]);
  if (whole) return raised(whole);
  const [prefix, base] = [prefixes[name.slice(0, 1)], prefixed[name.slice(1)]];
  return prefix !== undefined && base ? raised([prefix * base[0], base[1]]) : undefined;
}

const remembered = new Map<string, Unit | undefined>();

function parsed(unit: string): Unit | undefined {
  const tidy = normalized(unit)
    .replace(ofWhat, '')
    .replace(/\s+per\s+/g, '/');
  // A power of ten in front: "10⁶ cells/mL", "×10³/µL".
  const scaled = /^(?:[×x]\s*)?10\^?([⁰¹²³⁴⁵⁶⁷⁸⁹⁻]+|\d)\s*(?=[\p{L}/])/u.exec(tidy);
  const power = scaled?.[1] && unraised(scaled[1]);
  const rest = scaled ? tidy.slice(scaled[0].length).replace(/^\//, '1/') : tidy;
  const words = rest.split(/\s*([/·*⋅])\s*|\s+/u).filter(Boolean);
  // A star behind a number marks it, and is no product of nothing.
  if (words.every((word) => /^[/·*⋅]$/u.test(word))) return undefined;
  let factor = 10 ** Number(power ?? 0);
  let under = false;
  const dimensions: Record<string, number> = {};
  for (const word of words) {
    if (word === '/') under = true;
    else if (word === '·' || word === '*' || word === '⋅') continue;
    else if (word === '1' && word === words[0]) continue;
    else {
      const part = atom(word.replace(/^\(|\)$/g, ''));
      if (!part) return undefined;
      factor *= under ? 1 / part[0] : part[0];
      for (const [key, n] of Object.entries(part[1])) dimensions[key] = (dimensions[key] ?? 0) + (under ? -n : n);
    }
  }
  const dimension = Object.entries(dimensions)
    .filter(([, n]) => n !== 0)
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([key, n]) => `${key}^${n}`)
    .join(' ');
  return { factor, dimension };
}

/** A unit understood, or undefined where the text is none. */
export function unitOf(text: string): Unit | undefined {
  const key = normalized(text);
  if (key === '' || key.length > 40) return undefined;
  if (!remembered.has(key)) {
    if (remembered.size > 2000) remembered.clear();
    remembered.set(key, parsed(key));
  }
  return remembered.get(key);
}

/** Whether a text is a unit. */
export const isUnit = (text: string): boolean => unitOf(text) !== undefined;

/** By what readings in one unit are multiplied to be in another; undefined where they measure different things. */
export function conversion(from: string, to: string): number | undefined {
  const [a, b] = [unitOf(from), unitOf(to)];
  if (a === undefined || b === undefined) return undefined;
  return a.dimension === b.dimension ? Number((a.factor / b.factor).toPrecision(15)) : undefined;
}

/** Whether numbers stay readable: between a ten-thousandth and ten thousand times what they were. */
const isNear = (factor: number | undefined): boolean => factor !== undefined && factor >= 1e-4 && factor <= 1e4;

/** Units of the same kind that readings in one could be given in: another prefix, another measure of time. */
export function unitsLike(unit: string): string[] {
  const [, head = '', rest = ''] = /^([^/·\s]+)(.*)$/u.exec(normalized(unit)) ?? [];
  const bases = [head, head.slice(1)].filter((base) => prefixed[base]);
  const [base] = bases;
  const others = base
    ? ['p', 'n', 'µ', 'm', ...(base === 'm' ? ['c'] : []), '', 'k'].map((prefix) => `${prefix}${base}${rest}`)
    : [];
  const times = ['s', 'min', 'h', 'd'].map((time) => `${time}${rest}`);
  return [...new Set([...others, ...times])].filter(
    (other) => other !== normalized(unit) && isNear(conversion(unit, other)),
  );
}

/**
 * "Length (mm)", "length, mm", "length_mm" → name and unit. What stands there is a unit only when it reads as one:
 * "ctrl (day 3)" is a name. "% alive" is "alive" in percent.
 */
export function splitUnit(head: string): { name: string; unit: string } {
  const tidy = head.trim();
  for (const form of [/^(.*\S)\s*[([]([^()[\]]+)[)\]]$/u, /^(.*\S)\s*(?:,\s+|\s\/\s|_)([^,_]+)$/u]) {
    const [, name = '', unit = ''] = form.exec(tidy) ?? [];
    if (name && isUnit(unit) && (form.source.includes('[([]') || normalized(unit).length > 1 || unit === 'g'))
      return { name, unit: normalized(unit) };
  }
  // "% alive", "percent cover".
  const [, share] = /^(?:%|per ?cent(?:age)?|pct\.?)(?: of)?\s+(?!ci\b|of\b|total)(\p{L}.*)$/iu.exec(tidy) ?? [];
  return share === undefined ? { name: tidy, unit: '' } : { name: share, unit: '%' };
}
