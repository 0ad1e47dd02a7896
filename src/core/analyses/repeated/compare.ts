import { attempt, demand } from '../../numeric/domain-error';
import { etaSquaredInterval } from '../../procedures/effect-size-intervals';
import { friedman } from '../../procedures/friedman';
import { friedmanPairs } from '../../procedures/friedman-pairs';
import { repeatedMeasures } from '../../procedures/repeated-measures';
import { choicesOf } from '../../question/choices';
import type { Question } from '../../question/question';
import type { Table } from '../../readings/table';
import { unattainable } from '../../answer/attainable';
import type { Comparison } from '../../answer/comparison';
import { lettersFor, pairNamed } from '../../answer/follow-up';
import { type GroupPart, demandOneUnit, demandReadings } from '../../answer/group-part';
import { chiSquareReference, fReference } from '../../answer/references';
import { completeSubjects, gaps, pairsOfConditions } from '../../answer/complete-subjects';
import { byModel } from './by-model';

/** The same subjects under several conditions. */
export function compare(question: Question, table: Table, conditions: readonly GroupPart[]): Comparison {
  const { method, sphericity } = choicesOf(question);
  const { level } = question;
  demand(
    conditions.length >= 2,
    'Repeated readings need at least two conditions: a column for each, or a column that names them.',
  );
  demandOneUnit(conditions);
  demandReadings(conditions, 'Comparing the same subjects');
  if (method === 'mixed-model') return byModel(question, table, conditions);
  const complete = completeSubjects(table, conditions);
  const { rows } = complete;
  const each = table.subject || 'subject';
  demand(
    rows.length >= 2,
    `Fewer than two ${each}s have a reading under every condition, so there is nothing to compare within them.`,
  );
  const remarks = gaps(complete, table.subject);
  if (method === 'ranks') {
    const found = friedman(rows);
    const exact = found.method === 'exact';
    const { remark, ...least } = unattainable(found.leastP ?? 0, level);
    const effects = friedmanPairs(rows).map((pair) => ({
      ...pairNamed(conditions, pair.a, pair.b),
      estimate: pair.difference,
      statistic: { symbol: 'q' as const, value: pair.q },
      p: pair.p,
    }));
    return {
      p: found.p,
      ...least,
      tests: [{ symbol: 'χ²', value: found.chi2, df: exact ? [] : [found.df], p: found.p }],
      sizes: [{ ok: true, value: { kind: 'kendall', value: found.kendallW } }],
      reference: exact ? [] : [chiSquareReference(found.chi2, found.df)],
      follow: { ok: true, value: [{ effects, simultaneous: true, letters: lettersFor(conditions, effects, level) }] },
      complete,
      remarks: [
        ...remark,
        ...remarks,
        ...(exact ? ['p is exact: every order of the ranks within subjects is counted.'] : []),
        'Pairs are compared by their mean ranks (Nemenyi).',
      ],
    };
  }
  const found = repeatedMeasures(rows);
  const epsilon =
    sphericity === 'assumed'
      ? 1
      : sphericity === 'huynh-feldt'
        ? found.huynhFeldt.epsilon
        : found.greenhouseGeisser.epsilon;
  const p =
    sphericity === 'assumed' ? found.p : sphericity === 'huynh-feldt' ? found.huynhFeldt.p : found.greenhouseGeisser.p;
  const { condition, error } = found;
  const df = [condition.df * epsilon, error.df * epsilon] as const;
  return {
    p,
    tests: [{ symbol: 'F', value: found.f, df, p }],
    table: [
      {
        source: 'conditions',
        kind: 'effect',
        ...condition,
        ms: condition.ss / condition.df,
        f: found.f,
        p: found.p,
        corrected: p,
        partialEta: {
          value: found.partialEtaSquared,
          interval: attempt(() => etaSquaredInterval(found.f, condition.df, error.df, level)),
        },
      },
      {
        source: table.subject ? `${table.subject}s` : 'subjects',
        kind: 'error',
        ...found.subject,
        ms: found.subject.ss / found.subject.df,
      },
      { source: 'residual', kind: 'error', ...error, ms: error.ss / error.df },
      {
        source: 'total',
        kind: 'total',
        ss: condition.ss + found.subject.ss + error.ss,
        df: condition.df + found.subject.df + error.df,
      },
    ],
    sizes: [
      attempt(() => ({
        kind: 'partial-eta',
        value: found.partialEtaSquared,
        interval: etaSquaredInterval(found.f, condition.df, error.df, level),
      })),
    ],
    reference: [fReference(found.f, df[0], df[1])],
    follow: attempt(() => pairsOfConditions(question, conditions, [{ rows }])),
    complete,
    sphericity: found.mauchly && { w: found.mauchly.w, p: found.mauchly.p },
    epsilon: { greenhouseGeisser: found.greenhouseGeisser.epsilon, huynhFeldt: found.huynhFeldt.epsilon },
    remarks,
  };
}
