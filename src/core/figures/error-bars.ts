import type { GroupPart } from '../answer/group-part';
import { studentT } from '../distributions/t';
import { span } from '../drawing/marks';
import type { Ink, Mark } from '../drawing/scene';
import type { Interval } from '../procedures/interval';
import { percent } from '../words/numbers';
import type { FigureStyle } from './figure-style';

/** What error bars show. */
export type BarKind = FigureStyle['bars'];

/** The ends of a group's error bar, from its own readings; undefined where they do not allow one. */
export function barEnds(group: GroupPart, bars: BarKind, level: number): Interval | undefined {
  const s = group.summary;
  if (!s) return undefined;
  const { se, geometric, below } = group;
  // The error of a mean by likelihood is not that of its readings.
  if (below && bars !== 'sd') return undefined;
  if (geometric) {
    if (bars === 'interval') return group.interval;
    const factor = geometric[bars === 'sd' ? 'sd' : 'se'];
    return factor === undefined ? undefined : { low: s.mean / factor, high: s.mean * factor };
  }
  // Where a model was fitted, the error of the mean is that of the model.
  if (se !== undefined && bars !== 'sd') {
    return bars === 'sem' ? { low: s.mean - se, high: s.mean + se } : group.interval;
  }
  const sem = Math.sqrt(s.variance / s.n);
  const reach =
    bars === 'sd'
      ? Math.sqrt(s.variance)
      : bars === 'sem'
        ? sem
        : sem * studentT(s.n - 1).upperQuantile((1 - level) / 2);
  return { low: s.mean - reach, high: s.mean + reach };
}

/** Error bars in words, as a legend names them. */
export const barWords = (bars: BarKind, level: number, geometric = false): string =>
  ({
    sd: geometric ? 'one geometric SD to either side' : 'standard deviations',
    sem: geometric ? 'one standard error of the logarithms to either side' : 'standard errors of the mean',
    interval: `${percent(level)} confidence intervals`,
  })[bars];

/** An error bar, with caps. */
export const errorBar = (
  ends: Interval | undefined,
  name: number | string,
  at: number,
  { fontPt }: Pick<FigureStyle, 'fontPt'>,
  ink: Ink = 'ink',
): Mark[] => (ends ? [span(ends, at, { ink, weight: 1.4, caps: fontPt * 0.6, name: `error-bar-${name}` })] : []);
