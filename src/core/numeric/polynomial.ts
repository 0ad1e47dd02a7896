/** A polynomial at x, its coefficients from the highest power down. Horner's rule. */
export function polynomial(coefficients: readonly number[], x: number): number {
  let value = 0;
  for (const c of coefficients) value = value * x + c;
  return value;
}
