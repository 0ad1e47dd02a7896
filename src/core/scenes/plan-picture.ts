/** Power over the number taken and over the difference to be found, each with the point the plan stands at. */
import { nth } from '../numeric/nth';
import { type Plan, isUneven, powerAt, totalOf } from '../planning/plan';
import { powerPercent } from '../words/numbers';
import { dot, label, path, rule } from '../drawing/marks';
import type { Mark, Panel, Scene } from '../drawing/scene';
import { pageFontSize } from '../drawing/scene';

const steps = 48;

/** The curve of one panel, its point, and the power wanted. */
function panel(
  frame: { left: number; top: number; width: number; height: number },
  title: string,
  curve: readonly (readonly [number, number])[],
  at: number,
  power: number,
  wanted: number,
  name: string,
): Panel {
  const [from, to] = [nth(curve, 0)[0], nth(curve, curve.length - 1)[0]];
  const falls = nth(curve, 0)[1] > nth(curve, curve.length - 1)[1];
  const late = at > (from + to) / 2;
  const marks: Mark[] = [
    rule(-Infinity, wanted, Infinity, wanted, { ink: 'accent', dash: true, name: 'wanted' }),
    path(curve, { weight: 1.8, name: `power-over-${name}` }),
    rule(at, 0, at, power, { ink: 'accent', weight: 1.2 }),
    dot(at, power, { ink: 'accent', size: 14, name: `at-${name}` }),
    label(powerPercent(power), at, power, {
      // Beside the curve, on the side it leaves free.
      dx: late ? -12 : 12,
      dy: late === falls && power > 0.12 ? 18 : -10,
      anchor: late ? 'end' : 'start',
      bold: true,
      halo: true,
    }),
  ];
  return {
    ...frame,
    x: { domain: [from, to], drawn: true, title, ticks: 6 },
    y: { domain: [0, 1], drawn: true, title: 'power', ticks: 5 },
    marks,
  };
}

export function planScene(plan: Plan, n: number, wanted: number, unit: string, width: number): Scene {
  const at = (found: ReturnType<typeof powerAt>): number => (found.ok ? found.value : 0);
  const power = at(powerAt(plan, n));
  const most = Math.max(10, Math.ceil(n * 2.2));
  const step = Math.max(1, Math.round((most - 2) / steps));
  const overN: [number, number][] = [];
  for (let k = 2; k <= most; k += step) overN.push([k, at(powerAt(plan, k))]);
  const reach = 2 * Math.abs(plan.difference) || plan.sd;
  const sign = Math.sign(plan.difference) || 1;
  const furthest =
    plan.design === 'shares' ? Math.min(reach, sign > 0 ? 0.999 - plan.share : plan.share - 0.001) : reach;
  const overD = Array.from({ length: steps + 1 }, (_, i): [number, number] => {
    const d = (sign * furthest * i) / steps;
    return [d, at(powerAt(plan, n, d))];
  });
  if (sign < 0) overD.reverse();
  const gap = 70;
  // On a narrow page one stands below the other.
  const stacked = width < 560;
  const each = stacked ? width - 66 : (width - gap - 76) / 2;
  const frame = { top: 14, height: 210, width: each };
  const second = stacked ? { left: 56, top: 294 } : { left: 56 + each + gap };
  return {
    width,
    height: stacked ? 560 : 280,
    fontSize: pageFontSize,
    lineWeight: 1,
    alt: `Power over the number taken and over the difference: with ${n} it is ${powerPercent(power)}.`,
    panels: [
      panel(
        { ...frame, left: 56 },
        plan.design === 'factorial'
          ? 'readings a cell'
          : plan.design === 'blocked'
            ? 'blocks'
            : isUneven(totalOf(plan, n))
              ? 'in the first group'
              : 'in each group',
        overN,
        n,
        power,
        wanted,
        'n',
      ),
      panel(
        { ...frame, ...second },
        `difference${unit && ` (${unit})`}`,
        overD,
        plan.difference,
        power,
        wanted,
        'difference',
      ),
    ],
  };
}
