/** ln Γ and what Stirling's formula leaves out of it: what the incomplete gamma and beta functions are scaled by. */

const halfLog2Pi = 0.5 * Math.log(2 * Math.PI);

/** Σ B₂ₖ / (2k(2k − 1)x²ᵏ⁻¹), good to the last digit from 10 on. Source: Stirling (1730), de Moivre (1730). */
function series(x: number): number {
  const s = 1 / (x * x);
  return (1 / 12 - s * (1 / 360 - s * (1 / 1260 - s * (1 / 1680 - s * (1 / 1188 - (s * 691) / 360360))))) / x;
}

/** ln Γ(x), x > 0; absolutely good to 15 digits, for use in exponents. */
export function logGamma(x: number): number {
  let product = 1;
  let y = x;
  for (; y < 10; y++) product *= y;
  return (y - 0.5) * Math.log(y) - y + halfLog2Pi + series(y) - Math.log(product);
}

/** ln Γ(x + 1) − (x + ½) ln x + x − ½ ln 2π: what Stirling's formula leaves out. */
export const stirlingRest = (x: number): number =>
  x >= 10 ? series(x) : logGamma(x + 1) - (x + 0.5) * Math.log(x) + x - halfLog2Pi;

/** ln(ratio) − x, where ratio = 1 + x: both are given, and the one that has kept its digits is used. */
export function logLess(ratio: number, x: number): number {
  if (Math.abs(x) > 0.4) return Math.log(ratio) - x;
  const r = x / (2 + x);
  const square = r * r;
  let sum = 0;
  for (let k = 25; k >= 3; k -= 2) sum = sum * square + 1 / k;
  return r * (2 * sum * square - x);
}
