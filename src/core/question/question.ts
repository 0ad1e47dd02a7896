import * as v from 'valibot';
import { type Design, designFacts } from '../analyses/kinds';
import { comparisons, followUps, levelsCompared, methods, subjects } from './options';
import { ruleKinds } from '../readings/rules';

/** A group: a column's id where columns are groups, else the id of a level of a group column. */
const Group = v.pipe(v.string(), v.minLength(1), v.maxLength(200));
const Column = v.pipe(v.string(), v.minLength(1), v.maxLength(40));
const Finite = (what: string) => v.pipe(v.number(`${what} is a number.`), v.finite(`${what} is a number.`));

/** How an experiment was made, as far as it decides the comparison. */
export const designs = Object.keys(designFacts) as Design[];
export type { Design };

const KnownSd = v.optional(v.pipe(Finite('The known SD'), v.gtValue(0, 'The known SD must be above 0.')));

const Contrast = v.object({
  name: v.pipe(v.string(), v.maxLength(200)),
  /** Group → weight; groups not named have none. */
  weights: v.record(Group, Finite('A weight')),
});

const asked = {
  /** How large readings are, unless something else is asked. */
  about: v.optional(v.picklist(subjects, `A question is about one of ${subjects.join(', ')}.`), 'value'),
  design: v.picklist(designs, `The design is one of ${designs.join(', ')}.`),
  /** The groups compared; differences are taken as `a` minus `b`. */
  a: v.optional(Group),
  b: v.optional(Group),
  /** Of several: those compared, in this order; all unless some are named. */
  groups: v.optional(v.array(Group)),
  /** Where each row is one reading: the columns of the readings and of their groups. The first of each unless chosen. */
  measure: v.optional(Column),
  by: v.optional(Column),
  /** The second factor, or what changes within subjects. */
  by2: v.optional(Column),
  /** What means are adjusted for: another column of measurements, and the value they are adjusted to where not its mean. */
  covariate: v.optional(Column),
  covariateAt: v.optional(Finite('The value means are adjusted to')),
  /** The column of samples within the samples: blades within lines. */
  inner: v.optional(Column),
  /** The column of the blocks groups are compared within: a day, a batch, a plate. */
  block: v.optional(Column),
  /** What one group is compared with; for two groups the difference that counts as none. In the readings' units. */
  value: v.optional(Finite('The value compared with')),
  direction: v.picklist(['either', 'greater', 'less'], 'The direction is either, greater or less.'),
  /** Whether a direction was chosen when the answer could already be seen; the methods sentence then says so. */
  afterLooking: v.optional(v.boolean()),
  level: v.pipe(
    v.number('The confidence level is a number between 0.5 and 0.9999.'),
    v.minValue(0.5, 'A confidence level below 50 % says next to nothing: choose 50 to 99.99 %.'),
    v.maxValue(0.9999, 'No interval is certain: choose a level of at most 99.99 %.'),
  ),
  /** Whether the groups' spreads may differ or are taken as equal. */
  spread: v.optional(v.picklist(['separate', 'pooled'], 'The spread is separate or pooled.')),
  /** What is compared, or by which test. */
  method: v.optional(v.picklist(methods, `The method is one of ${methods.join(', ')}.`)),
  /** Of counts: the column that says what was found, and which of its categories is the share asked about. */
  outcome: v.optional(Column),
  found: v.optional(Group),
  /** Readings counted by the side of this they lie on; `found` is then `below` or `from`. */
  cut: v.optional(Finite('The cut-off')),
  /** How two shares are set against each other. */
  effect: v.optional(v.picklist(['difference', 'ratio', 'odds'])),
  /** The interval of one share. */
  shareInterval: v.optional(v.picklist(['wilson', 'clopper-pearson', 'agresti-coull', 'wald'])),
  /** Proportions counts are held against, in the order of the categories: 9, 3, 3, 1. */
  ratio: v.optional(
    v.pipe(
      v.array(v.pipe(Finite('A part of a ratio'), v.gtValue(0, 'Each part of a ratio must be above 0.'))),
      v.minLength(2, 'A ratio has at least two parts.'),
      v.maxLength(200, 'A ratio has at most 200 parts.'),
    ),
  ),
  /** The population's SD, where it is known. */
  knownSd: KnownSd,
  /** That of the second of two groups, where it is another. */
  knownSdB: KnownSd,
  /** Bounds within which a difference does not matter, in the readings' units. */
  bounds: v.optional(
    v.pipe(
      v.object({ low: Finite('The lower bound'), high: Finite('The upper bound') }),
      v.check(({ low, high }) => low < high, 'The lower bound must lie below the upper one.'),
    ),
  ),
  /** Which comparisons follow. */
  compare: v.optional(v.picklist(comparisons, `The comparisons are one of ${comparisons.join(', ')}.`)),
  /** Where groups lie for a trend over them: by the numbers in their names, where they have any, or equally spaced. */
  spacing: v.optional(v.picklist(['named', 'equal'], 'Groups are placed as named or equal.')),
  control: v.optional(Group),
  pairs: v.optional(v.array(v.tuple([Group, Group]))),
  /** Of all pairs, those subtracted the other way round: the later group minus the earlier. */
  turned: v.optional(
    v.union([v.literal('all'), v.array(v.tuple([Group, Group]))], 'Turned are all pairs, or those named.'),
  ),
  contrasts: v.optional(v.array(Contrast)),
  follow: v.optional(v.picklist(followUps, `Comparisons are judged by one of ${followUps.join(', ')}.`)),
  /** Of two factors: which levels are compared, over or within the levels of the other. */
  within: v.optional(v.picklist(levelsCompared)),
  sums: v.optional(v.picklist([1, 2, 3], 'Sums of squares are of type 1, 2 or 3.')),
  sphericity: v.optional(v.picklist(['greenhouse-geisser', 'huynh-feldt', 'assumed'])),
  /** Columns that were groups or levels when it was asked: those put in since do not join by themselves. */
  known: v.optional(v.array(Group)),
  /** Only rows that all of these rules pick. */
  rows: v.optional(
    v.pipe(
      v.array(
        v.object({
          column: Column,
          is: v.picklist(ruleKinds, `A rule is one of ${ruleKinds.join(', ')}.`),
          value: v.pipe(v.string(), v.maxLength(200)),
          to: v.optional(v.pipe(v.string(), v.maxLength(200))),
        }),
      ),
      v.maxLength(12, 'At most 12 rules choose the rows.'),
    ),
  ),
  /** Only rows in which this column names this level. */
  only: v.optional(v.object({ column: Column, level: Group })),
  /** How several readings of one subject count, where the question says otherwise than its table. */
  repeats: v.optional(v.picklist(['average', 'each'], 'Readings of one subject count as average or each.')),
  /** Whether readings set aside count after all, to see what they do. */
  withAside: v.optional(v.boolean()),
  /** What of the readings is compared under permuted labels. */
  statistic: v.optional(v.picklist(['mean', 'median', 'trimmed', 't'])),
  /** The seed of shuffles. */
  seed: v.optional(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(4294967295))),
  /** Sentences the person has reworded: their words, and the sentence they started from. */
  own: v.optional(
    v.record(
      v.picklist(['methods', 'results', 'legend']),
      v.object({
        text: v.pipe(v.string(), v.maxLength(10_000)),
        from: v.pipe(v.string(), v.maxLength(10_000)),
      }),
    ),
  ),
};

const Count = v.pipe(v.number(), v.integer(), v.minValue(0));

/** A question as it was fixed, and what there was of its readings then. */
export const Registration = v.object({
  /** When, as an ISO time. */
  at: v.pipe(v.string(), v.isoTimestamp('The time of a registration is an ISO time.')),
  /** Independent samples planned in each group. */
  planned: v.optional(v.pipe(v.number(), v.integer(), v.minValue(2, 'At least 2 are planned in each group.'))),
  /** Readings there already, and those of them set aside. */
  readings: Count,
  aside: Count,
  question: v.object(asked),
});
export type Registration = v.InferOutput<typeof Registration>;

/**
 * A comparison as it is asked. Everything else about an answer is computed from this and the readings.
 * Names, units, the measure and the subject belong to the readings, so they are not repeated here. What is left out has
 * a default that depends on the design: `choicesOf` tells it.
 */
export const Question = v.object({
  ...asked,
  /** What the person calls it; by its groups where they do not. */
  name: v.optional(v.pipe(v.string(), v.maxLength(200))),
  registered: v.optional(Registration),
  /** The question as it stood when the names of its groups were revealed; null where it was asked only then. */
  atReveal: v.optional(v.nullable(v.object(asked))),
});
export type Question = v.InferOutput<typeof Question>;

/** A question of a design that names no groups: all are compared. */
export const questionOf = (design: Design, more: Partial<Question> = {}): Question => ({
  about: 'value',
  design,
  direction: 'either',
  level: 0.95,
  ...more,
});

/** The question two groups raise when nothing more is known. */
export const defaultQuestion = (a: string, b: string, design: Design = 'two-groups'): Question =>
  questionOf(design, { a, b });
