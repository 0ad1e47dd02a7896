/**
 * Formulas that know their own value. A term is built once from symbols and operations; its TeX, the same TeX with the
 * numbers put in, and its value all come from that one tree, so the working cannot say one thing and compute another.
 */
export interface Term {
  /** The formula, as TeX. */
  tex: string;
  /** The same with the numbers put in. */
  numbers: string;
  value: number;
  /** How tightly its outermost operation binds, as formula and as numbers: 1 sums, 2 products, 3 powers, 4 single. */
  binding: Readonly<Record<Side, number>>;
}

type Side = 'tex' | 'numbers';

/**
 * A number as the working shows it: six figures, which is more than a reader checks and enough to follow, or as many as
 * are asked.
 */
export function shown(x: number, digits = 6): string {
  if (!Number.isFinite(x)) return x > 0 ? '\\infty' : x < 0 ? '-\\infty' : '\\text{none}';
  if (Number.isInteger(x) && Math.abs(x) < 1e9) return String(x);
  const short = Number(x.toPrecision(digits));
  const [mantissa = '', exponent] = String(short).split('e');
  return exponent === undefined ? mantissa : `${mantissa} \\times 10^{${Number(exponent)}}`;
}

/** A named quantity. */
export const symbol = (tex: string, value: number): Term => ({
  tex,
  numbers: shown(value),
  value,
  // A negative number stands as a difference does.
  binding: { tex: 4, numbers: value < 0 ? 1 : 4 },
});

/** A plain number that stands in the formula itself. */
export const constant = (value: number): Term => ({
  ...symbol(shown(value), value),
  binding: { tex: value < 0 ? 1 : 4, numbers: value < 0 ? 1 : 4 },
});

const group = (term: Term, least: number, side: Side): string =>
  term.binding[side] < least ? `\\left(${term[side]}\\right)` : term[side];

const both = (make: (side: Side) => string, value: number, binding: number): Term => ({
  tex: make('tex'),
  numbers: make('numbers'),
  value,
  binding: { tex: binding, numbers: binding },
});

export const plus = (a: Term, b: Term): Term =>
  both((s) => `${a[s]} + ${group(b, s === 'numbers' && b.value < 0 ? 2 : 1, s)}`, a.value + b.value, 1);
/** The terms of a difference: named numbers that lie close are shown with the figures in which they differ. */
function apart(a: Term, b: Term): [Term, Term] {
  const [size, gap] = [Math.max(Math.abs(a.value), Math.abs(b.value)), Math.abs(a.value - b.value)];
  const lost = gap > 0 ? Math.floor(Math.log10(size / gap)) : 0;
  const fuller = (term: Term): Term =>
    lost > 2 && term.numbers === shown(term.value)
      ? { ...term, numbers: shown(term.value, Math.min(15, 6 + lost)) }
      : term;
  return [fuller(a), fuller(b)];
}
export function minus(first: Term, second: Term): Term {
  const [a, b] = apart(first, second);
  return both((s) => `${a[s]} - ${group(b, 2, s)}`, a.value - b.value, 1);
}
export const times = (a: Term, b: Term): Term =>
  both((s) => `${group(a, 2, s)}${s === 'numbers' ? ' \\times ' : '\\,'}${group(b, 2, s)}`, a.value * b.value, 2);
export const over = (a: Term, b: Term): Term => both((s) => `\\frac{${a[s]}}{${b[s]}}`, a.value / b.value, 2);
// What already stands with a superscript, as z^*, is put in brackets first.
export const squared = (a: Term): Term =>
  both((s) => `${/^[^(]*\^[^)]*$/.test(a[s]) ? `\\left(${a[s]}\\right)` : group(a, 4, s)}^2`, a.value ** 2, 3);
export const root = (a: Term): Term => both((s) => `\\sqrt{${a[s]}}`, Math.sqrt(a.value), 4);
/** What cannot be below 0, estimated as 0 where the formula falls below it. */
export const atLeastZero = (a: Term): Term => both((s) => `\\max\\left(0,\\ ${a[s]}\\right)`, Math.max(0, a.value), 4);
export const magnitude = (a: Term): Term => both((s) => `\\left|${a[s]}\\right|`, Math.abs(a.value), 4);
export const exponential = (a: Term): Term => both((s) => `e^{${a[s]}}`, Math.exp(a.value), 3);
export const logarithm = (a: Term): Term => both((s) => `\\ln ${group(a, 4, s)}`, Math.log(a.value), 2);

/** Terms of a sum that are written out; of a longer one the first and the last. */
const writtenOut = 5;

/** A sum over many: its formula as given, its numbers written out as far as they are read. @param term of each of them */
export function total(tex: string, of: readonly Term[]): Term;
export function total<T>(tex: string, of: readonly T[], term: (x: T, index: number) => Term): Term;
export function total(tex: string, of: readonly Term[], term: (x: Term, index: number) => Term = (x) => x): Term {
  const terms = of.map(term);
  const parts = terms.length <= writtenOut ? terms : terms.slice(0, writtenOut - 2);
  const written = parts.map((t) => group(t, t.value < 0 ? 2 : 1, 'numbers')).join(' + ');
  const last = terms.at(-1);
  return {
    tex,
    numbers: terms.length <= writtenOut || !last ? written : `${written} + \\cdots + ${group(last, 2, 'numbers')}`,
    value: terms.reduce((s, t) => s + t.value, 0),
    binding: { tex: 1, numbers: 1 },
  };
}

/** One step of a calculation: what is computed, by which formula, with which numbers, to which result. */
export interface Step {
  what: string;
  /** The left-hand side, as TeX. */
  name: string;
  formula: string;
  numbers: string;
  result: number;
}

/** Gathers steps; each gives back its result as a symbol for those that follow. */
export class Working {
  readonly steps: Step[] = [];

  /** Computes a quantity, and keeps how. */
  let(what: string, name: string, term: Term): Term {
    this.steps.push({ what, name, formula: term.tex, numbers: term.numbers, result: term.value });
    return symbol(name, term.value);
  }

  /** Takes a value from a distribution: a tail, or a critical value. */
  look(what: string, name: string, formula: string, value: number): Term {
    // A tail is never 0, and past the end of numbers only known to be smaller.
    const vanished = formula.includes('P\\left(') && value < 1e-300;
    this.steps.push({ what, name, formula, numbers: vanished ? '< 10^{-300}' : shown(value), result: value });
    return symbol(name, value);
  }
}
