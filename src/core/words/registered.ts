/** What a paper says of a question that was registered, and of groups that stood under letters. */
import type { Answer } from '../answer/answer';
import type { Registered } from '../answer/registered';
import { counted } from './numbers';
import { nth } from '../numeric/nth';

const months = 'January February March April May June July August September October November December'.split(' ');

/** The day of an ISO time: "3 March 2026". */
const dayOf = (at: string): string =>
  `${Number(at.slice(8, 10))} ${nth(months, Number(at.slice(5, 7)) - 1)} ${at.slice(0, 4)}`;

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

/** The sentence for the methods section on groups whose names were hidden; a space before it. */
export function blindClause(blind: Answer['blind']): string {
  if (!blind) return '';
  const { from, to, asideBefore, asideSince, askedSince, chosenSince } = blind;
  if (to === undefined) return ` Group names have been hidden behind letters since ${dayOf(from)}.`;
  const [first, last] = [dayOf(from), dayOf(to)];
  const set = (n: number): string => (n === 0 ? 'no reading' : counted(n, 'reading'));
  const aside =
    asideBefore + asideSince === 0
      ? ''
      : `; ${set(asideBefore)} had been set aside before they were named, ${asideSince === 0 ? 'and none since' : `and ${set(asideSince)} since`}`;
  const asked = askedSince
    ? ' The question was asked after they were named.'
    : chosenSince === undefined
      ? ''
      : chosenSince.length === 0
        ? ' Nothing was chosen otherwise after they were named.'
        : ` Chosen otherwise after they were named: ${chosenSince.join('; ')}.`;
  return ` Group names were hidden behind letters ${first === last ? `on ${first}` : `from ${first} to ${last}`}${aside}.${asked}`;
}
