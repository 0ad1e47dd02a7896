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

/**
 * A formula that knows its own value. A term is built once from symbols and operations; its TeX, the same TeX with the
 * numbers put in, and its value all come from that one tree, so the working cannot say one thing and compute another.
 */
export class Term {
  /**
   * @param tex the formula, as TeX @param numbers the same with the numbers put in
   * @param binding how tightly the outermost operation binds, in either: 1 sums, 2 products, 3 powers, 4 single
   */
  constructor(
    readonly tex: string,
    readonly numbers: string,
    readonly value: number,
    readonly binding: Readonly<Record<Side, number>>,
  ) {}

  private static both(make: (side: Side) => string, value: number, binding: number): Term {
    return new Term(make('tex'), make('numbers'), value, { tex: binding, numbers: binding });
  }

  /** As it stands where something binds so tightly: in brackets, where it binds less. */
  within(least: number, side: Side): string {
    return this.binding[side] < least ? `\\left(${this[side]}\\right)` : this[side];
  }

  /** A named number with the figures in which it differs from one that lies close. */
  private apartFrom({ value }: Term): Term {
    const [size, gap] = [Math.max(Math.abs(this.value), Math.abs(value)), Math.abs(this.value - value)];
    const lost = gap > 0 ? Math.floor(Math.log10(size / gap)) : 0;
    return lost > 2 && this.numbers === shown(this.value)
      ? new Term(this.tex, shown(this.value, Math.min(15, 6 + lost)), this.value, this.binding)
      : this;
  }

  plus(b: Term): Term {
    const least = (side: Side): number => (side === 'numbers' && b.value < 0 ? 2 : 1);
    return Term.both((s) => `${this[s]} + ${b.within(least(s), s)}`, this.value + b.value, 1);
  }
  minus(b: Term): Term {
    const [own, other] = [this.apartFrom(b), b.apartFrom(this)];
    return Term.both((s) => `${own[s]} - ${other.within(2, s)}`, this.value - b.value, 1);
  }
  times(b: Term): Term {
    const sign = (side: Side): string => (side === 'numbers' ? ' \\times ' : '\\,');
    return Term.both((s) => `${this.within(2, s)}${sign(s)}${b.within(2, s)}`, this.value * b.value, 2);
  }
  over(b: Term): Term {
    return Term.both((s) => `\\frac{${this[s]}}{${b[s]}}`, this.value / b.value, 2);
  }
  squared(): Term {
    // What already stands with a superscript, as z^*, is put in brackets first.
    const base = (s: Side): string =>
      /^[^(]*\^[^)]*$/.test(this[s]) ? `\\left(${this[s]}\\right)` : this.within(4, s);
    return Term.both((s) => `${base(s)}^2`, this.value ** 2, 3);
  }
  root(): Term {
    return Term.both((s) => `\\sqrt{${this[s]}}`, Math.sqrt(this.value), 4);
  }
  /** What cannot be below 0, estimated as 0 where the formula falls below it. */
  atLeastZero(): Term {
    return Term.both((s) => `\\max\\left(0,\\ ${this[s]}\\right)`, Math.max(0, this.value), 4);
  }
  magnitude(): Term {
    return Term.both((s) => `\\left|${this[s]}\\right|`, Math.abs(this.value), 4);
  }
  exponential(): Term {
    return Term.both((s) => `e^{${this[s]}}`, Math.exp(this.value), 3);
  }
  logarithm(): Term {
    return Term.both((s) => `\\ln ${this.within(4, s)}`, Math.log(this.value), 2);
  }
}

/** A named quantity; a negative number stands as a difference does. */
export const symbol = (tex: string, value: number): Term =>
  new Term(tex, shown(value), value, { tex: 4, numbers: value < 0 ? 1 : 4 });

/** A plain number that stands in the formula itself. */
export function constant(value: number): Term {
  const binding = value < 0 ? 1 : 4;
  return new Term(shown(value), shown(value), value, { tex: binding, numbers: binding });
}

/** Terms of a sum that are written out; of a longer one the first and the last. */
const writtenOut = 5;

/** A sum over many: its formula as given, its numbers written out as far as they are read. @param term of each of them */
export function total(tex: string, of: readonly Term[]): Term;
export function total<T>(tex: string, of: readonly T[], term: (x: T, index: number) => Term): Term;
export function total(tex: string, of: readonly Term[], term: (x: Term, index: number) => Term = (x) => x): Term {
  const terms = of.map(term);
  const parts = terms.length <= writtenOut ? terms : terms.slice(0, writtenOut - 2);
  const written = parts.map((t) => t.within(t.value < 0 ? 2 : 1, 'numbers')).join(' + ');
  const last = terms.at(-1);
  return new Term(
    tex,
    terms.length <= writtenOut || !last ? written : `${written} + \\cdots + ${last.within(2, 'numbers')}`,
    terms.reduce((s, t) => s + t.value, 0),
    { tex: 1, numbers: 1 },
  );
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
