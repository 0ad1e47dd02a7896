import { DomainError } from '../../../numeric/domain-error';
import type { OfReadings } from '../../analysis';
import { analysis as several } from '../several';

/** The spreads of the same subjects under several conditions, which have no test here: said, not done as if independent. */
export const analysis: OfReadings = {
  ...several,
  compare: () => {
    throw new DomainError(
      'Spreads of the same subjects under three or more conditions have no test here: compare two conditions in pairs.',
    );
  },
};
