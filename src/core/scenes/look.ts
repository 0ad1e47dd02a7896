import { passes } from '../procedures/interval';
import type { Answer } from '../answer/answer';
import type { FollowUpPart } from '../answer/comparison';
import { choicesOf } from '../question/choices';
import { withUnit } from '../readings/table';
import { between, effectDecimals, fixed, percent } from '../words/numbers';
import { subtraction } from '../words/two';
import { roomBelow } from './axis-title';
import { type Frame, groupRows, statedMarks } from './group-rows';
import { lookOfSubject } from './look-subjects';
import { type Rung, ladder, mostRungs, singleEffect } from './ladder';
import type { Mark, Panel, Scene } from './scene';
import { twoWayRows } from './two-way-rows';

const fontSize = 13;

/** More subjects than this are not joined by lines: they would be a smear. */
const mostLines = 300;

const between0And = (least: number, x: number, most: number): number => Math.min(most, Math.max(least, x));

/** The comparisons as rungs, in the order asked for: as given, or by size. */
export function rungsOf(parts: readonly FollowUpPart[], level: number, sorted: boolean): Rung[] {
  return parts.flatMap((part) => {
    const effects = sorted ? [...part.effects].sort((x, y) => y.estimate - x.estimate) : part.effects;
    return effects.map((e, i): Rung => ({
      ...e,
      apart: passes(e.p, level),
      ...(i === 0 && part.within !== undefined ? { heading: part.within } : {}),
    }));
  });
}

/** Lines that join readings of one subject from row to row. */
function subjectLines(rows: readonly (readonly number[])[]): Mark[] {
  if (rows.length > mostLines) return [];
  return rows.map((values): Mark => ({
    mark: 'path',
    points: values.map((v, i) => [v, i - 0.02] as const),
    ink: 'line',
    weight: 1.2,
    name: 'pair',
  }));
}

/**
 * The picture of an answer: every reading as a point by group on one axis, mean and interval under them; beside it, on
 * an axis of its own, what differs by how much, against the divide line.
 * @param stacked shows a table of counts as shares of its rows
 * @param sorted whether several differences stand by size instead of in the order of the groups
 */
export function lookScene(answer: Answer, width: number, sorted = false, stacked = false): Scene {
  const { groups, comparison, question, unit } = answer;
  const { value, method } = choicesOf(question);
  const found = comparison.ok ? comparison.value : undefined;
  const twoWay = question.design === 'factorial' || question.design === 'mixed';
  const parts = found?.follow?.ok ? found.follow.value : [];
  const rungs = rungsOf(parts, question.level, sorted);
  if (question.about) return lookOfSubject(answer, width, rungs, stacked);
  const rows = !twoWay
    ? Math.max(1, groups.length)
    : ((question.design === 'mixed' ? answer.layout?.b : answer.layout?.a)?.levels.length ?? 2);
  const wanted = found?.effect ? 170 : Math.max(rows * 44, Math.min(rungs.length, mostRungs) * 30 + parts.length * 16);
  const plotHeight = between0And(170, wanted, 430);
  const top = 26;
  const beside = found !== undefined && (found.effect !== undefined || rungs.length > 0);
  const effectWidth = beside ? Math.round(width * (found.effect ? 0.36 : 0.42)) : 0;
  // Room for half of the first tick's label, and for the markers of the names.
  const left = 26;
  const frame: Frame = { left, top, width: width - effectWidth - left - (beside ? 36 : 20), height: plotHeight };
  const look: Panel = twoWay
    ? twoWayRows(answer, frame)
    : groupRows(answer, frame, question.design === 'one-sample' ? [value] : []);
  if (question.design === 'one-sample') look.marks.unshift(...statedMarks(value, `${value}${unit ? ` ${unit}` : ''}`));
  // Partners are joined by a line: what pairs share drops out of the difference.
  if (found?.pairing) look.marks.unshift(...subjectLines(found.pairing.pairs.map(({ a, b }) => [a.value, b.value])));
  else if (found?.complete && question.design === 'repeated') look.marks.unshift(...subjectLines(found.complete.rows));
  const panels = [look];
  let alt = twoWay
    ? `Readings of ${answer.measure || 'the measure'} by two factors, cell means joined.`
    : `Readings of ${answer.measure || 'the measure'} by group: ${groups
        .map((g) => {
          const mean = g.description?.mean ?? g.summary?.mean;
          return mean === undefined ? `${g.name}, none` : `${g.name}, ${g.n} readings, mean ${fixed(mean, 2)}`;
        })
        .join('; ')}.`;
  if (beside) {
    const right: Frame = { left: width - effectWidth, top, width: effectWidth - 12, height: plotHeight };
    if (found.effect) {
      const { effect } = found;
      panels.push(singleEffect(effect, right, unit, question.design === 'one-sample' ? 0 : value, question.bounds));
      if (effect.interval && Number.isFinite(effect.interval.high - effect.interval.low)) {
        const decimals = effectDecimals(effect);
        alt += ` ${subtraction(answer)}: ${fixed(effect.estimate, decimals)} (${between(effect.interval, decimals)}) ${unit}, ${percent(question.level)} interval, drawn against the line of no difference.`;
      }
    } else {
      const title = method === 'ranks' ? 'difference of mean ranks' : withUnit('difference', unit);
      panels.push(ladder(rungs, right, title));
      const apart = rungs.filter((r) => r.apart).length;
      alt += ` Beside it ${Math.min(rungs.length, mostRungs)} differences with their intervals against the line of no difference; ${apart} of ${rungs.length} lie apart from it.`;
    }
  }
  return { width, height: top + plotHeight + roomBelow(panels, fontSize), fontSize, lineWeight: 1, panels, alt };
}
