import { normal } from '../distributions/normal';
import type { Direction, TailProbabilities } from '../procedures/direction';
import type { Reference } from './comparison';

/**
 * The curve a test of ranks is read from: the counted distribution where there are no ties, the normal one where that
 * stood in. Tied ranks have a distribution of their own, counted for the answer, and no curve by name.
 */
export function rankReference(
  { method, tied, p }: { method: 'exact' | 'normal'; tied: boolean; p: TailProbabilities },
  counted: Omit<Reference, 'direction'>,
  direction: Direction,
): Reference[] {
  if (method === 'exact') return tied ? [] : [{ ...counted, direction }];
  // The z whose tail is the p given, whichever side its correction for continuity favoured.
  const statistic =
    direction === 'less'
      ? normal.quantile(p.less)
      : direction === 'greater'
        ? normal.upperQuantile(p.greater)
        : normal.upperQuantile(p.either / 2) * (p.greater <= p.less ? 1 : -1);
  return [{ distribution: 'normal', parameters: {}, symbol: 'z', statistic, direction }];
}
