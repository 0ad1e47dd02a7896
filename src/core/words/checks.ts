/** Each assumption in plain words: what was found, and what could be done. */
import { there } from '../numeric/there';
import type { Method } from '../question/options';
import type { Answer } from '../answer/answer';
import type { Check, Remedy, Verdict } from '../answer/checks';
import { alphaOf } from '../procedures/interval';
import { choicesOf, methodsFor, ofMeans, tellsRatios } from '../question/choices';
import { factsOf } from '../analyses/kinds';
import {
  designOf,
  withinOf,
  isAdjusted,
  isBlocked,
  isNested,
  kindOf,
  samplingOf,
  withEffect,
} from '../question/asking';
import type { Question } from '../question/question';
import { counted, fixed, pRelation, plural, significant } from './numbers';

export const verdictWords: Record<Verdict, string> = {
  fine: 'no concern',
  weigh: 'caution',
  matters: 'concern',
  unknown: 'not known from the data',
  free: 'not needed',
};

export const checkNames: Record<Check['about'], string> = {
  independence: 'Independent samples',
  'sample-size': 'Sample size',
  'unusual-points': 'Outliers',
  normality: 'Normality',
  'equal-spread': 'Equal spread',
  sphericity: 'Sphericity',
  'expected-counts': 'Expected counts',
  'parallel-slopes': 'Parallel slopes',
  covariate: 'Covariate',
  additivity: 'Alike in all blocks',
  limits: 'Limit of detection',
};

/** Of each kind of sample: that there are enough, and that there are few. */
const sampleSizeWords: Record<
  'readings' | 'pairs' | 'cells' | 'subjects' | 'everyone' | 'nested' | 'groups',
  (n: number, subject: string) => readonly [enough: string, few: string]
> = {
  nested: (n, subject) => [
    `The smallest group has ${counted(n, subject)}: enough for their spread to be known.`,
    `The smallest group has ${counted(n, subject)}: with so few the spread between ${plural(subject)} is hardly known, however many readings each has.`,
  ],
  readings: (n) => [
    `There are ${counted(n, 'reading')}: enough for the spread to be known.`,
    `There are only ${counted(n, 'reading')}: with so few the spread itself is hardly known.`,
  ],
  pairs: (n) => [
    `There are ${n} pairs: enough for the spread of the differences to be known.`,
    `There are only ${counted(n, 'pair')}: the spread of the differences is hardly known, and the interval is wide for it.`,
  ],
  subjects: (n, subject) => [
    `${counted(n, subject)} were measured under every condition: enough for their spread to be known.`,
    `Only ${counted(n, subject)} were measured under every condition: with so few their spread is hardly known.`,
  ],
  everyone: (n, subject) => [
    `${counted(n, subject)} were measured, each with the readings it has: enough for their spread to be known.`,
    `Only ${counted(n, subject)} were measured: with so few their spread is hardly known.`,
  ],
  cells: (n) => smallest('cell', n),
  groups: (n) => smallest('group', n),
};
const smallest = (what: string, n: number): readonly [string, string] => [
  `The smallest ${what} has ${n}: enough for the spread to be known.`,
  `The smallest ${what} has ${n}: with so few the spread itself is hardly known, and the interval is wide for it.`,
];

/** What does not need readings to be normal, by the method. */
const freeOfShape: Partial<Record<Method, string>> = {
  ranks: 'a rank test',
  shuffle: 'a permutation test',
  'brown-forsythe': 'the Brown–Forsythe test',
};

/** Tests of variances that mislead where readings are not normal, at any n. */
const shapeDecides: readonly Method[] = ['chi-square', 'f', 'bartlett', 'pitman-morgan'];

/** Mauchly's test in brackets: of several effects each. */
function mauchlyWords({ figures, effects }: Check): string {
  const told = ({ w, p }: { w: number; p: number }): string => `${fixed(w, 2)}, p ${pRelation(p)}`;
  return effects
    ? `Mauchly’s W: ${effects.map((e) => `${e.of} ${told(e)}`).join('; ')}`
    : `Mauchly’s W = ${told({ w: there(figures['w'], 'w'), p: there(figures['p'], 'p') })}`;
}

/** The reason of a check, as a sentence. */
export function checkSentence(check: Check, answer: Answer): string {
  const { figures, verdict } = check;
  const f = (name: string): number => there(figures[name], name);
  const plot = figures['plotted'] === undefined ? '' : ` The plot shows ${f('plotted')} of them, drawn at random.`;
  const { question } = answer;
  const subject = answer.subject || 'subject';
  const { within, samples, equivalence, spreads, sampling } = factsOf(question);
  const nests = sampling === 'nested';
  const paired = samples === 'pairs';
  const logs = answer.logs ? ' of the logarithms' : '';
  switch (check.about) {
    case 'independence':
      if (answer.counted)
        return `Only you can know that each ${answer.subject || 'one counted'} stands for itself: ten from one tank are not ten samples.`;
      if (verdict === 'unknown')
        return `No column names the ${subject}s, so only you can know that each ${answer.subject || 'reading'} stands for itself.`;
      if (nests && verdict === 'fine')
        return `${counted(f('readings'), 'reading')} of ${counted(f('distinct'), subject)}: each ${subject} counts once, its readings are taken within it.`;
      if (within && verdict === 'fine')
        return `Each ${subject} is compared with itself, and counts once${figures['readings'] !== undefined && f('subjects') < f('readings') ? ', by the mean of its readings in each group' : ''}.`;
      if (verdict === 'fine')
        return `${counted(f('readings'), 'reading')} of ${counted(f('distinct'), subject)}: no ${subject} is counted twice.`;
      return f('shared') > 0 && !within
        ? `${counted(f('shared'), subject)} ${f('shared') === 1 ? 'has' : 'have'} readings in more than one group, but the groups are compared as strangers.`
        : `${counted(f('readings'), 'reading')} come from ${counted(f('distinct'), subject)}: counted one by one they make the answer look surer than it is.`;
    case 'sample-size': {
      if (figures['leastP'] !== undefined)
        return `With so few readings this test cannot reach p < ${alphaOf(question.level)}: the smallest p it can give is ${significant(f('leastP'), 2)}.`;
      const everyone = answer.comparison.ok && answer.comparison.value.everyone !== undefined;
      const [enough, few] = sampleSizeWords[everyone ? 'everyone' : (samples ?? 'groups')](f('smallest'), subject);
      return verdict === 'fine' ? enough : few;
    }
    case 'unusual-points':
      return f('count') === 0
        ? 'No reading lies further from its group than the furthest of so many would.'
        : `${counted(f('count'), 'reading')} ${f('count') === 1 ? 'lies' : 'lie'} further from the others than the furthest of so many normal readings often would. Look at ${f('count') === 1 ? 'it' : 'them'} before anything else; set aside only for a reason.`;
    case 'normality': {
      const what = paired
        ? `differences${logs}`
        : nests
          ? `${answer.logs ? 'mean logarithms' : 'means'} of the ${plural(subject)}`
          : `residuals${logs}`;
      if (verdict === 'unknown') return `Too few ${what} to judge their shape.`;
      const drawn =
        figures['sampled'] === undefined
          ? ''
          : `, of ${f('sampled').toLocaleString('en')} drawn at random${figures['w'] === undefined ? ' from each group' : ''}`;
      const test =
        figures['w'] === undefined
          ? `Shapiro–Wilk in each group, taken together, p ${pRelation(f('p'))}${drawn}`
          : `Shapiro–Wilk W = ${fixed(f('w'), 3)}, p ${pRelation(f('p'))}${drawn}`;
      if (f('p') >= 0.05)
        return `The ${what} look as normal readings would (${test}).${f('n') < 15 ? ' So few would hide much.' : ''}${plot}`;
      if (verdict === 'free')
        return `The ${what} are not normal (${test}); ${freeOfShape[choicesOf(question).method] ?? 'the method chosen'} does not need them to be.${plot}`;
      if (shapeDecides.includes(choicesOf(question).method))
        return `The ${what} do not look normal (${test}), and this test is not robust to that, however many there are.${plot}`;
      return f('smallest') >= 40
        ? `The ${what} are not normal (${test}); with n this large the ${equivalence ? 't-test' : 'analysis'} is robust to this.${plot}`
        : `The ${what} do not look normal (${test}), and the groups are small enough for it to matter.${plot}`;
    }
    case 'equal-spread': {
      if (verdict === 'unknown')
        return f('pairs') > 0
          ? 'Not known from the data: two readings in a group do not tell whether spreads differ.'
          : 'The spreads cannot be compared: a group has none, or too few readings.';
      const ratio = `the largest SD${logs} is ${significant(f('ratio'), 2)} times the smallest (Brown–Forsythe p ${pRelation(f('p'))})`;
      if (f('p') >= 0.05 && f('ratio') <= 3) return `No difference of the spreads is shown: ${ratio}.`;
      const far = f('p') < 0.05 ? 'The spreads differ' : 'The SDs lie far apart';
      const { method, spread } = choicesOf(question);
      if (method === 'ranks')
        return `${far}: ${ratio}. A rank test then tells that one group’s readings tend to be larger, and less by how much.`;
      if (method === 'shuffle')
        return `${far}: ${ratio}. Labels are then not quite exchangeable; with equal n that matters little.`;
      return spreads && spread === 'separate'
        ? `${far}: ${ratio}. The method chosen does not need them equal.`
        : `${far}: ${ratio}. The method chosen takes them as equal.`;
    }
    case 'sphericity':
      if (verdict === 'unknown') return `Not to be tested with these numbers; ε = ${fixed(f('epsilon'), 2)}.`;
      return verdict === 'fine'
        ? `The test shows no departure from sphericity (${mauchlyWords(check)}).`
        : `The test shows a departure from sphericity (${mauchlyWords(check)}); ${f('assumed') ? 'the test as chosen takes them as spherical' : 'the degrees of freedom are corrected for it'}.`;
    case 'limits': {
      const many = `At most ${f('below')} of ${f('n')} readings of a group lie below the limit`;
      const byRanks = choicesOf(question).method === 'ranks';
      if (byRanks) return `${many}; ranks need no more than that they lie there, all tied.`;
      return verdict === 'fine'
        ? `${many}: the others tell its mean and the spread. That those below are spread as the others are cannot be seen.`
        : `${many}: what is told of its mean rests on readings below being spread as the few above are, which cannot be seen.`;
    }
    case 'parallel-slopes': {
      if (verdict === 'unknown') return 'There are too few readings to tell whether the groups have one slope.';
      const test = `F(${f('df1')}, ${f('df2')}) = ${fixed(f('f'), 2)}, p ${pRelation(f('p'))}`;
      return verdict === 'fine'
        ? `The lines of the groups are not shown to differ in slope (${test}).`
        : `The slopes of the groups differ, from ${significant(f('least'), 3)} to ${significant(f('most'), 3)} (${test}): how far the groups lie apart depends on where it is read. Read it at a value you care about, or compare without adjusting.`;
    }
    case 'covariate':
      return verdict === 'fine'
        ? 'The value the means are adjusted to lies among the readings of every group. Only you can know that what the groups were given did not change the covariate: it must have been read before.'
        : `The value the means are adjusted to lies outside the readings of ${f('outside') === 1 ? 'a group' : `${f('outside')} groups`}: there the line is only prolonged, and the difference rests on its being straight.`;
    case 'additivity': {
      if (verdict === 'unknown')
        return 'The layout does not tell whether the groups differ alike in all blocks: that takes a reading of every group in every block, or several.';
      const what = f('replicates') ? 'interaction of group and block' : 'Tukey’s test of non-additivity';
      const test = `${what}, F(${f('df1')}, ${f('df2')}) = ${fixed(f('f'), 2)}, p ${pRelation(f('p'))}`;
      return verdict === 'fine'
        ? `The groups are not shown to differ otherwise in one block than in another (${test}).`
        : `The groups differ otherwise in one block than in another (${test}): one difference for all blocks does not tell it. Where blocks of larger readings show larger differences, ratios may be alike; else ask about both as factors.`;
    }
    case 'expected-counts':
      return `${f('under5') === 0 ? 'All expected counts are 5 or more' : `${counted(f('under5'), 'expected count')} ${f('under5') === 1 ? 'is' : 'are'} under 5`}; the smallest is ${significant(f('smallest'), 2)}. ${
        choicesOf(question).method === 'exact'
          ? 'The exact test does not need them large.'
          : choicesOf(question).method === 'shuffle' || choicesOf(question).method === 'mid-p'
            ? 'The test chosen does not need them large.'
            : verdict === 'matters'
              ? 'With so small ones the large-sample p is not to be trusted.'
              : verdict === 'weigh'
                ? 'A few such hardly disturb the large-sample p.'
                : 'The large-sample p can be trusted.'
      }`;
  }
}

/** What can be done about a check in one step: words for it, and how the question changes. */
export function remedyOffer(
  remedy: Remedy,
  question: Question,
): { words: string; patch?: Partial<Question> } | undefined {
  const { method, spread } = choicesOf(question);
  const { spreads, asWithin, effects } = factsOf(question);
  const possible = methodsFor(question);
  const turnTo = (next: Method, words: string) =>
    method !== next && possible.includes(next) ? { words, patch: { method: next } } : undefined;
  switch (remedy) {
    case 'rank-test':
      return turnTo('ranks', 'Take the rank test') ?? turnTo('brown-forsythe', 'Compare distances from the medians');
    case 'exact-test':
      return turnTo('exact', 'Take the exact test');
    case 'shuffle':
      return turnTo('shuffle', 'Take the permutation test');
    case 'separate-spreads':
      return spreads && (spread === 'pooled' || method !== 'means')
        ? { words: 'Let the spreads differ', patch: { spread: 'separate', method: 'means' } }
        : undefined;
    case 'pair-by-subject':
      return asWithin === undefined ? undefined : { words: asWithin, patch: { design: withinOf(question.design) } };
    case 'ratios':
      return effects?.ratio && !tellsRatios(question)
        ? {
            words: 'Compare by ratios',
            patch: { ...withEffect(question, 'ratio'), ...(ofMeans(method) ? {} : { method: 'means' }) },
          }
        : undefined;
    case 'unadjusted':
      return isAdjusted(question.design)
        ? {
            words: 'Compare without adjusting',
            patch: { design: designOf(kindOf[question.design], 'once'), covariate: undefined, covariateAt: undefined },
          }
        : undefined;
    case 'two-factors':
      return isBlocked(question.design)
        ? {
            words: 'Ask about both as factors',
            patch: { design: 'factorial', by2: question.block, block: undefined, method: undefined },
          }
        : undefined;
    case 'correct-degrees':
      return { words: 'Correct the degrees of freedom', patch: { sphericity: 'greenhouse-geisser' } };
    case 'keep-within-samples': {
      const design = designOf(kindOf[question.design], 'nested');
      return question.about === 'value' && samplingOf(question.design) === 'once' && isNested(design)
        ? { words: 'Keep readings within their samples', patch: { design, repeats: undefined } }
        : undefined;
    }
    case 'average-within-subjects':
      return question.repeats === 'average'
        ? undefined
        : { words: 'Average within each subject', patch: { repeats: 'average' } };
    case 'look-at-points':
      return { words: 'Go to the furthest' };
    default:
      return undefined;
  }
}
