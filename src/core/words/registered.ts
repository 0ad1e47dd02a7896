/** What a paper says of a question that was registered. */
import type { Registered } from '../answer/registered';
import { counted } from './numbers';

const months = 'January February March April May June July August September October November December'.split(' ');

/** The day of an ISO time: "3 March 2026". */
export const dayOf = (at: string): string =>
  `${Number(at.slice(8, 10))} ${months[Number(at.slice(5, 7)) - 1] ?? ''} ${at.slice(0, 4)}`;

/** "on 3 March 2026, before any reading was there, with 16 planned in each group" */
export const registrationWords = ({ at, planned, readings }: Omit<Registered, 'deviations'>): string =>
  `on ${dayOf(at)}, ${
    readings === 0
      ? 'before any reading was there'
      : `when ${counted(readings, 'reading')} ${readings === 1 ? 'was' : 'were'} there already`
  }${planned === undefined ? '' : `, with ${planned} planned in each group`}`;

/** The sentences for the methods section, with every deviation; a space before them. */
export function registeredClause(registered: Registered | undefined): string {
  if (!registered) return '';
  const { deviations } = registered;
  const told =
    deviations.length === 0
      ? 'Nothing deviated from what was registered.'
      : `Deviations from what was registered: ${deviations.join('; ')}.`;
  return ` The question was registered ${registrationWords(registered)}. ${told}`;
}
