/** Words about what chance alone brings: the idea, told with the study's own names. */
import type { Chance } from '../answer/chance';
import type { Cut, Gathered } from '../procedures/gathered';
import type { Bootstrap } from '../procedures/bootstrap';
import { type ShuffleTest, sampledPInterval } from '../procedures/shuffle-means';
import { atAlpha, between, fixed, intervalDecimals, pRelation, percent, plural, significant } from './numbers';
import { listed, unitAfter } from './sentences';
import { type Text, symbol, text } from './text';
import { nth } from '../numeric/nth';

const statisticNames = {
  mean: 'difference of means',
  median: 'difference of medians',
  trimmed: 'difference of trimmed means',
  t: 't',
  F: 'F',
  share: 'difference of shares',
  'chi-square': 'χ²',
} as const;

/** What is looked at, arrangement after arrangement. */
export function statisticName({ what }: Pick<Chance, 'what'>): string {
  const single = what.kind === 'signs' || (what.kind === 'resample' && what.groups.length === 1);
  if (single && what.statistic !== 't')
    return (
      { mean: 'mean', median: 'median', trimmed: 'trimmed mean' }[what.statistic] +
      (what.kind === 'signs' ? ' of the differences' : '')
    );
  return statisticNames[what.statistic];
}

/** The axis of the picture. */
export const chanceAxis = (chance: Chance): string =>
  `${statisticName(chance)}${chance.unit && ` (${chance.unit})`}, ${
    {
      labels: 'labels shuffled',
      signs: 'signs shuffled',
      counts: 'labels shuffled',
      resample: 'readings drawn again',
    }[chance.what.kind]
  }`;

/** The idea in a sentence or two. @param subject what counts once: "plant" */
export function chanceIdea({ what, groups, outcomes }: Chance, subject: string): string {
  const names = listed(groups.map((g) => g.name));
  const one = subject || 'reading';
  switch (what.kind) {
    case 'labels':
      return `If it made no difference which group a ${one} is in, each reading could as well have stood under another of the labels ${names}. So the labels are shuffled: the readings stay as they are, and the ${statisticNames[what.statistic]} has the null distribution that permutation gives.`;
    case 'signs':
      return `If it made no difference which of the two a reading came from, each difference could as well have had the other sign. So signs are flipped as by a coin, and the differences have the null distribution that permutation gives.`;
    case 'counts':
      return `If it made no difference which group a ${one} is in, ${outcomes.length === 2 ? `those that were ${nth(outcomes, 0)}` : 'what was found'} would fall to ${names} by chance. So the labels are shuffled: how many there are of each stays as it is.`;
    case 'resample':
      return `The readings are the best picture there is of where they came from. So as many are drawn again from them, each time putting back what was drawn: how far the ${statisticName({ what })} strays from drawing to drawing is how far an estimate from so many readings may stray.`;
  }
}

/** Of fewer shuffles than this p says next to nothing. */
export const fewestTold = 20;

/** How many reach as far, and the p that makes, with what sampling leaves open. */
export function chanceResult(chance: Chance, gathered: Gathered, level: number): Text {
  const { n, counts } = gathered;
  const { tail } = chance;
  const far = counts[tail];
  const { low, high } = sampledPInterval(far, n, level);
  if (n < fewestTold)
    return text`${far} of ${n} ${n === 1 ? 'shuffle' : 'shuffles'} came as far out as the one observed: too few to say.`;
  return text`${far.toLocaleString('en')} of ${n.toLocaleString('en')} shuffles came as far out as the one observed${tail === 'either' ? ', on either side' : ''}: ${symbol('p')} ${pRelation(gathered.p(tail))}${n > 1 ? ` (${percent(level)} CI for so many shuffles ${between({ low, high }, 4)})` : ''}.`;
}

/** The cut-off and what lies beyond it, and the standard error. */
export function chanceCut(chance: Chance, gathered: Gathered, cut: Cut | undefined, level: number): string {
  const unit = unitAfter(chance.unit);
  // A difference lies so many of them from none; F and χ² have no such place.
  const differs = chance.what.kind === 'signs' || (chance.what.kind === 'labels' && chance.groups.length === 2);
  const inUnits =
    differs && gathered.se > 0 ? `, of which the one observed is ${fixed(gathered.observed / gathered.se, 2)}` : '';
  const se =
    gathered.n > 1 && Number.isFinite(gathered.se)
      ? `Standard error, the SD of the null distribution: ${significant(gathered.se, 4)}${unit}${inUnits}. `
      : '';
  if (!cut) return `${se}For a cut-off ${atAlpha(level)} more shuffles are needed.`;
  const at = significant(chance.tail === 'either' ? Math.abs(cut.at) : cut.at, 4);
  const where = chance.tail === 'either' ? `±${at}${unit}` : `${at}${unit}`;
  return `${se}Cut-off ${atAlpha(level)}: ${where}; ${fixed(100 * cut.beyond, 2)} % of the shuffles lie beyond it.`;
}

/** What the readings shown come to: as observed, or as the last arrangement has them. */
export const shownResult = (chance: Chance, observed: number, number: number, permuted: number | undefined): string =>
  permuted === undefined
    ? `As observed: ${statisticName(chance)} ${significant(observed, 4)}${unitAfter(chance.unit)}`
    : `${chance.what.kind === 'resample' ? 'Drawing' : 'Shuffle'} ${number.toLocaleString('en')}: ${statisticName(chance)} ${significant(permuted, 4)}${unitAfter(chance.unit)}`;

/** What counting every arrangement gives. */
export const exactResult = ({ tail }: Chance, exact: ShuffleTest): Text =>
  text`Counted, not drawn: of all ${Number.isFinite(exact.arrangements) && exact.arrangements < 1e15 ? exact.arrangements.toLocaleString('en') : 'their'} arrangements, ${symbol('p')} ${pRelation(exact.p[tail])}.`;

/** How far the estimate strays, and the intervals that gives. */
export function strayResult(
  chance: Chance,
  gathered: Gathered,
  found: Bootstrap | undefined,
  level: number,
  enough: number,
): string {
  const unit = unitAfter(chance.unit);
  const se = `Standard error, from ${gathered.n.toLocaleString('en')} drawings: ${significant(gathered.se, 4)}${unit}.`;
  if (!found)
    return gathered.n < enough
      ? `${gathered.n > 1 ? se : ''} Intervals are read off from ${enough.toLocaleString('en')} drawings on.`
      : se;
  const decimals = intervalDecimals(found.percentile);
  const bca = found.bca ? `, and corrected for bias and skewness (BCa) ${between(found.bca, decimals)}${unit}` : '';
  return `${se} ${percent(level)} bootstrap interval of the ${statisticName(chance)}: ${between(found.percentile, decimals)}${unit} by percentiles${bca}.`;
}

/** "50 readings" and the like, for what is too many to be shown one by one. */
export const tooMany = (n: number, subject: string): string =>
  `${n.toLocaleString('en')} ${plural(subject || 'reading')}: too many to follow one by one, so only what they come to is shown.`;
