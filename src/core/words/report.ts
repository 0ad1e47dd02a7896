/** What an answer tells the paper: methods, results, the legend of its figure. */
import { sum } from '../numeric/sum';
import { passes } from '../procedures/interval';
import { centres } from '../procedures/shuffle-statistics';
import type { Answer, GroupPart } from '../answer/answer';
import { valuesOf } from '../answer/group-part';
import type { Comparison } from '../answer/comparison';
import { controlPlace } from '../answer/follow-up';
import { choicesOf } from '../question/choices';
import { contribution, effectPhrases, sizesClause, testPhrase } from './phrases';
import { apartClause } from './apart';
import { equivalenceClause } from './equivalence';
import { wordsAbout } from './about';
import { followNames } from './follow-names';
import { centreWord } from './method';
import { between, counted, fixed, given, meanDecimals, pRelation, percent, significant } from './numbers';
import { claimOf, measureOf, namedFactors, subtraction } from './question';
import { listed, valued, sentenceCase, unitAfter } from './sentences';
import { type Text, symbol, text, joined } from './text';

/** How many readings were set aside, where and why. */
export function asideClause(groups: readonly GroupPart[]): string {
  const aside = groups.flatMap((g) => g.readings.aside.map((r) => ({ group: g.name, reason: r.reason })));
  if (aside.length === 0) return '';
  const reasons = [...new Set(aside.map((r) => r.reason || 'no reason given'))].join('; ');
  const where = listed([...new Set(aside.map((r) => r.group))]);
  const many = aside.length === 1 ? 'One reading' : `${aside.length} readings`;
  return ` ${many} in ${where} ${aside.length === 1 ? 'was' : 'were'} set aside before analysis (${reasons}).`;
}

/** Readings that were known only as beyond a limit, and what they were taken as. */
function limitClause(groups: readonly GroupPart[]): string {
  const half = sum(groups.map((g) => g.limited?.half ?? 0));
  const at = sum(groups.map((g) => g.limited?.at ?? 0));
  const limited = half + at;
  if (limited === 0) return '';
  const as = at === 0 ? 'half that limit' : half === 0 ? 'that limit' : 'that limit or half of it';
  return ` ${limited === 1 ? 'One reading beyond a limit of measurement was' : `${limited} readings beyond a limit of measurement were`} taken as ${as}.`;
}

const testWords = (answer: Answer): string => {
  const { question } = answer;
  const { method, spread, sums, sphericity } = choicesOf(question);
  if (method === 'z') return `a one-sample z-test (known SD ${valued(String(question.knownSd ?? ''), answer.unit)})`;
  if (method === 'ranks')
    return {
      'one-sample': 'Wilcoxon’s signed-rank test',
      'two-groups': 'the Mann–Whitney test',
      paired: 'Wilcoxon’s signed-rank test',
      several: 'the Kruskal–Wallis test, corrected for ties',
      repeated: 'Friedman’s test, corrected for ties',
      factorial: '',
      mixed: '',
    }[question.design];
  if (method === 'shuffle') {
    const sampled = answer.comparison.ok && answer.comparison.value.tests[0]?.pInterval !== undefined;
    const how = sampled
      ? `${(answer.comparison.ok && answer.comparison.value.shuffled ? answer.comparison.value.shuffled.arrangements : 0).toLocaleString('en')} random arrangements, seed ${choicesOf(question).seed}`
      : 'all arrangements counted';
    const { statistic } = choicesOf(question);
    const centre = { mean: 'mean', median: 'median', trimmed: '20 % trimmed mean', t: '' }[statistic];
    const of =
      question.design === 'several'
        ? 'F, labels shuffled among the groups'
        : question.design === 'paired'
          ? statistic === 't'
            ? 'the paired t, signs of the differences shuffled'
            : `the ${centre} difference, signs shuffled`
          : statistic === 't'
            ? 'Welch’s t, labels shuffled'
            : `the difference of ${centre}s, labels shuffled`;
    return `a randomization test of ${of} (${how})`;
  }
  switch (question.design) {
    case 'one-sample':
      return 'a one-sample t-test';
    case 'paired':
      return 'a paired t-test';
    case 'two-groups':
      return spread === 'separate'
        ? 'Welch’s two-sample t-test (variances not assumed equal; Satterthwaite degrees of freedom)'
        : 'Student’s two-sample t-test (pooled variance)';
    case 'several':
      return spread === 'separate'
        ? 'Welch’s analysis of variance (variances not assumed equal)'
        : 'one-way analysis of variance';
    case 'factorial': {
      const balanced = answer.comparison.ok && answer.comparison.value.cells?.balanced;
      return `two-way analysis of variance${balanced === false ? ` (sums of squares of type ${['', 'I', 'II', 'III'][sums] ?? ''}, the cells being of unequal size)` : ''}`;
    }
    case 'repeated':
      return `repeated-measures analysis of variance (${
        {
          'greenhouse-geisser': 'degrees of freedom corrected by Greenhouse and Geisser’s ε',
          'huynh-feldt': 'degrees of freedom corrected by Huynh and Feldt’s ε',
          assumed: 'sphericity assumed',
        }[sphericity]
      })`;
    case 'mixed':
      return `two-way analysis of variance with one factor between and one within subjects (${sphericity === 'assumed' ? 'sphericity assumed' : 'degrees of freedom within subjects corrected by Greenhouse and Geisser’s ε'})`;
  }
};

const controlName = ({ groups, question }: Answer): string => groups[controlPlace(question, groups)]?.name ?? '';

/** How the comparisons that follow were judged. */
function followClause(answer: Answer): string {
  const { question } = answer;
  if (!answer.comparison.ok || !answer.comparison.value.follow?.ok) return '';
  const { follow, compare, method } = choicesOf(question);
  const name = followNames[follow];
  if (question.design === 'several' && compare === 'control' && method !== 'ranks')
    return ` Each group was compared with the control (${controlName(answer)}) ${follow === 'unadjusted' ? 'without adjustment for their number' : `by the ${name} method`}${question.direction === 'either' ? '' : `, one-sided (${question.direction})`}, with ${answer.comparison.value.follow.value.some((p) => p.simultaneous) ? 'simultaneous ' : ''}${percent(question.level)} confidence intervals.`;
  const of =
    question.design === 'several'
      ? { all: 'All pairs', control: 'Comparisons with the control', chosen: 'Chosen pairs', contrasts: 'Contrasts' }[
          compare
        ]
      : question.design === 'repeated'
        ? 'All pairs of conditions'
        : 'Levels';
  if (method === 'ranks') return ` ${of} were compared by mean ranks (${name}).`;
  const family = answer.comparison.value.follow.value[0]?.family;
  const together =
    follow === 'unadjusted' || family === undefined || family < 2 ? '' : `, the ${family} comparisons being one family`;
  const intervals = answer.comparison.value.follow.value.some((p) => p.simultaneous)
    ? `simultaneous ${percent(question.level)} confidence intervals`
    : `${percent(question.level)} confidence intervals that each stand on their own`;
  const how = follow === 'unadjusted' ? 'without adjustment for their number' : `by the ${name} method`;
  const apart = answer.comparison.value.follow.value.length > 1 && follow === 'tukey' ? ' within each level' : '';
  return ` ${of} were compared ${how}${together}${apart}, with ${intervals}.`;
}

/** How the pairs came about, and what has no part in them. */
function pairsClause({ comparison, subject }: Answer): string {
  const noun = subject || 'subject';
  const itself = `each ${noun} being compared with itself`;
  const pairing = comparison.ok ? comparison.value.pairing : undefined;
  if (!pairing) return itself;
  const { pairs, alone, bySubject } = pairing;
  const several = pairs.some((p) => p.a.rows ?? p.b.rows)
    ? `, several readings of one ${noun} under a condition standing for it by their mean`
    : '';
  const left =
    alone.length === 0
      ? ''
      : `; ${counted(alone.length, 'reading')} without a partner (${listed([...alone.slice(0, 6), ...(alone.length > 6 ? [`${alone.length - 6} more`] : [])])}) ${alone.length === 1 ? 'was' : 'were'} left out`;
  return `${itself} (${counted(pairs.length, 'pair')}, matched ${bySubject ? `by ${noun}` : 'row by row'}${several}${left})`;
}

/** How equivalence was tested, where it was asked for. */
function equivalenceMethod({ question: { bounds, level }, unit, comparison }: Answer): string {
  if (!bounds || !comparison.ok || !comparison.value.equivalence?.ok) return '';
  return ` Equivalence within ${valued(`${given(bounds.low)} to ${given(bounds.high)}`, unit)} was tested by two one-sided tests at α = ${given(1 - level)}.`;
}

/** The sentences for the paper's methods section. */
export function methodsSentence(answer: Answer): Text {
  const about = wordsAbout(answer.question);
  if (about) return about.methods(answer);
  const { question, groups, subject } = answer;
  const { method, value } = choicesOf(question);
  const [a, b] = groups;
  const noun = subject || 'subject';
  const contributing = contribution(answer);
  const level = percent(question.level);
  const unit = answer.unit;
  const what = sentenceCase(measureOf(answer));
  const told = answer.reported ? ' Only means, spreads and numbers as reported were used.' : '';
  const tail = `${answer.only ? ` Only readings where ${answer.only} were taken.` : ''}${question.withAside ? ' Readings set aside were included.' : ''}${limitClause(groups)}${asideClause(groups)}${told}${question.afterLooking && question.direction !== 'either' ? ' The direction was chosen after the readings had been seen.' : ''}`;
  const way = question.direction;
  const first = a?.name ?? '';
  const sided =
    way === 'either'
      ? 'The test was two-sided'
      : `The test was one-sided (${value === 0 && question.design !== 'one-sample' ? `${first} ${way} than ${b?.name ?? ''}` : question.design === 'one-sample' ? `${first} ${way} than ${valued(given(value), unit)}` : claimOf(answer)})`;
  const intervals = `${way === 'either' ? '' : 'two-sided '}${level} confidence intervals`;
  switch (question.design) {
    case 'one-sample':
      return text`${what} of ${first} was compared with ${valued(given(value), unit)} by ${testWords(answer)}, ${contributing}. ${sided}; differences are ${subtraction(answer)} and are given with ${intervals}.${equivalenceMethod(answer)}${tail}`;
    case 'two-groups':
    case 'paired': {
      const each = question.design === 'paired' ? pairsClause(answer) : contributing;
      const effect = question.design === 'paired' ? text`Cohen’s ${symbol('d')}z` : text`Hedges’ ${symbol('g')}`;
      const standardized =
        method === 'means'
          ? text` Standardized differences are ${effect} with noncentral-${symbol('t')} intervals.`
          : method === 'ranks'
            ? text` Differences are Hodges–Lehmann shifts.`
            : centreWord(question) === 'mean'
              ? text` Intervals are ${question.design === 'paired' ? 'those of the paired t-test' : 'Welch’s'}.`
              : text` Differences are ${question.design === 'paired' ? `${centreWord(question)} differences` : `of ${centreWord(question)}s`}, their intervals percentiles of ${(answer.comparison.ok ? (answer.comparison.value.resamples ?? 0) : 0).toLocaleString('en')} bootstrap resamples (seed ${choicesOf(question).seed}).`;
      const shifted = value === 0 ? '' : `; the difference was tested against ${valued(given(value), unit)}`;
      return text`${what} was compared between ${first} and ${b?.name ?? ''} with ${testWords(answer)}, ${each}. ${sided}; differences are ${subtraction(answer)} and are given with ${intervals}${shifted}.${standardized}${equivalenceMethod(answer)}${tail}`;
    }
    case 'several':
      return text`${what} was compared among ${listed(groups.map((g) => g.name))} by ${testWords(answer)}, ${contributing}.${followClause(answer)}${tail}`;
    case 'repeated':
      return text`${what} was compared among ${listed(groups.map((g) => g.name))} by ${testWords(answer)}, each ${noun} being compared with itself.${followClause(answer)}${tail}`;
    case 'factorial':
    case 'mixed': {
      const [x, y] = namedFactors(answer);
      const interaction =
        question.design === 'mixed' || (answer.comparison.ok && answer.comparison.value.tests.length > 2);
      const each = question.design === 'mixed' ? `each ${noun} being read under every level of ${y}` : contributing;
      return text`${what} was analysed by ${testWords(answer)} with ${interaction ? `${x}, ${y} and their interaction` : `${x} and ${y}, without their interaction, as there was one reading a cell`}, ${each}.${followClause(answer)}${tail}`;
    }
  }
}

function groupClause(group: GroupPart, unit: string, centre = 'mean'): Text {
  const d = group.description;
  if (d && centre === 'ranks') {
    const decimals = meanDecimals({ decimals: group.decimals });
    return text`${group.name} (median ${fixed(d.median, decimals)}${unitAfter(unit)}, quartiles ${fixed(d.q1, decimals)} to ${fixed(d.q3, decimals)}${unitAfter(unit)}, ${symbol('n')} = ${group.n})`;
  }
  if (d && centre !== 'mean') {
    const value = centre === 'median' ? d.median : centres.trimmed(valuesOf(group));
    return text`${group.name} (${centre} ${fixed(value, meanDecimals({ decimals: group.decimals }))}${unitAfter(unit)}, ${symbol('n')} = ${group.n})`;
  }
  const s = group.summary;
  const mean = s?.mean ?? group.description?.mean;
  if (mean === undefined) return text`${group.name} (no readings)`;
  const decimals = meanDecimals(group);
  const sd = s ? `, SD ${fixed(Math.sqrt(s.variance), decimals)}${unitAfter(unit)}` : '';
  return text`${group.name} (mean ${fixed(mean, decimals)}${unitAfter(unit)}${sd}, ${symbol('n')} = ${group.n})`;
}

/** The sentences for the paper's results section. */
export function resultsSentence(answer: Answer, comparison: Comparison): Text {
  const about = wordsAbout(answer.question);
  if (about) return about.results(answer, comparison);
  const { question, groups } = answer;
  const { method, value } = choicesOf(question);
  const { level } = question;
  const unit = unitAfter(answer.unit);
  const what = sentenceCase(measureOf(answer));
  const [a, b] = groups;
  const [first] = comparison.tests;
  const settled = passes(comparison.p, level);
  const follow = comparison.follow?.ok ? apartClause(answer, comparison.follow.value, answer.unit) : [];
  const equivalent = equivalenceClause(answer, comparison);
  if (comparison.effect && first) {
    const { estimate, interval } = effectPhrases(comparison.effect, answer.unit, level);
    // What is printed as zero has no direction.
    const away = /[1-9]/.test(estimate.split(' ')[0] ?? '') ? comparison.effect.estimate : 0;
    const centre = centreWord(question);
    const told = method === 'ranks' ? 'ranks' : centre;
    const kind =
      method === 'ranks'
        ? 'shift'
        : centre === 'mean'
          ? 'difference'
          : question.design === 'paired'
            ? `${centre} difference`
            : `difference of ${centre}s`;
    const sided = question.direction === 'either' ? '' : 'two-sided ';
    const test = text`${question.direction === 'either' ? '' : 'one-sided '}${testPhrase(first)}`;
    const unshown = settled
      ? ''
      : question.direction === 'either'
        ? `; this does not show ${question.design === 'one-sample' ? `that it differs from ${valued(given(value), answer.unit)}` : value === 0 ? 'a difference' : `that the difference is other than ${valued(given(value), answer.unit)}`}`
        : `; this does not show that ${claimOf(answer)}`;
    const n = comparison.pairing?.pairs.length;
    const sdOfPairs =
      n !== undefined && kind === 'difference' && comparison.effect.se !== undefined
        ? comparison.effect.se * Math.sqrt(n)
        : undefined;
    const spread =
      sdOfPairs === undefined ? '' : ` (SD of the differences ${significant(sdOfPairs, 3)}${unitAfter(answer.unit)})`;
    const pInterval = first.pInterval ? ` (${percent(level)} CI of the sampled p ${between(first.pInterval, 4)})` : '';
    if (question.design === 'one-sample' && a) {
      const relation = away === 0 ? 'equal to' : away > 0 ? 'greater than' : 'less than';
      return text`${what} of ${groupClause(a, answer.unit, told)} was ${relation} ${valued(given(value), answer.unit)}: ${kind} ${estimate}, ${sided}${interval}; ${test}${sizesClause(comparison, level)}${unshown}.${equivalent}`;
    }
    if (a && b) {
      const relation = away === 0 ? 'the same on average' : away > 0 ? 'greater' : 'less';
      const than = away === 0 ? 'and' : 'than';
      return text`${what} was ${relation} in ${groupClause(a, answer.unit, told)} ${than} in ${groupClause(b, answer.unit, told)}: ${kind} ${estimate}${spread}, ${sided}${interval}; ${test}${pInterval}${sizesClause(comparison, level)}${unshown}.${equivalent}`;
    }
  }
  if (question.design === 'factorial' || question.design === 'mixed') {
    const sizes = comparison.sizes;
    const each = comparison.tests.map((t, i): Text => {
      const size = sizes[i];
      const eta = size?.ok
        ? text`, partial η² = ${fixed(size.value.value, 2)}${size.value.interval ? ` (${percent(level)} CI ${between(size.value.interval, 2)})` : ''}`
        : [];
      return text`${t.of ?? ''} ${testPhrase(t)}${eta}`;
    });
    const epsilon = comparison.epsilon ? text`; ε = ${fixed(comparison.epsilon.greenhouseGeisser, 2)}` : [];
    return text`${what}: ${joined(each, '; ')}${epsilon}.${follow}`;
  }
  const verb = settled ? 'differed' : 'was not shown to differ';
  const among = question.design === 'repeated' ? 'conditions' : 'groups';
  const pooled = comparison.pooledSd === undefined ? '' : `; pooled SD ${significant(comparison.pooledSd, 3)}${unit}`;
  const sphere = comparison.sphericity
    ? text` Sphericity: Mauchly’s ${symbol('W')} = ${fixed(comparison.sphericity.w, 2)}, ${symbol('p')} ${pRelation(comparison.sphericity.p)}.`
    : [];
  const epsilon = comparison.epsilon ? `; ε = ${fixed(comparison.epsilon.greenhouseGeisser, 2)}` : '';
  const used = comparison.complete
    ? ` in ${counted(comparison.complete.subjects.length, answer.subject || 'subject')}`
    : '';
  return text`${what} ${verb} among the ${groups.length} ${among}${used}: ${first ? testPhrase(first) : []}${sizesClause(comparison, level)}${pooled}${epsilon}. ${joined(
    groups.map((g) => groupClause(g, answer.unit, method === 'ranks' ? 'ranks' : 'mean')),
    '; ',
  )}.${follow}${sphere}`;
}
