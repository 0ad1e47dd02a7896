import { leastOf } from '../numeric/extremes';
import type { Answer } from '../answer/answer';
import type { FollowUpPart } from '../answer/comparison';
import { choicesOf } from '../question/choices';
import { followNames } from './follow-names';
import { degreesOfFreedom, fixed, pRelation } from './numbers';
import { effectPhrases } from './phrases';
import { type Text, joined, symbol, text } from './text';

/** Comparisons told one by one in a sentence; more are counted. */
const most = 12;

/** Rounded down, so that none is below it. */
const floored = (p: number): string => (Math.floor(p * 1000 + 1e-9) / 1000).toFixed(3).replace(/0$/, '');

/** The comparisons that told groups apart, each with its difference or ratio, interval and p. */
export function significantClause({ question }: Answer, parts: readonly FollowUpPart[], unit: string): Text {
  const { follow, method, compare } = choicesOf(question);
  const all = parts.flatMap((part) => part.effects.map((e) => ({ ...e, within: part.within })));
  const significant = all.filter((e) => e.significant);
  const adjusted = follow === 'unadjusted' ? '' : 'adjusted ';
  const [trend] = all;
  if (!trend) return [];
  if (compare === 'trend' && method !== 'ranks') {
    const { estimate, interval } = effectPhrases(trend, unit, question.level);
    const shown = trend.significant ? 'differed' : 'was not shown to differ';
    return text` The ${trend.name} ${shown} from ${trend.ratio ? '1' : 'zero'}: ${estimate}, ${interval}; ${trend.statistic ? text`${symbol('t')}${trend.df === undefined ? '' : `(${degreesOfFreedom(trend.df)})`} = ${fixed(trend.statistic.value, 2)}, ` : []}${symbol('p')} ${pRelation(trend.p)}.`;
  }
  if (significant.length === 0)
    return text` ${question.within === 'interaction' ? 'No such difference differed from another' : 'No groups differed'} (${followNames[follow]}, all ${adjusted}${symbol('p')} ≥ ${floored(leastOf(all.map((e) => e.p)))}).`;
  const each = significant.slice(0, most).map((e): Text => {
    const { estimate, interval } = effectPhrases(e, method === 'ranks' ? '' : unit, question.level);
    return text`${e.name}${e.within === undefined ? '' : ` in ${e.within}`} ${method === 'ranks' ? `${estimate} mean ranks` : estimate}${interval ? `, ${interval}` : ''}, ${adjusted}${symbol('p')} ${pRelation(e.p)}`;
  });
  const rest = significant.length > most ? `; and ${significant.length - most} more` : '';
  return text` These differed (${followNames[follow]}): ${joined(each, '; ')}${rest}.`;
}
