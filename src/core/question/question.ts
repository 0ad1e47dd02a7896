import * as v from 'valibot';

/** A group: a column's id where columns are groups, else the id of a level of a group column. */
const Group = v.pipe(v.string(), v.minLength(1), v.maxLength(200));
const Column = v.pipe(v.string(), v.minLength(1), v.maxLength(40));

/**
 * A comparison as it is asked. Everything else about an answer is computed from this and the readings.
 * Names, units, the measure and the subject belong to the readings, so they are not repeated here.
 */
export const Question = v.object({
  /** Two independent groups, or the same subjects in both. */
  design: v.picklist(['two-groups', 'paired'], 'The design is two-groups or paired.'),
  /** The groups compared; differences are taken as `a` minus `b`. */
  a: Group,
  b: Group,
  /** Where each row is one reading: the columns of the readings and of their groups. The first of each unless chosen. */
  measure: v.optional(Column),
  by: v.optional(Column),
  direction: v.picklist(['either', 'greater', 'less'], 'The direction is either, greater or less.'),
  level: v.pipe(
    v.number('The confidence level is a number between 0.5 and 0.9999.'),
    v.minValue(0.5, 'A confidence level below 50 % says next to nothing: choose 50 to 99.99 %.'),
    v.maxValue(0.9999, 'No interval is certain: choose a level of at most 99.99 %.'),
  ),
  /** Whether the groups' spreads may differ (Welch) or are taken as equal (pooled). */
  spread: v.picklist(['separate', 'pooled'], 'The spread is separate or pooled.'),
});
export type Question = v.InferOutput<typeof Question>;

/** The question two groups raise when nothing more is known. */
export const defaultQuestion = (a: string, b: string, design: Question['design'] = 'two-groups'): Question => ({
  design,
  a,
  b,
  direction: 'either',
  level: 0.95,
  spread: 'separate',
});
