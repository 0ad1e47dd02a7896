import type { Answer } from '../answer/answer';
import type { Comparison } from '../answer/comparison';
import { passes } from '../procedures/interval';
import { tellsRatios } from '../question/choices';
import { between, given, intervalDecimals, pRelation, percent } from './numbers';
import { unitAfter, valued } from './sentences';
import { type Text, symbol, text } from './text';

/** Whether the difference lies within the bounds that do not matter. */
export function equivalenceClause(answer: Answer, comparison: Comparison): Text {
  const { bounds, level } = answer.question;
  const unit = tellsRatios(answer.question) ? '' : answer.unit;
  if (!bounds || !comparison.equivalence?.ok) return [];
  const { p, interval } = comparison.equivalence.value;
  const within = valued(`${given(bounds.low)} to ${given(bounds.high)}`, unit);
  const decimals = intervalDecimals(interval);
  const inner = percent(2 * level - 1);
  return passes(p, level)
    ? text` The ${inner} interval, ${between(interval, decimals)}${unitAfter(unit)}, lies within ${within}: equivalent within that margin, by two one-sided tests, ${symbol('p')} ${pRelation(p)}.`
    : text` The ${inner} interval, ${between(interval, decimals)}${unitAfter(unit)}, does not lie within ${within}, so they are not shown to be equivalent (two one-sided tests, ${symbol('p')} ${pRelation(p)}).`;
}
