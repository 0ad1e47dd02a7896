/** Which procedure a question gets, by the name the field gives it, and why. */
import { type SpreadReason, choicesOf } from '../question/choices';
import type { Method, Question } from '../question/question';
import { wordsAbout } from './about';

const names: Record<Question['design'], Partial<Record<Method, string>>> = {
  'one-sample': { means: 'One-sample t-test', ranks: 'Wilcoxon signed-rank test', z: 'One-sample z-test' },
  'two-groups': { ranks: 'Mann–Whitney test' },
  paired: {
    means: 'Paired t-test',
    ranks: 'Wilcoxon signed-rank test',
    shuffle: 'Randomization test of paired readings',
  },
  several: { ranks: 'Kruskal–Wallis test', shuffle: 'Randomization test of F' },
  factorial: { means: 'Two-way analysis of variance' },
  repeated: { means: 'Repeated-measures analysis of variance', ranks: 'Friedman test' },
  mixed: { means: 'Analysis of variance with one factor within subjects and one between' },
};

/** What a permutation test compares. */
export const statisticWords = {
  mean: 'the means',
  median: 'the medians',
  trimmed: 'the trimmed means',
  t: 'Welch’s t',
} as const;

/** The centre a question compares: a mean, unless a permutation test compares another. */
export function centreWord(question: Question): 'mean' | 'median' | 'trimmed mean' {
  const { method, statistic } = choicesOf(question);
  if (question.about || method !== 'shuffle' || question.design === 'several') return 'mean';
  return statistic === 'median' ? 'median' : statistic === 'trimmed' ? 'trimmed mean' : 'mean';
}

/** The procedure a question gets. */
export function methodName(question: Question): string {
  const about = wordsAbout(question);
  if (about) return about.methodName(question);
  const { method, spread, statistic } = choicesOf(question);
  if (method === 'shuffle' && question.design === 'two-groups')
    return `Randomization test of ${statisticWords[statistic]}`;
  const pooled = spread === 'pooled';
  if (question.design === 'two-groups' && method === 'means')
    return pooled ? 'Student’s t-test with pooled variance' : 'Welch’s t-test';
  if (question.design === 'several' && method === 'means')
    return pooled ? 'One-way analysis of variance' : 'Welch’s analysis of variance';
  return names[question.design][method] ?? '';
}

/** A procedure among its alternatives: named by what distinguishes it. */
export function alternativeName(question: Question): string {
  if (question.about) return methodName(question);
  const { method, sums, sphericity } = choicesOf(question);
  if (question.design === 'factorial') return `Sums of squares of type ${['', 'I', 'II', 'III'][sums] ?? ''}`;
  if ((question.design === 'repeated' && method === 'means') || question.design === 'mixed')
    return {
      'greenhouse-geisser': 'Corrected by Greenhouse and Geisser',
      'huynh-feldt': 'Corrected by Huynh and Feldt',
      assumed: 'Sphericity assumed',
    }[sphericity];
  return methodName(question);
}

const byRanks =
  'A rank test asks which group’s readings tend to be larger, not about means: it is robust to skew and to single far readings, and says less about by how much.';

const sizesDecide: Record<SpreadReason, string> = {
  'equal-n':
    ' The groups have equal n, where the classical analysis is robust to unequal spreads; Welch’s is one click away.',
  'unequal-n':
    ' The groups have unequal n, where the classical analysis is not robust to unequal spreads: so each keeps its own; the classical one is one click away.',
  'single-reading':
    ' A group with one reading has no spread of its own and can only be judged by the spread that the groups share.',
};

/**
 * Why this procedure, in a line or two.
 * @param spreadBy what in the sizes of the groups decided, where nobody chose
 */
export function methodReason(question: Question, spreadBy?: SpreadReason): string {
  const about = wordsAbout(question);
  if (about) return about.methodReason(question);
  const { method, spread } = choicesOf(question);
  if (method === 'ranks') return byRanks;
  if (method === 'shuffle')
    return question.design === 'several'
      ? 'A permutation test asks how often the group labels, permuted, set the means as far apart: no shape is assumed, only that the labels are exchangeable.'
      : 'A permutation test asks how often the group labels, permuted, give a difference as large: no shape is assumed, only that the labels are exchangeable.';
  if (method === 'z')
    return 'You gave the SD of the whole population, so nothing about the spread is estimated and z takes the place of t.';
  switch (question.design) {
    case 'one-sample':
      return 'One group’s mean is compared with a fixed value; its own spread says how far a mean of so many readings may stray.';
    case 'paired':
      return 'The same subjects were measured in both groups, so each is compared with itself: what differs from subject to subject drops out of the differences.';
    case 'two-groups':
      return spread === 'separate'
        ? 'Two independent groups are compared by their means. Welch’s t lets each group keep its own spread: it is right when spreads differ, and loses next to nothing when they do not.'
        : 'Two independent groups are compared by their means. You chose to take the spreads as equal: the pooled t then gains a little precision, and misleads when the smaller group is the more variable one.';
    case 'several':
      return `${
        spread === 'pooled'
          ? 'Several independent groups: first whether their means differ at all, then which, with p and intervals that allow for the number of comparisons. The groups share one spread, estimated from all.'
          : 'Several independent groups whose spreads may differ: each keeps its own, in the analysis and in each comparison.'
      }${spreadBy ? sizesDecide[spreadBy] : ''}`;
    case 'factorial':
      return 'Every sample is under one level of each of two factors: one analysis judges both, and whether one changes what the other does.';
    case 'repeated':
      return 'The same subjects were read under every condition, so each is compared with itself. Degrees of freedom are corrected, because readings of one subject are not equally alike.';
    case 'mixed':
      return 'Subjects belong to groups and were read under every condition: groups are judged by how subjects differ, conditions by how they change within subjects.';
  }
}

/** What else would be reasonable, and when. */
export function methodElse(question: Question): string {
  const about = wordsAbout(question);
  if (about) return about.methodElse(question);
  const { method, spread } = choicesOf(question);
  switch (question.design) {
    case 'one-sample':
      return method === 'ranks'
        ? 'The t-test, if the mean is what you want to know.'
        : 'The signed-rank test, if readings are few and lopsided.';
    case 'two-groups':
      return method === 'means'
        ? `${spread === 'separate' ? 'The pooled t, if equal spreads were planned for' : 'Welch’s t, if in doubt about the spreads'}; ranks or a permutation test, if the means are swayed by a few readings.`
        : 'Welch’s t, if the difference of the means is what you want to know.';
    case 'paired':
      return method === 'means'
        ? 'Signed ranks or a permutation of signs, if a few differences sway the mean.'
        : 'The paired t-test, if the mean difference is what you want to know.';
    case 'several':
      return method !== 'means'
        ? 'The analysis of variance, if the means are what you want to know and the readings are near enough to normal.'
        : spread === 'pooled'
          ? 'Welch’s analysis with Games and Howell’s comparisons, if the spreads differ; ranks, if a few readings sway the means.'
          : 'The usual analysis of variance, if equal spreads were planned for.';
    case 'factorial':
      return 'Sums of squares of another type, where cells are unequal. Asking about one factor alone leaves the other in the noise.';
    case 'repeated':
      return 'Friedman’s test on ranks within each subject, if a few readings sway the means.';
    case 'mixed':
      return 'One summary figure for each subject (a slope, a gain), compared between the groups: often simpler, and just as right.';
  }
}
