import type { Question } from '../core/question/question';
import { questionSentence } from '../core/telling/question';
import { asksOfEvery } from '../core/question/asking';
import { analysisOf } from '../core/analyses/registry';
import { kindNames } from '../core/figures/kinds';
import type { SpineEntry, SpineLists } from '../core/study/spine';
import { type Packed, pack } from '../formats/wire';
import { type KeptFigure, figuresOf } from '../store/figures';
import type { Db } from '../store/open';
import { NotFound } from '../store/errors';
import { questionsOf, readQuestion } from '../store/questions';
import { allStudies, readStudy } from '../store/studies';
import { type KeptTable, cellCount, readTable, readTableHead, readTableHeads } from '../store/read-table';
import { askedIn, named, tableName } from './asked-questions';
import { studyVersion } from './drawn-pages';

/** What every page of a study shows on its left. */
export interface Spine extends SpineLists {
  studyId: string;
  title: string;
}

/** Cells up to which a table travels within the page; a larger one is fetched once the page stands. */
const withinPage = 20_000;

/** The table a page starts from; undefined when it is to be fetched. @throws NotFound */
export const tableForPage = (db: Db, id: string): Packed<KeptTable> | undefined =>
  cellCount(db, id) <= withinPage ? pack(readTable(db, id)) : undefined;

/** The spine of a study. @throws NotFound */
export function studySpine(db: Db, studyId: string): Spine {
  const { title } = readStudy(db, studyId);
  const heads = readTableHeads(db, studyId);
  const tables = new Map(heads.map((table) => [table.id, table]));
  const home = `/studies/${studyId}`;
  const asked = askedIn(db, studyId, heads);
  const labels = new Map(asked.map(({ id, label }) => [id, label]));
  return {
    studyId,
    title,
    readings: [...tables.values()].map((table) => ({
      id: table.id,
      label: tableName(table),
      href: `${home}/readings/${table.id}`,
    })),
    questions: asked.map(({ id, of, label }) => ({ id, label, href: `${home}/questions/${id}`, of })),
    measures: asked.flatMap(({ id, of, named, label }) => {
      const head = tables.get(of);
      return head && asksOfEvery(named.question, head)
        ? [
            {
              id: `${id}-measures`,
              label: `${label}: every measure`,
              href: `${home}/questions/${id}/measures`,
              of: id,
              short: 'every measure',
            },
          ]
        : [];
    }),
    figures: figureEntries(
      figuresOf(db, studyId).filter((f) => labels.has(f.questionId)),
      new Map(asked.map(({ id, named }) => [id, named.question])),
      labels,
      home,
    ),
  };
}

/** Figures under their questions: by what each shows, numbered where several of a question show the same. */
function figureEntries(
  all: readonly KeptFigure[],
  questions: ReadonlyMap<string, Question>,
  labels: ReadonlyMap<string, string>,
  home: string,
): SpineEntry[] {
  const shown = ({ style, questionId }: KeptFigure): string => {
    const question = questions.get(questionId);
    const kind = style.kind ?? (question && analysisOf(question).figures[0]);
    return kind ? kindNames[kind] : 'figure';
  };
  return all.map((figure) => {
    const { id, questionId } = figure;
    const twins = all.filter((f) => f.questionId === questionId && shown(f) === shown(figure));
    const place = twins.indexOf(figure);
    const short = `${shown(figure)}${place > 0 ? ` ${place + 1}` : ''}`;
    return {
      id,
      label: `${labels.get(questionId) ?? ''}: ${short}`,
      href: `${home}/figures/${id}`,
      of: questionId,
      short,
    };
  });
}

/** A line of the shelf. */
export interface ShelfLine {
  id: string;
  title: string;
  changedAt: string;
  /** What was compared, as the first question asks it; undefined without one. */
  compared: string | undefined;
}

const shelfWords = new Map<string, { version: string; compared: string | undefined }>();

/** What a study compares, told again only once something in it was written. */
function comparedIn(db: Db, id: string): string | undefined {
  const version = studyVersion(db, id);
  const before = shelfWords.get(id);
  if (before?.version === version) return before.compared;
  const [first] = questionsOf(db, id);
  const compared = first && questionSentence(named(db, first.question, readTableHead(db, first.tableId)));
  if (shelfWords.size > 5000) shelfWords.clear();
  shelfWords.set(id, { version, compared });
  return compared;
}

/** The shelf's lines, the last changed first. */
export const shelfLines = (db: Db): ShelfLine[] =>
  allStudies(db).map(({ id, title, changedAt }) => ({ id, title, changedAt, compared: comparedIn(db, id) }));

/** A question with its table and the spine beside it. @throws NotFound also when it is another study's */
export function questionForPage(db: Db, study: string, id: string) {
  const asked = readQuestion(db, id);
  if (asked.studyId !== study) throw new NotFound('question');
  return { spine: studySpine(db, study), asked, kept: tableForPage(db, asked.tableId) };
}

/** The figures of a study with the questions they show, as far as those can be seen. */
export const figuresForPage = (db: Db, { studyId, figures }: Spine) =>
  figuresOf(db, studyId).flatMap(({ id, style, questionId }) => {
    const line = figures.find((f) => f.id === id);
    if (!line) return [];
    const { tableId, question } = readQuestion(db, questionId);
    return [{ id, label: line.label, style, asked: { id: questionId, tableId, question } }];
  });
