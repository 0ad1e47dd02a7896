/** The curves statistics are read from. */
import type { Direction } from '../procedures/direction';
import type { Reference, Test } from './comparison';

/** F on its degrees of freedom; the upper tail rejects unless the question has a direction of its own. */
export const fReference = (
  statistic: number,
  df1: number,
  df2: number,
  direction: Direction = 'greater',
): Reference => ({
  distribution: 'f',
  parameters: { df1, df2 },
  symbol: 'F',
  statistic,
  direction,
});

/** The curves of tests by F, each with what it is of. */
export const fReferences = (tests: readonly Test[]): Reference[] =>
  tests.map(({ of = '', value = NaN, df: [df1 = 1, df2 = 1] }) => ({ ...fReference(value, df1, df2), of }));

/** A statistic that follows χ². */
export const chiSquareReference = (
  statistic: number,
  df: number,
  symbol = 'χ²',
  direction: Direction = 'greater',
): Reference => ({ distribution: 'chi-square', parameters: { df }, symbol, statistic, direction });

/** z on the normal curve. */
export const normalReference = (statistic: number, direction: Direction): Reference => ({
  distribution: 'normal',
  parameters: {},
  symbol: 'z',
  statistic,
  direction,
});
