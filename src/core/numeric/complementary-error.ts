/**
 * The complementary error function erfc(x) = 2/√π ∫ₓ^∞ exp(−t²) dt, by rational approximations on three ranges; the tail
 * keeps its digits down to the smallest numbers. Source: Cody (1969), Rational Chebyshev approximations for the error
 * function, Mathematics of Computation 23.
 */
import { polynomial } from './polynomial';

const inMiddle = {
  over: [0.18577770618460315, 3.1611237438705655, 113.86415415105016, 377.485237685302, 3209.3775891384694],
  under: [1, 23.601290952344122, 244.02463793444417, 1282.6165260773723, 2844.236833439171],
};
const inTail = {
  over: [
    2.1531153547440383e-8, 0.5641884969886701, 8.883149794388377, 66.11919063714163, 298.6351381974001,
    881.952221241769, 1712.0476126340707, 2051.0783778260716, 1230.3393547979972,
  ],
  under: [
    1, 15.744926110709835, 117.6939508913125, 537.1811018620099, 1621.3895745666903, 3290.7992357334597,
    4362.619090143247, 3439.3676741437216, 1230.3393548037495,
  ],
};
const farOut = {
  over: [
    0.016315387137302097, 0.30532663496123236, 0.36034489994980445, 0.12578172611122926, 0.016083785148742275,
    0.0006587491615298378,
  ],
  under: [1, 2.568520192289822, 1.8729528499234604, 0.5279051029514285, 0.06051834131244132, 0.0023352049762686918],
};

const ratio = ({ over, under }: typeof inMiddle, x: number): number => polynomial(over, x) / polynomial(under, x);

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
