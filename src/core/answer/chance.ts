/** What of an answer chance alone could bring: what would be shuffled, and what drawn again. */
import { DomainError } from '../numeric/domain-error';
import type { Direction } from '../procedures/direction';
import { type Shuffling, observedOf, oneTailed } from '../procedures/shuffling';
import { choicesOf } from '../question/choices';
import { withUnit } from '../readings/table';
import type { Answer } from './answer';
import { demandReadings } from './group-part';
import { shufflingOfSeveral } from './several';
import { beyond, differencesOf, shufflingOfPairs, shufflingOfTwo } from './two-groups';

export interface Chance {
  what: Shuffling;
  /** The tail that counts; a statistic that only grows has one. */
  tail: Direction;
  /** The groups by name and colour, in the order of what is arranged. */
  groups: { name: string; colour: number }[];
  /** Outcomes of counts. */
  outcomes: string[];
  /** What the statistic is of: "Red lamp minus White lamp". */
  order: string;
  unit: string;
  /** What was measured, with its unit; empty for counts. */
  measure: string;
}

function shuffling(answer: Answer): Shuffling {
  const { question, groups, comparison } = answer;
  if (question.about !== undefined) {
    const counts = comparison.ok ? comparison.value.counts : undefined;
    if (!counts) throw new DomainError(comparison.ok ? 'There are no counts to shuffle.' : comparison.reason);
    const two = question.about === 'share' && question.design === 'two-groups';
    return { kind: 'counts', table: counts.observed, statistic: two ? 'share' : 'chi-square' };
  }
  switch (question.design) {
    case 'two-groups': {
      const [x = [], y = []] = demandReadings(groups, 'Shuffling labels');
      return shufflingOfTwo(question, x, y);
    }
    case 'paired': {
      if (!comparison.ok) throw new DomainError(comparison.reason);
      const { pairing } = comparison.value;
      const { value } = choicesOf(question);
      return shufflingOfPairs(question, pairing ? beyond(differencesOf(pairing), value) : []);
    }
    default:
      return shufflingOfSeveral(demandReadings(groups, 'Shuffling labels'));
  }
}

const named = ({ groups }: Answer): Chance['groups'] => groups.map(({ name, colour }) => ({ name, colour }));
function orderOf({ groups: [a, b], question }: Answer): string {
  const { value } = choicesOf(question);
  const beyondIt = value === 0 ? '' : ` less ${value}`.replace('-', '−');
  return `${a?.name ?? ''} minus ${b?.name ?? ''}${question.about === undefined ? beyondIt : ''}`;
}

/** What permuted labels, or flipped signs, would bring. @throws DomainError when there is nothing to shuffle */
export function chanceOf(answer: Answer): Chance {
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
export function strayOf(answer: Answer): Chance {
  const { question, groups, comparison } = answer;
  const { statistic } = choicesOf(question);
  const centre = statistic === 't' ? 'mean' : statistic;
  const drawn =
    question.design === 'paired' && comparison.ok && comparison.value.pairing
      ? [differencesOf(comparison.value.pairing)]
      : demandReadings(groups, 'Drawing again');
  return {
    what: { kind: 'resample', groups: drawn, statistic: centre },
    tail: 'either',
    groups: question.design === 'paired' ? [{ name: 'differences', colour: groups[0]?.colour ?? 0 }] : named(answer),
    outcomes: [],
    order: question.design === 'one-sample' ? (groups[0]?.name ?? '') : orderOf(answer),
    unit: answer.unit,
    measure: withUnit(answer.measure || 'reading', answer.unit),
  };
}
