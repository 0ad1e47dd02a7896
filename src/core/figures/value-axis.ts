/** The axis of values of a figure that stands upright. */
import { leastOf, mostOf } from '../numeric/extremes';
import { nice, ticks } from 'd3-array';
import { logTicks } from '../drawing/log-ticks';
import { extent } from '../drawing/scene';
import { textWidth } from '../drawing/text-width';
import { logTickLabel, tickLabels } from '../drawing/tick-labels';
import type { FigureStyle } from './figure-style';
import { significant } from '../words/numbers';

export interface ValueAxis {
  domain: [number, number];
  log: boolean;
  /** Room its numbers take. */
  numbers: number;
  remarks: string[];
}

/** What an axis must show, and how. */
export interface Shown {
  values: readonly number[];
  /** Lengths stand for values, so that the axis holds 0. */
  fromZero: boolean;
  /** A share: the axis ends at 1. */
  share?: boolean;
}

/** The widest an axis' numbers get. */
function widestNumber(domain: readonly [number, number], log: boolean, size: number): number {
  const labels = log ? logTicks(domain, 5).map(logTickLabel) : tickLabels(ticks(domain[0], domain[1], 5));
  return Math.max(...labels.map((l) => textWidth(l, size)), 0);
}

/**
 * The axis as asked for, as far as it stays honest: it holds everything shown, a length starts at 0, and a logarithmic
 * axis has no place for 0 or below. Where it cannot be as asked, a remark says why.
 */
export function valueAxis({ values, fromZero, share }: Shown, style: FigureStyle, size: number): ValueAxis {
  const remarks: string[] = [];
  const rules = (style.rules ?? []).map((r) => r.at);
  const held = [...values, ...rules];
  const below = held.filter((x) => x <= 0).length;
  const log = style.log === true && below === 0 && !fromZero;
  if (style.log && fromZero)
    remarks.push('A column’s length has no meaning on a logarithmic axis, which has no 0: draw the means as points.');
  else if (style.log && below > 0)
    remarks.push(
      `A logarithmic axis has no place for 0 or below, and ${below === 1 ? 'one value is' : `${below} values are`}: the axis stays linear.`,
    );
  const { from, to } = style;
  const fromAbove0 = fromZero && from !== undefined && from > 0;
  if (fromAbove0)
    remarks.push(
      'Columns start at 0, for their length stands for the value: draw the means as points to start elsewhere.',
    );
  const [lowest, highest] = [leastOf(held), mostOf(held)];
  if ((from !== undefined && from > lowest && !fromAbove0) || (to !== undefined && to < highest))
    remarks.push(
      `The axis reaches from ${significant(lowest, 4)} to ${significant(highest, 4)} at least, so that nothing shown is cut off.`,
    );
  if (log) {
    if (from !== undefined && from <= 0) remarks.push('A logarithmic axis has no 0: it starts above it.');
    const low = Math.min(lowest, from !== undefined && from > 0 ? from : Infinity);
    const high = Math.max(highest, to ?? -Infinity);
    const room = Math.max(1.1, (high / low) ** 0.05);
    const domain: [number, number] = [low / room, high * room];
    return { domain, log, numbers: widestNumber(domain, true, size), remarks };
  }
  const [least, most] = extent(fromZero ? [0, ...held] : held, fromZero ? 0 : 0.05);
  const low = Math.min(from ?? Infinity, from === undefined || from > lowest ? least : Infinity);
  const high = Math.max(to ?? -Infinity, to === undefined || to < highest ? most : -Infinity);
  const rounded = share ? ([0, 1] as const) : nice(low, high, 5);
  const domain: [number, number] = [low === from && !fromAbove0 ? low : rounded[0], high === to ? high : rounded[1]];
  return { domain, log, numbers: widestNumber(domain, false, size), remarks };
}
