import { nth } from '../numeric/nth';
import { fisherF } from '../distributions/f';
import { demand } from '../numeric/domain-error';
import { sum } from '../numeric/sum';
import { withinRest } from './subject-rows';

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
  const sizes = groups.map((members) => members.length);
  const { total, subjects: subjectMeans, conditions, changes, squares, products } = withinRest(groups.flat(), sizes);
  let at = 0;
  const bySubjects = sizes.map((size) => subjectMeans.subarray(at, (at += size)));
  const groupMeans = bySubjects.map((means) => sum(means) / means.length);
  const ssGroup = k * sum(groupMeans.map((m, i) => nth(sizes, i) * m * m));
  const ssSubjects = k * sum(bySubjects.map((means, i) => sum(means.map((m) => (m - nth(groupMeans, i)) ** 2))));
  const ssCondition = n * sum(conditions.map((m) => m * m));
  const ssInteraction = sum(
    changes.map((change, i) => nth(sizes, i) * sum(change.map((c, j) => (c - nth(conditions, j)) ** 2))),
  );
  const error = { ss: squares, df: (n - g) * (k - 1) };
  const subjects = { ss: ssSubjects, df: n - g };
  demand(
    error.ss > 1e-28 * total && ssSubjects > 1e-28 * total,
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
  const trace = sum(products.map((row, i) => nth(row, i)));
  const epsilon = Math.min(1, trace ** 2 / ((k - 1) * sum(products.flat().map((c) => c * c))));
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
