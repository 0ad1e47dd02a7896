/** That a table is or was blind, as it is kept with the table. */
import * as v from 'valibot';

const Time = v.pipe(v.string(), v.isoTimestamp('The time of a blinding is an ISO time.'));
const Count = v.pipe(v.number(), v.integer(), v.minValue(0));

/** That a table is blind, or was: since when, until when, and how many cells were set aside at either moment. */
export const Blind = v.object({
  from: Time,
  asideFrom: Count,
  /** The names behind the letters; gone once they are back. */
  sealed: v.optional(v.pipe(v.string(), v.maxLength(2_000_000), v.regex(/^([0-9a-f]{2})*$/, 'The key is not whole.'))),
  to: v.optional(Time),
  asideTo: v.optional(Count),
});
export type Blind = v.InferOutput<typeof Blind>;
