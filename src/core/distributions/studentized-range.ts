import { demand } from '../numeric/domain-error';
import { interpolated } from '../numeric/interpolated';
import { smoothStep, trapezoid } from '../numeric/quadrature';
import { solveTail } from '../numeric/solve';
import { normal } from './normal';
import { overScale } from './scale-mixture';

/**
 * P(R ≥ w) for the range R of k standard normals. With the largest at z, the others reach below z − w with
 * probability 1 − (1 − Φ(z−w)/Φ(z))^(k−1), taken directly so that a tail of 1e-12 keeps its digits.
 */
function rangeUpper(w: number, k: number): number {
  if (w <= 0) return 1;
  const centre = w / 2;
  return Math.min(
    1,
    trapezoid(
      (z) => {
        const below = normal.lower(z);
        if (below === 0) return 0;
        const share = Math.min(1, normal.lower(z - w) / below);
        return k * normal.density(z) * below ** (k - 1) * -Math.expm1((k - 1) * Math.log1p(-share));
      },
      Math.max(-9, centre - 9),
      centre + 9,
      smoothStep / Math.sqrt(k),
    ),
  );
}

const known = new Map<number, (w: number) => number>();

/** The range's tail for so many normals, kept: the studentized one is an average of it, whatever its df. */
function rangeTail(k: number): (w: number) => number {
  const before = known.get(k);
  if (before) return before;
  const made = interpolated((w) => rangeUpper(w, k));
  if (known.size < 200) known.set(k, made);
  return made;
}

/**
 * Upper tail of the studentized range: P(Q ≥ q) for `groups` means and a standard deviation on df degrees of freedom.
 * Source: Tukey (1953); the double integral as in Copenhaver & Holland (1988).
 * @param df real, above 0; Infinity for a known standard deviation
 * @throws DomainError with fewer than two groups or df not above 0
 */
export function studentizedRangeUpper(q: number, groups: number, df: number): number {
  demand(groups >= 2, 'A range needs at least two groups.');
  demand(df > 0, 'Degrees of freedom must be above 0.');
  if (q <= 0) return 1;
  const tail = rangeTail(groups);
  return Math.min(
    1,
    overScale(df, (q * q) / 4, (u) => tail(q * u)),
  );
}

/** The q with upper tail p: the critical value of Tukey's procedures. @throws DomainError unless 0 < p < 1 */
export function studentizedRangeUpperQuantile(p: number, groups: number, df: number): number {
  demand(p > 0 && p < 1, 'A probability must lie between 0 and 1.');
  return solveTail({
    tail: (q) => studentizedRangeUpper(q, groups, df),
    p,
    rising: false,
    from: 0,
    to: Infinity,
    start: 3,
    relative: 1e-12,
  });
}
