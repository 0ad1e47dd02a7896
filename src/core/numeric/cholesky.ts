/**
 * The factor L of a small symmetric positive definite matrix, A = LLᵀ, by rows in one array: for the middle of searches
 * that factor thousands of matrices of a few rows, where making an object of each would be most of the work.
 */

/* eslint-disable @typescript-eslint/no-non-null-assertion -- indices lie within the arrays, and this is the inner loop */

/** @returns undefined unless the matrix is positive definite */
export function factored(a: Float64Array, p: number): Float64Array | undefined {
  const l = new Float64Array(p * p);
  for (let i = 0; i < p; i++)
    for (let j = 0; j <= i; j++) {
      let s = a[i * p + j]!;
      for (let k = 0; k < j; k++) s -= l[i * p + k]! * l[j * p + k]!;
      if (i > j) l[i * p + j] = s / l[j * p + j]!;
      else if (s > 0) l[i * p + i] = Math.sqrt(s);
      else return undefined;
    }
  return l;
}

/** L⁻¹b. */
export function forward(l: Float64Array, b: Float64Array): Float64Array {
  const p = b.length;
  const x = new Float64Array(b);
  for (let i = 0; i < p; i++) {
    for (let k = 0; k < i; k++) x[i]! -= l[i * p + k]! * x[k]!;
    x[i]! /= l[i * p + i]!;
  }
  return x;
}

/** L⁻ᵀb. */
export function backward(l: Float64Array, b: Float64Array): Float64Array {
  const p = b.length;
  const x = new Float64Array(b);
  for (let i = p - 1; i >= 0; i--) {
    for (let k = i + 1; k < p; k++) x[i]! -= l[k * p + i]! * x[k]!;
    x[i]! /= l[i * p + i]!;
  }
  return x;
}
