import { there } from '../../numeric/there';
import { DomainError } from '../../numeric/domain-error';
import { moments } from '../../numeric/sum';
import { type FactorChoice, type Factors, factorsOf, subjectOfReading } from '../../readings/factors';
import type { Table } from '../../readings/table';

/** What a layout of groups of subjects, each under every condition, comes to. */
export interface MixedLayout {
  factors: Factors;
  /** For each group its subjects, each with its reading under each condition as far as there is one. */
  everyone: { id: string; name: string; subjects: string[]; rows: (number | undefined)[][] }[];
  /** For each group its complete subjects. */
  groups: { id: string; name: string; subjects: string[]; rows: number[][] }[];
  incomplete: { subject: string; lacks: string[] }[];
}

/** Groups of subjects with their readings in the order of the conditions. @throws DomainError where a subject changes group */
export function mixedLayout(question: FactorChoice, table: Table): MixedLayout {
  const factors = factorsOf(table, question);
  const conditions = new Map(factors.b.levels.map((l, j) => [l.id, j]));
  const bySubject = new Map<string, { group: string; values: (number | undefined)[]; repeated?: number[][] }>();
  for (const r of factors.readings) {
    const subject = subjectOfReading(r);
    let own = bySubject.get(subject);
    if (!own)
      bySubject.set(subject, (own = { group: r.a, values: new Array<undefined>(conditions.size).fill(undefined) }));
    if (own.group !== r.a) {
      const both = [own.group, r.a].map((id) => factors.a.levels.find((l) => l.id === id)?.name ?? id);
      throw new DomainError(
        `${subject} stands in two groups (${both.join(' and ')}): a ${table.subject || 'subject'} belongs to one, and is read under every condition.`,
      );
    }
    const j = there(conditions.get(r.b), 'condition');
    const before = own.values[j];
    if (before === undefined) own.values[j] = r.value;
    else {
      // Several readings under one condition stand for it by their mean.
      const all = ((own.repeated ??= [])[j] ??= [before]);
      all.push(r.value);
      own.values[j] = moments(all).mean;
    }
  }
  const everyone = factors.a.levels.map(({ id, name }): MixedLayout['everyone'][number] => ({
    id,
    name,
    subjects: [],
    rows: [],
  }));
  const groupOf = new Map(everyone.map((g) => [g.id, g]));
  for (const [subject, { group, values }] of bySubject) {
    groupOf.get(group)?.subjects.push(subject);
    groupOf.get(group)?.rows.push(values);
  }
  const isComplete = (row: readonly (number | undefined)[]): row is number[] => row.every((v) => v !== undefined);
  const groups = everyone.map(({ id, name, subjects, rows }) => ({
    id,
    name,
    subjects: subjects.filter((_, i) => isComplete(rows[i] ?? [])),
    rows: rows.filter(isComplete),
  }));
  const incomplete = [...bySubject].flatMap(([subject, { values }]) =>
    isComplete(values)
      ? []
      : [{ subject, lacks: factors.b.levels.filter((_, j) => values[j] === undefined).map((l) => l.name) }],
  );
  return { factors, everyone, groups: groups.filter((g) => g.rows.length > 0), incomplete };
}
