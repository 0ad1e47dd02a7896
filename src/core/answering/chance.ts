/** What of an answer chance alone could bring: what would be shuffled, and what drawn again. */
import { analysisOf } from '../analyses/registry';
import type { Answer } from '../answer/answer';
import { hasBelow } from '../answer/limits';
import type { Chance } from '../answer/chance';
import { DomainError } from '../numeric/domain-error';
import { type Shuffling, observedOf, oneTailed } from '../procedures/shuffling';
import { choicesOf } from '../question/choices';
import { withUnit } from '../readings/table';

function shuffling(answer: Answer): Shuffling {
  const { permuted } = analysisOf(answer.question);
  if (!permuted) throw new DomainError('Nothing about this question can be permuted.');
  return permuted(answer);
}

/** Whether labels or signs can be permuted, and whether readings can be drawn again. */
export function chancesOf({ question, reported, groups }: Answer): { permuting: boolean; drawing: boolean } {
  const { permuted, drawnFrom } = analysisOf(question);
  const numbered = !reported && !hasBelow(groups);
  return { permuting: numbered && permuted !== undefined, drawing: numbered && drawnFrom !== undefined };
}

const named = ({ groups }: Answer): Chance['groups'] => groups.map(({ name, colour }) => ({ name, colour }));
function orderOf({ groups: [a, b], question }: Answer): string {
  const { value } = choicesOf(question);
  const beyondIt = value === 0 ? '' : ` less ${value}`.replace('-', '−');
  if (!b) return a?.name ?? '';
  return `${a?.name ?? ''} minus ${b.name}${question.about === 'value' ? beyondIt : ''}`;
}

/** Where ratios are told, what is shuffled or drawn are the logarithms. */
const ofLogarithms = (answer: Answer): Answer =>
  answer.logs ? { ...answer.logs, measure: `logarithm of ${answer.measure || 'the reading'}`, unit: '' } : answer;

/** What permuted labels, or flipped signs, would bring. @throws DomainError when there is nothing to shuffle */
export function chanceOf(given: Answer): Chance {
  const answer = ofLogarithms(given);
  const what = shuffling(answer);
  if (!Number.isFinite(observedOf(what)))
    throw new DomainError(
      'Within the groups there is no spread, so this statistic has no end and no place on an axis: permute the means.',
    );
  const counts = answer.comparison.ok ? answer.comparison.value.counts : undefined;
  return {
    what,
    tail: oneTailed(what) ? 'greater' : answer.question.direction,
    groups: counts ? counts.rows.map((name, i) => ({ name, colour: answer.groups[i]?.colour ?? i })) : named(answer),
    outcomes: answer.question.about === 'share' ? [answer.measure, `not ${answer.measure}`] : (counts?.columns ?? []),
    // The statistic permuted is the classical F, also where the answer lets spreads differ.
    order:
      what.statistic === 'F'
        ? answer.question.spread === 'separate'
          ? 'classical F'
          : 'F'
        : what.statistic === 'chi-square'
          ? 'χ²'
          : orderOf(answer),
    measure: counts ? '' : withUnit(answer.measure || 'reading', answer.unit),
    unit: what.statistic === 't' || what.kind === 'counts' || what.statistic === 'F' ? '' : answer.unit,
  };
}

/** What drawing the readings again would bring: how far the estimate may stray. @throws DomainError without readings */
export function strayOf(given: Answer): Chance {
  const answer = ofLogarithms(given);
  const { question } = answer;
  const { statistic } = choicesOf(question);
  const { drawnFrom } = analysisOf(question);
  if (!drawnFrom) throw new DomainError('Nothing of this question can be drawn again.');
  const { groups, names } = drawnFrom(answer);
  return {
    what: { kind: 'resample', groups, statistic: statistic === 't' ? 'mean' : statistic },
    tail: 'either',
    groups: names.map(({ name, colour }) => ({ name, colour })),
    outcomes: [],
    order: orderOf(answer),
    unit: answer.unit,
    measure: withUnit(answer.measure || 'reading', answer.unit),
  };
}
