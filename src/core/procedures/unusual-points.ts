import { studentT } from '../distributions/t';
import { demand } from '../numeric/domain-error';
import { quantile, sortedUp } from '../numeric/quantile';
import { moments } from '../numeric/sum';

/** A reading that lies far from its group. */
export interface UnusualPoint {
  /** Place of the group, and of the reading within it. */
  group: number;
  index: number;
  value: number;
  /** Beyond 1.5 interquartile ranges from the nearer quartile. */
  beyondFences: boolean;
  /** Externally studentized residual: distance from the group's mean without it, in its standard errors. */
  studentized: number | undefined;
  /** Two-sided p of that distance, multiplied by the number of readings (Bonferroni). */
  p: number | undefined;
}

/**
 * Readings far from their group: beyond 1.5 interquartile ranges from a quartile (Tukey, 1977), or with a studentized
 * residual that would be rare among so many. Residuals are taken from each group's mean, with the spread the groups
 * share, and that spread estimated without the reading: t = e·√((N − k − 1)/(SSE(1 − 1/n) − e²)).
 * Source: Cook & Weisberg (1982).
 * @param share p below which a residual counts as unusual, after Bonferroni
 */
export function unusualPoints(groups: readonly (readonly number[])[], share = 0.05): UnusualPoint[] {
  demand(
    groups.some((g) => g.length > 0),
    'There are no readings.',
  );
  const filled = groups.map((g) => (g.length > 0 ? moments(g) : undefined));
  const readings = groups.reduce((n, g) => n + g.length, 0);
  const k = filled.filter((m) => m).length;
  const df = readings - k - 1;
  const within = filled.reduce((s, m) => s + (m?.sumOfSquares ?? 0), 0);
  const found: UnusualPoint[] = [];
  groups.forEach((values, group) => {
    const own = filled[group];
    if (!own || values.length < 3) return;
    const sorted = sortedUp(values);
    const [q1, q3] = [quantile(sorted, 0.25), quantile(sorted, 0.75)];
    const reach = 1.5 * (q3 - q1);
    values.forEach((value, index) => {
      const beyondFences = value < q1 - reach || value > q3 + reach;
      const residual = own.deviations[index] ?? 0;
      const left = within * (1 - 1 / own.n) - residual ** 2;
      const studentized = df > 0 && left > 0 ? residual * Math.sqrt(df / left) : undefined;
      const p =
        studentized === undefined ? undefined : Math.min(1, 2 * readings * studentT(df).upper(Math.abs(studentized)));
      if (beyondFences || (p !== undefined && p < share))
        found.push({ group, index, value, beyondFences, studentized, p });
    });
  });
  return found;
}
