/** The special functions everything stands on, each with its upper tail taken directly, never as 1 − lower. */
import { logGamma } from './gamma';

export { erfc } from './complementary-error';
export { logGamma } from './gamma';
export { betaLower, logBetaLower } from './incomplete-beta';
export { gammaLower, gammaUpper, logGammaUpper, poissonWeight } from './incomplete-gamma';

/** ln B(a, b). */
export const logBeta = (a: number, b: number): number => logGamma(a) + logGamma(b) - logGamma(a + b);
