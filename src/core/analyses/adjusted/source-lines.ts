import type { SourceLine } from '../../answer/comparison';
import type { AnalysisOfCovariance } from '../../procedures/analysis-of-covariance';

/** The table of sums of squares: each effect as what it adds to the others, so that they need not sum to the total. */
export const sourceLines = (
  { group, covariate, residual, total }: AnalysisOfCovariance,
  name: string,
): SourceLine[] => [
  { source: 'groups, adjusted', kind: 'effect', ...group },
  { source: name, kind: 'effect', ...covariate },
  { source: 'residual', kind: 'error', ...residual },
  { source: 'total', kind: 'total', ...total },
];
