import { type Answer, answer } from '../core/answer/answer';
import { questionSentence } from '../core/words/two-groups';
import { figuresOf } from '../store/figures';
import type { Db } from '../store/open';
import { questionsOf } from '../store/questions';
import { allStudies, readStudy, tableIdsOf } from '../store/studies';
import { readTableHead } from '../store/tables';
import type { Table } from '../core/readings/table';

/** A line of the spine. */
export interface SpineEntry {
  id: string;
  label: string;
  href: string;
}

/** What every page of a study shows on its left. */
export interface Spine {
  studyId: string;
  title: string;
  readings: SpineEntry[];
  questions: SpineEntry[];
  figures: SpineEntry[];
}

const shortQuestion = (found: Answer | undefined): string =>
  found ? found.groups.map((g) => g.name).join(' · ') : 'groups no longer there';

/** The spine of a study. @throws NotFound */
export function studySpine(db: Db, studyId: string): Spine {
  const { title } = readStudy(db, studyId);
  const tables = new Map<string, Table>(tableIdsOf(db, studyId).map((id) => [id, readTableHead(db, id)]));
  const home = `/studies/${studyId}`;
  const labels = new Map<string, string>();
  const questions = questionsOf(db, studyId).map(({ id, tableId, question }) => {
    const kept = tables.get(tableId);
    const found = kept && answer(question, kept);
    const label = shortQuestion(found?.ok ? found.value : undefined);
    labels.set(id, label);
    return { id, label, href: `${home}/questions/${id}` };
  });
  return {
    studyId,
    title,
    readings: [...tables.values()].map((table) => ({
      id: table.id,
      label: table.measure || table.name,
      href: `${home}/readings/${table.id}`,
    })),
    questions,
    figures: figuresOf(db, studyId).map(({ id, questionId }) => ({
      id,
      label: labels.get(questionId) ?? '',
      href: `${home}/figures/${id}`,
    })),
  };
}

/** A line of the shelf. */
export interface ShelfLine {
  id: string;
  title: string;
  changedAt: string;
  /** What was compared, as the first question asks it; undefined without one. */
  compared: string | undefined;
}

/** The shelf's lines, the last changed first. */
export function shelfLines(db: Db): ShelfLine[] {
  return allStudies(db).map(({ id, title, changedAt }) => {
    const [first] = questionsOf(db, id);
    const found = first && answer(first.question, readTableHead(db, first.tableId));
    return { id, title, changedAt, compared: found?.ok ? questionSentence(found.value) : undefined };
  });
}
