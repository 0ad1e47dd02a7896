import { answer } from '../core/answering/answer';
import { knownSpread, planned } from '../core/answering/known-spread';
import type { KnownSpread } from '../core/planning/plan';
import type { Db } from '../store/open';
import { questionsOf } from '../store/questions';
import { allStudies } from '../store/studies';
import { readTable, readTableHeads } from '../store/read-table';
import { askedIn } from './asked-questions';

/** Spreads known from the questions about averages on the shelf. */
export function knownSpreads(db: Db): KnownSpread[] {
  return allStudies(db)
    .slice(0, 20)
    .flatMap((study) => {
      const names = new Map(askedIn(db, study.id, readTableHeads(db, study.id)).map(({ id, label }) => [id, label]));
      return questionsOf(db, study.id).flatMap(({ id, tableId, question }): KnownSpread[] => {
        const design = planned[question.design];
        if (question.about !== 'value' || design === undefined) return [];
        const found = answer(question, readTable(db, tableId).table, design !== 'nested');
        const spread = found.ok ? knownSpread(found.value) : undefined;
        return found.ok && spread ? [{ ...spread, id, name: names.get(id) ?? '', study: study.title }] : [];
      });
    });
}
