import { fisherF } from '../distributions/f';
import { demand } from '../numeric/domain-error';
import { moments, sum } from '../numeric/sum';

/** A line of the table with its own error. */
export interface WithinBetweenEffect {
  ss: number;
  df: number;
  f: number;
  p: number;
  partialEtaSquared: number;
}

export interface WithinBetween {
  /** Between subjects: groups, judged by subjects within groups. */
  group: WithinBetweenEffect;
  subjects: { ss: number; df: number };
  /** Within subjects: conditions and how they depend on the group, judged by what is left. */
  condition: WithinBetweenEffect;
  interaction: WithinBetweenEffect;
  error: { ss: number; df: number };
  /** Greenhouse & Geisser's ε of the differences pooled over groups, and p with both df multiplied by it. */
  greenhouseGeisser: { epsilon: number; conditionP: number; interactionP: number };
}

/**
 * Two-way analysis of variance with one factor between subjects and one within: each subject belongs to one group and is
 * read under every condition. With groups of unequal size, conditions are averaged over subjects, not over groups.
 * Assumes independent subjects, one spread, sphericity of the differences for the plain p.
 * Source: Greenhouse & Geisser (1959); Winer (1962).
 * @param groups each a list of subjects, each subject its readings in the order of the conditions
 * @throws DomainError with gaps, fewer than two groups or conditions, or no spread left
 */
export function withinBetween(groups: readonly (readonly (readonly number[])[])[]): WithinBetween {
  const g = groups.length;
  const k = groups[0]?.[0]?.length ?? 0;
  const n = sum(groups.map((subjects) => subjects.length));
  demand(g >= 2 && k >= 2, 'At least two groups and two conditions are needed.');
  demand(
    groups.every((subjects) => subjects.length > 0),
    'A group without subjects cannot be compared: leave it out.',
  );
  demand(n > g, 'Every group has one subject: there is no spread between subjects to judge groups by.');
  demand(
    groups.flat().every((row) => row.length === k),
    'Every subject needs a reading under every condition: leave out subjects with gaps.',
  );
  const { deviations, sumOfSquares } = moments(groups.flat(2));
  let at = 0;
  const centred = groups.map((subjects) => subjects.map(() => Array.from(deviations.subarray(at, (at += k)))));
  const subjectMeans = centred.map((subjects) => subjects.map((row) => sum(row) / k));
  const groupMeans = subjectMeans.map((means) => sum(means) / means.length);
  const conditionMeans = Array.from({ length: k }, (_, j) => sum(centred.flat().map((row) => row[j] ?? 0)) / n);
  const cellMeans = centred.map((subjects) =>
    conditionMeans.map((_, j) => sum(subjects.map((row) => row[j] ?? 0)) / subjects.length),
  );
  const ssGroup = k * sum(groupMeans.map((m, i) => (groups[i]?.length ?? 0) * m * m));
  const ssSubjects = k * sum(subjectMeans.flatMap((means, i) => means.map((m) => (m - (groupMeans[i] ?? 0)) ** 2)));
  const ssCondition = n * sum(conditionMeans.map((m) => m * m));
  const ssInteraction = sum(
    cellMeans.flatMap((means, i) =>
      means.map((m, j) => (groups[i]?.length ?? 0) * (m - (groupMeans[i] ?? 0) - (conditionMeans[j] ?? 0)) ** 2),
    ),
  );
  const rest = centred.flatMap((subjects, i) =>
    subjects.map((row, s) =>
      row.map((y, j) => y - (subjectMeans[i]?.[s] ?? 0) - (cellMeans[i]?.[j] ?? 0) + (groupMeans[i] ?? 0)),
    ),
  );
  const error = { ss: sum(rest.flat().map((e) => e * e)), df: (n - g) * (k - 1) };
  const subjects = { ss: ssSubjects, df: n - g };
  demand(
    error.ss > 1e-28 * sumOfSquares && ssSubjects > 1e-28 * sumOfSquares,
    'There is no spread left between or within subjects to judge effects by.',
  );
  const effect = (ss: number, df: number, by: { ss: number; df: number }): WithinBetweenEffect => {
    const f = ss / df / (by.ss / by.df);
    return {
      ss,
      df,
      f,
      p: Math.max(fisherF(df, by.df).upper(f), Number.MIN_VALUE),
      partialEtaSquared: ss / (ss + by.ss),
    };
  };
  const condition = effect(ssCondition, k - 1, error);
  const interaction = effect(ssInteraction, (g - 1) * (k - 1), error);
  // ε from the covariances of the residuals, already centred on both sides (Box, 1954).
  const covariance = conditionMeans.map((_, i) =>
    conditionMeans.map((__, j) => sum(rest.map((row) => (row[i] ?? 0) * (row[j] ?? 0)))),
  );
  const trace = sum(covariance.map((row, i) => row[i] ?? 0));
  const epsilon = Math.min(1, trace ** 2 / ((k - 1) * sum(covariance.flat().map((c) => c * c))));
  const corrected = ({ f, df }: WithinBetweenEffect): number =>
    Math.max(fisherF(epsilon * df, epsilon * error.df).upper(f), Number.MIN_VALUE);
  return {
    group: effect(ssGroup, g - 1, subjects),
    subjects,
    condition,
    interaction,
    error,
    greenhouseGeisser: { epsilon, conditionP: corrected(condition), interactionP: corrected(interaction) },
  };
}
