/** Ticks of an axis as they are printed. */
import { nth } from '../numeric/nth';
import { scientific } from '../words/numbers';

/** Thousands are parted by a thin space: a comma is a decimal mark to half of the readers. */
const grouped = (digits: string): string => digits.replace(/\B(?=(\d{3})+(?!\d))/g, '\u202f');

/** The power of ten a number lies in. */
const exponentOf = (x: number): number => Math.floor(Math.log10(x) + 1e-9);

/** Powers of ten written out in plain digits. */
const plain = { from: -4, to: 6 };

/**
 * Evenly spaced ticks with as many decimals as their step needs; in powers of ten where that is shorter, so that no axis
 * shows rows of noughts.
 */
export function tickLabels(ticks: readonly number[]): string[] {
  const largest = Math.max(...ticks.map(Math.abs), 0);
  if (largest === 0) return ticks.map(() => '0');
  const step = ticks.length > 1 ? Math.abs(nth(ticks, 1) - nth(ticks, 0)) : largest;
  const [top, fine] = [exponentOf(largest), exponentOf(step)];
  const digits = Math.max(0, top - fine);
  const inPowers = (top < plain.from || top > plain.to) && digits <= 3;
  return ticks.map((tick) => {
    const x = Math.abs(tick) < step / 1e6 ? 0 : tick;
    if (!inPowers) {
      const [whole = '', decimals] = Math.abs(x).toFixed(Math.max(0, -fine)).split('.');
      return `${x < 0 ? '−' : ''}${grouped(whole)}${decimals === undefined ? '' : `.${decimals}`}`;
    }
    return x === 0 ? '0' : scientific(x, 1 + Math.max(0, exponentOf(Math.abs(x)) - fine));
  });
}

/** A tick of a logarithmic axis. */
export function logTickLabel(x: number): string {
  const exponent = exponentOf(x);
  if (exponent >= plain.from && exponent <= plain.to) return String(Number(x.toPrecision(6)));
  const figures = String(Number((x / 10 ** exponent).toPrecision(6))).replace('.', '').length;
  return scientific(x, figures).replace(/^1 × /, '');
}
