/** A figure's legend: what its marks and bars are, n of each group, the test, and how comparisons are shown. */
import type { Answer } from '../answer/answer';
import { changesOf } from '../scenes/changes-look';
import { cellsOf } from '../answer/ratios';
import { inTableOrder, ordered } from '../answer/in-order';
import { intervalNames } from '../answer/shares';
import { choicesOf } from '../question/choices';
import { withUnit } from '../readings/table';
import { factsOf } from '../analyses/kinds';
import { analysisOf } from '../analyses/registry';
import { followNames } from '../words/follow-names';
import { headline } from '../telling/headline';
import { methodOf } from '../telling/method';
import { atAlpha, counted, percent, plural } from '../words/numbers';
import { testPhrase } from '../words/phrases';
import { asideClause, countsEach, measureOf } from '../words/measured';
import { subtraction } from '../words/two';
import { sentenceCase, withinSentence } from '../words/sentences';
import { countOf, countedClause } from '../words/counts';
import { type Text, joined, symbol, text } from '../words/text';
import { barWords } from './error-bars';
import type { FigureKind, FigureStyle } from './figure-style';
import { kindOf } from './kinds';
import { renamed } from './renamed';

type Drawing = Pick<
  FigureStyle,
  'kind' | 'marks' | 'bars' | 'readings' | 'bracketsFor' | 'pAs' | 'looks' | 'order' | 'changeFrom'
>;

/** n of each group or cell. */
function sizes(answer: Answer, { order }: Drawing): Text {
  const parts = answer.layout ? cellsOf(answer) : ordered(inTableOrder(answer, answer.groups), (g) => g.id, order);
  return joined(
    parts.map(({ name, n, samples }): Text =>
      samples
        ? text`${name} ${symbol('n')} = ${counted(samples.count, samples.name)} with ${counted(n, 'reading')}`
        : text`${name} ${symbol('n')} = ${n}`,
    ),
    answer.layout ? '; ' : ', ',
  );
}

/** What follows within a sentence. */
const begunSmall = ([first, ...rest]: Text): Text =>
  typeof first === 'string' ? [withinSentence(first), ...rest] : first ? [first, ...rest] : [];

/** The difference with its interval, and the test. */
function result(answer: Answer): Text {
  if (!answer.comparison.ok) return [];
  const { effect, tests } = answer.comparison.value;
  const top = headline(answer, answer.comparison.value);
  if (tests.length > 1)
    return text` ${methodOf(answer)}: ${joined(
      tests.map((t): Text => text`${t.of ?? ''} ${testPhrase(t)}`),
      '; ',
    )}.`;
  if (effect && tests.length === 0) return text` ${sentenceCase(effect.name)}: ${top.estimate}, ${top.interval}.`;
  return effect
    ? text` ${subtraction(answer)}: ${top.estimate}, ${top.interval}; ${begunSmall(top.test)}.`
    : text` ${top.test}.`;
}

/** How brackets or letters are to be read. */
function comparedClause(answer: Answer, style: Drawing, compared: 'brackets' | 'letters' | 'none'): string {
  if (!answer.comparison.ok || compared === 'none') return '';
  const method = followNames[choicesOf(answer.question).follow];
  const follows = answer.comparison.value.effect === undefined;
  if (compared === 'letters') return ` Groups that share a letter do not differ significantly (${method}).`;
  const of = style.bracketsFor === 'all' || !follows ? '' : ' that differ significantly';
  const how = style.pAs === 'asterisks' ? ' (* p < 0.05, ** p < 0.01, *** p < 0.001)' : ' with their p';
  return follows
    ? ` Brackets mark comparisons${of}${how} (${method}).`
    : style.pAs === 'asterisks'
      ? ` The bracket marks the comparison${how}.`
      : '';
}

/** What a small symbol stands for. */
const singles = (answer: Answer): string =>
  answer.averaged
    ? `the means of single ${plural(answer.subject || 'subject')}`
    : `single ${countsEach(answer) || answer.groups.some((g) => g.samples) ? 'readings' : plural(answer.subject)}`;

const ofReadings = (answer: Answer, style: Drawing, kind: FigureKind): Text => {
  const of = sentenceCase(withUnit(measureOf(answer), answer.unit));
  const byMeans = answer.comparison.ok && answer.comparison.value.model?.byMeans;
  const adjusted = answer.groups.some((g) => g.adjusted) ? 'adjusted ' : '';
  const own = answer.reported
    ? 'from the means, SDs and n reported'
    : (answer.logs ?? answer).groups.some((g) => g.se !== undefined) && style.bars !== 'sd'
      ? byMeans
        ? `from the means of the ${plural(answer.subject || 'sample')}`
        : choicesOf(answer.question).method === 'z'
          ? `from the known SD${answer.groups.length > 1 ? 's' : ''}`
          : answer.covariate !== undefined
            ? 'of the analysis of covariance'
            : choicesOf(answer.question).method === 'mixed-model' || answer.block === undefined
              ? 'of the mixed model'
              : 'of the analysis of variance with blocks'
      : 'from each group’s own readings';
  const geometric = answer.logs !== undefined;
  // A mean by likelihood has no error of its own readings.
  const bare = answer.groups.some((g) => g.below) && style.bars !== 'sd';
  const bars = bare
    ? 'without error bars'
    : `error bars ${barWords(style.bars, answer.question.level, geometric)} ${own}`;
  const means = `${adjusted}${geometric ? 'geometric means' : 'means'}`;
  const points =
    style.readings && !answer.reported
      ? `${answer.groups.some((g) => g.below) ? '; hollow symbols stand at the limit of detection they lie below' : ''}; small symbols are ${singles(answer)}`
      : '';
  switch (kind) {
    case 'boxes':
      return text`${of} by group. Boxes are quartiles with the median, whiskers reach to the last reading within 1.5 interquartile ranges${style.readings ? points : '; symbols are readings beyond'}.`;
    case 'lines':
      return text`${of}: lines join the readings of each ${answer.subject || 'subject'}. Large symbols are ${means}, ${bars}.`;
    case 'interaction':
      return text`${of}: large symbols are ${geometric ? 'geometric ' : ''}cell means, joined, ${bars}${points}.`;
    default:
      return text`${of} by group. ${style.marks === 'columns' ? 'Columns' : 'Large symbols'} are ${means}, ${bars}${points}.`;
  }
};

/** The groups as rows with what differs beside them. */
function besideClause(answer: Answer): Text {
  const { question, comparison, subject } = answer;
  const level = percent(question.level);
  const found = comparison.ok ? comparison.value : undefined;
  const interval = `${level} ${question.about === 'share' ? '' : 'confidence '}interval`;
  const line = 'against the line of no difference';
  const differs = answer.logs || found?.effect?.ratio ? 'ratio' : 'difference';
  const differences = found?.effect
    ? `the ${differs} with its ${interval} ${line}`
    : `${plural(differs)} with ${plural(interval)} ${line}`;
  if (question.about === 'share')
    return text`Share of ${answer.measure || 'those found'} by group with ${level} ${intervalNames[choicesOf(question).shareInterval]} intervals; beside them ${differences}.`;
  const aside = answer.groups.some((g) => g.readings.aside.some((r) => r.value !== undefined));
  const means = answer.logs ? 'geometric means' : 'means';
  const large = answer.layout ? 'cell means, joined' : `${means} with ${level} confidence intervals`;
  const joined = factsOf(question).within || found?.pairing ? `, those of each ${subject || 'subject'} joined` : '';
  const samples = found?.model?.samples
    ? `, hollow ones the means of each ${answer.groups[0]?.samples?.name ?? 'sample'}`
    : '';
  const limits = answer.groups.some((g) => g.below) ? ', hollow ones at the limit of detection readings below it' : '';
  const blocks = found?.blocks ? `, each ${answer.block ?? 'block'} in a shape of its own with its means joined` : '';
  return text`${sentenceCase(withUnit(measureOf(answer), answer.unit))} by group: small symbols are ${singles(answer)}${limits}${joined}${blocks}${samples}, large symbols ${large}${aside ? ', hollow ones below them readings set aside' : ''}; beside them ${differences}.`;
}

/** What the marks of a figure are. */
function marksClause(answer: Answer, style: Drawing, kind: Exclude<FigureKind, 'tiles'>): Text {
  const { question } = answer;
  const level = percent(question.level);
  switch (kind) {
    case 'shares':
      return text`Share of ${answer.measure || 'those found'} by group. ${style.marks === 'columns' ? 'Columns' : 'Symbols'} are shares, error bars ${level} ${intervalNames[choicesOf(question).shareInterval]} intervals. ${answer.groups.map((g) => `${g.name} ${countOf(g)}`).join('; ')}.`;
    case 'stacked':
      return text`Shares of ${answer.measure || 'each category'} within each ${answer.rowName ?? 'group'}. Error bars are ${level} ${intervalNames[choicesOf(question).shareInterval]} intervals of the share up to each border.`;
    case 'differences':
      return text`${answer.logs ? 'Ratios of geometric means' : 'Differences'} with ${level} confidence intervals against the line of no difference${answer.comparison.ok && answer.comparison.value.effect ? '' : '; those that differ significantly are filled'}.`;
    case 'distribution':
      return text`What the statistic would do without an effect; the rejection region ${atAlpha(question.level)} is shaded, and the statistic observed is marked.`;
    case 'histograms':
      return text`${sentenceCase(withUnit(measureOf(answer), answer.unit))}: how many readings of each group lie between the borders of each bar.`;
    case 'quantiles':
      return text`Readings of ${withinSentence(measureOf(answer))} in order against those expected of a normal sample; the shaded band holds 95 % of such samples.`;
    case 'changes': {
      const changes = changesOf(answer, style.changeFrom);
      return text`${sentenceCase(withUnit(measureOf(answer), answer.unit))}: ${changes?.ratio ? 'how many times as much as under' : 'change from'} ${changes?.base.name ?? 'the first'}; small symbols are single ${plural(answer.subject || 'subject')}, large symbols ${changes?.ratio ? 'geometric means' : 'means'} with ${level} confidence intervals, each by itself.`;
    }
    case 'covariate':
      return text`${sentenceCase(withUnit(measureOf(answer), answer.unit))} against ${answer.covariate ?? 'the covariate'}: symbols are ${answer.averaged ? 'means of single' : 'single'} ${answer.subject ? plural(answer.subject) : 'readings'}, lines have one slope in all groups, large symbols are adjusted means where they are read.`;
    case 'beside':
      return besideClause(answer);
    default:
      return ofReadings(answer, style, kind);
  }
}

/**
 * The legend of an answer's figure.
 * @param compared how comparisons are shown in it; as letters where they have any, unless told
 */
export function figureLegend(given: Answer, style: Drawing, compared?: 'brackets' | 'letters' | 'none'): Text {
  const answer = renamed(given, style);
  const kind = kindOf(answer, style);
  const { legend } = analysisOf(answer.question).words;
  if (legend && (kind === 'tiles' || compared === undefined)) return legend(answer);
  const found = answer.comparison.ok ? answer.comparison.value : undefined;
  const lettered = found?.follow?.ok && found.follow.value[0]?.letters !== undefined;
  const marks = kind === 'tiles' ? [] : text`${marksClause(answer, style, kind)} ${sizes(answer, style)}.`;
  return text`${marks}${result(answer)}${comparedClause(answer, style, compared ?? (lettered ? 'letters' : 'none'))}${answer.counted ? countedClause(answer) : asideClause(answer.groups)}`;
}
