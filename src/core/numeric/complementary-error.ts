/**
 * The complementary error function erfc(x) = 2/√π ∫ₓ^∞ exp(−t²) dt, by rational approximations on three ranges; the tail
 * keeps its digits down to the smallest numbers. Source: Cody (1969), Rational Chebyshev approximations for the error
 * function, Mathematics of Computation 23.
 */

const inMiddle = {
  over: [
    1.85777706184603153e-1, 3.1611237438705656, 1.13864154151050156e2, 3.77485237685302021e2, 3.20937758913846947e3,
  ],
  under: [1, 2.36012909523441209e1, 2.44024637934444173e2, 1.28261652607737228e3, 2.84423683343917062e3],
};
const inTail = {
  over: [
    2.15311535474403846e-8, 5.64188496988670089e-1, 8.88314979438837594, 6.61191906371416295e1, 2.98635138197400131e2,
    8.8195222124176909e2, 1.71204761263407058e3, 2.05107837782607147e3, 1.23033935479799725e3,
  ],
  under: [
    1, 1.57449261107098347e1, 1.17693950891312499e2, 5.37181101862009858e2, 1.62138957456669019e3,
    3.29079923573345963e3, 4.36261909014324716e3, 3.43936767414372164e3, 1.23033935480374942e3,
  ],
};
const farOut = {
  over: [
    1.63153871373020978e-2, 3.05326634961232344e-1, 3.60344899949804439e-1, 1.25781726111229246e-1,
    1.60837851487422766e-2, 6.58749161529837803e-4,
  ],
  under: [
    1, 2.56852019228982242, 1.87295284992346047, 5.27905102951428412e-1, 6.05183413124413191e-2, 2.33520497626869185e-3,
  ],
};

/** The quotient of two polynomials of one degree, their coefficients from the highest power down. */
function ratio({ over, under }: typeof inMiddle, x: number): number {
  let above = 0;
  let below = 0;
  for (let i = 0; i < over.length; i++) {
    above = above * x + (over[i] ?? 0);
    below = below * x + (under[i] ?? 0);
  }
  return above / below;
}

/** exp(−x²), the square taken in two parts so that its rounding does not grow with x. */
function bell(x: number): number {
  const near = Math.trunc(x * 16) / 16;
  return Math.exp(-near * near) * Math.exp(-(x - near) * (x + near));
}

/** erfc(x) for any x: 2 far below zero, 1 at zero, exp(−x²)/(x√π) far above. */
export function erfc(x: number): number {
  const size = Math.abs(x);
  if (size > 30) return x < 0 ? 2 : 0;
  if (size <= 0.46875) return 1 - x * ratio(inMiddle, x * x);
  const upper =
    size <= 4
      ? bell(size) * ratio(inTail, size)
      : (bell(size) / size) * (1 / Math.sqrt(Math.PI) - ratio(farOut, 1 / (size * size)) / (size * size));
  return x < 0 ? 2 - upper : upper;
}
