import type { Question } from '../core/question/question';
import { isBlind } from '../core/readings/blind';
import type { Table } from '../core/readings/table';
import { defaultFigureStyle } from '../core/figures/default-style';
import { figureLegend } from '../core/figures/legend';
import { DomainError } from '../core/numeric/domain-error';
import { headline } from '../core/telling/headline';
import { pRelation } from '../core/words/numbers';
import { methodsSentence, resultsSentence } from '../core/telling/report';
import { chosenDescription } from '../core/words/tables/description-table';
import { asText } from '../core/words/tables/result-table';
import { textTables } from '../core/words/tables/tables';
import { type Text, plain, unbrokenText } from '../core/words/text';
import type { FigurePieces, QuestionPieces, StudyPieces } from '../core/write-up/piece';
import { mergeWords } from '../formats/merge-words';
import { figuresOf } from '../store/figures';
import type { Db } from '../store/open';
import { questionsOf } from '../store/questions';
import { tableIdsOf } from '../store/studies';
import { readTable, readTableHeads, revisionOf } from '../store/read-table';
import { there } from '../core/numeric/there';
import { answered } from './answered';
import { askedIn, tableName } from './asked-questions';
import { drawnFigure } from './drawn-figure';
import { notebook, shortLog } from './study-log';

/** The person's own wording of a sentence, brought up to date; the sentence itself where there is none. */
function worded(question: Question, kind: 'methods' | 'results' | 'legend', now: Text): Text {
  const own = question.own?.[kind];
  return own
    ? [
        mergeWords(own.from, own.text, plain(now))
          .pieces.map((p) => p.text)
          .join(''),
      ]
    : now;
}

/** What one question gives a write-up. */
function questionPieces(db: Db, id: string, question: Question, table: Table): Omit<QuestionPieces, 'name'> {
  const found = answered(db, id);
  if (!found.ok) return { trouble: found.reason, sentences: {}, numbers: {}, tables: [] };
  const given = found.value;
  const { comparison } = given;
  const hidden = isBlind(table);
  // One's own wording may name groups that stand under letters now. A number and its unit are not parted by the end of a line.
  const held = (kind: Parameters<typeof worded>[1], now: Text): Text =>
    unbrokenText(hidden ? now : worded(question, kind, now), given.unit);
  const sentences = {
    methods: held('methods', methodsSentence(given)),
    legend: held('legend', figureLegend(given, defaultFigureStyle)),
  };
  const base = { tables: textTables(given), ...(hidden ? { hidden: true as const } : {}) };
  if (!comparison.ok) return { ...base, trouble: comparison.reason, sentences, numbers: {} };
  const top = headline(given, comparison.value);
  return {
    ...base,
    sentences: {
      ...sentences,
      results: held('results', resultsSentence(given, comparison.value)),
      headline: unbrokenText(top.sentence, given.unit),
    },
    numbers: {
      ...(top.estimate ? { estimate: top.estimate } : {}),
      ...(top.interval ? { interval: top.interval } : {}),
      test: plain(top.test),
      ...(comparison.value.p === undefined ? {} : { p: `p ${pRelation(comparison.value.p)}` }),
      n: given.groups.map((g) => g.n).join(' + '),
    },
  };
}

/** What one figure gives a write-up. */
function figurePieces(db: Db, id: string, question: string, name: string): FigurePieces {
  try {
    const { drawing, widthMm, heightMm, legend, style } = drawnFigure(db, id);
    return { name, question, legend, drawn: { drawing, widthMm, heightMm, font: style.font ?? 'sans' } };
  } catch (error) {
    if (!(error instanceof DomainError)) throw error;
    return { name, question, trouble: error.message, legend: [] };
  }
}

/** Pieces by what they were made from; a few hundred, the least lately used makes room. */
const known = new Map<string, unknown>();

/** @param key names what is made, its kind and its state */
function cached<T>(key: string, make: () => T): T {
  const found = (known.get(key) as T | undefined) ?? make();
  known.delete(key);
  known.set(key, found);
  for (const old of known.keys()) if (known.size > 400) known.delete(old);
  return found;
}

/** The figures chosen of a table's groups, as a table. */
function descriptionPiece(db: Db, id: string): StudyPieces['descriptions'][string] {
  const { table } = readTable(db, id);
  return { name: tableName(table), table: asText(chosenDescription(table)) };
}

/** All that a study's questions and figures can give its write-up. */
export function studyPieces(db: Db, studyId: string): StudyPieces {
  const heads = readTableHeads(db, studyId);
  const names = new Map(askedIn(db, studyId, heads).map(({ id, label }) => [id, label]));
  const questions: Record<string, QuestionPieces> = {};
  for (const { id, tableId, question, revision } of questionsOf(db, studyId))
    questions[id] = {
      name: there(names.get(id), 'The name of a question'),
      ...cached(`${id} ${revision} ${tableId} ${revisionOf(db, tableId)}`, () =>
        questionPieces(db, id, question, readTable(db, tableId).table),
      ),
    };
  const descriptions = Object.fromEntries(
    tableIdsOf(db, studyId).map((id) => [id, cached(`${id} ${revisionOf(db, id)}`, () => descriptionPiece(db, id))]),
  );
  const figures: Record<string, FigurePieces> = {};
  for (const { id, questionId } of figuresOf(db, studyId)) {
    const name = questions[questionId]?.name;
    if (name !== undefined) figures[id] = figurePieces(db, id, questionId, name);
  }
  return {
    ...(heads.some(isBlind) ? { hidden: true as const } : {}),
    questions,
    figures,
    descriptions,
    log: shortLog(db, studyId),
    notebook: notebook(db, studyId),
  };
}
