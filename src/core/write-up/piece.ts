/** What live pieces read now: all that a study's answers and figures can give a write-up. */
import type { Drawing } from '../drawing/drawing';
import type { TextTable } from '../words/tables/result-table';
import { type Text, loosely, plain } from '../words/text';
import type { NumberPart, Piece, SentencePart } from './document';

/** What one question gives. */
export interface QuestionPieces {
  /** Its short name, as the spine shows it. */
  name: string;
  /** Why it has no answer now; its pieces then keep their last text. */
  trouble?: string;
  /** Whether its groups stand under letters: what was read before is then not shown. */
  hidden?: true;
  sentences: Partial<Record<SentencePart, Text>>;
  numbers: Partial<Record<NumberPart, string>>;
  tables: TextTable[];
}

/** What one figure gives. */
export interface FigurePieces {
  name: string;
  /** The question whose answer it shows. */
  question: string;
  trouble?: string;
  legend: Text;
  /** Undefined where it cannot be drawn now. */
  drawn?: DrawnPiece;
}

/** A figure laid out, at its true size. */
export interface DrawnPiece {
  drawing: Drawing;
  widthMm: number;
  heightMm: number;
  font: 'sans' | 'serif';
}

/** What a study gives its write-up. */
export interface StudyPieces {
  /** Whether groups of any of its tables stand under letters. */
  hidden?: true;
  questions: Record<string, QuestionPieces>;
  figures: Record<string, FigurePieces>;
  /** The description of each table of readings, with its name. */
  descriptions: Record<string, { name: string; table: TextTable }>;
  /** The log in short, a sentence a line. */
  log: string[];
  /** The log, line by line. */
  notebook: TextTable;
}

/** A piece as it reads now; undefined where what it came from is gone or has no answer. */
export type Reading =
  | { kind: 'text'; text: Text }
  /** `seen` says in short what it was, where the whole would be too long to keep twice. */
  | { kind: 'table'; table: TextTable; seen?: string }
  | { kind: 'figure'; figure: DrawnPiece; legend: Text }
  | { kind: 'log'; lines: string[] };

/** What a piece reads now. */
export function readingOf(piece: Piece, pieces: StudyPieces): Reading | undefined {
  switch (piece.type) {
    case 'sentence': {
      const text = pieces.questions[piece.attrs.question]?.sentences[piece.attrs.part];
      return text && { kind: 'text', text };
    }
    case 'liveNumber': {
      const number = pieces.questions[piece.attrs.question]?.numbers[piece.attrs.part];
      return number === undefined ? undefined : { kind: 'text', text: [number] };
    }
    case 'answerTable': {
      const table = pieces.questions[piece.attrs.question]?.tables[piece.attrs.place];
      return table && { kind: 'table', table };
    }
    case 'description': {
      const found = pieces.descriptions[piece.attrs.table];
      return found && { kind: 'table', table: found.table };
    }
    case 'liveFigure': {
      const figure = pieces.figures[piece.attrs.figure];
      return figure?.drawn && { kind: 'figure', figure: figure.drawn, legend: figure.legend };
    }
    case 'liveCell': {
      const { question, place, row, column } = piece.attrs;
      const table = pieces.questions[question]?.tables[place];
      const at = table?.head.findIndex((h) => plain(h) === column) ?? -1;
      const cell = table?.rows.find(([head]) => head && plain(head) === row)?.[at];
      return cell && { kind: 'text', text: cell };
    }
    case 'shortLog':
      return { kind: 'log', lines: pieces.log };
    case 'wholeLog': {
      const { rows } = pieces.notebook;
      return { kind: 'table', table: pieces.notebook, seen: `${rows.length} lines` };
    }
  }
}

/** A table as it is kept to tell later whether it has changed. */
const keptTable = ({ title, head, rows, notes }: TextTable): string =>
  JSON.stringify({
    title,
    head: head.map(plain),
    rows: rows.map((row) => row.map(plain)),
    ...(notes ? { notes } : {}),
  });

/** The same again. */
function tableFrom(kept: string): TextTable | undefined {
  try {
    const { head, rows, ...rest } = JSON.parse(kept) as Omit<TextTable, 'head' | 'rows'> & {
      head: string[];
      rows: string[][];
    };
    return { ...rest, head: head.map((h) => [h]), rows: rows.map((row) => row.map((c) => [c])) };
  } catch {
    return undefined;
  }
}

/** Whether what a piece read before may not be shown: it may name groups that stand under letters now. */
export function isHidden({ attrs }: Piece, pieces: StudyPieces): boolean {
  const { questions, figures } = pieces;
  const question =
    'question' in attrs ? attrs.question : 'figure' in attrs ? figures[attrs.figure]?.question : undefined;
  // Of a question that was removed nobody knows whose names it told.
  const kept = question === undefined ? undefined : questions[question];
  return (kept ?? pieces).hidden === true;
}

/** A reading as a piece keeps it, to tell later whether it has changed. */
export function seenAs(reading: Reading): string {
  switch (reading.kind) {
    case 'text':
      return loosely(plain(reading.text));
    case 'table':
      return reading.seen ?? keptTable(reading.table);
    case 'figure':
      return loosely(plain(reading.legend));
    case 'log':
      return reading.lines.join('\n');
  }
}

/** A piece as it read when it was last seen, unless it may name groups that stand under letters now. */
export function lastOf(piece: Piece, pieces: StudyPieces): Reading {
  if (isHidden(piece, pieces)) return { kind: 'text', text: ['not shown while group names are hidden'] };
  const { seen } = piece.attrs;
  const table = piece.type === 'answerTable' || piece.type === 'description' ? tableFrom(seen) : undefined;
  if (table) return { kind: 'table', table };
  return piece.type === 'shortLog' ? { kind: 'log', lines: seen.split('\n') } : { kind: 'text', text: [seen] };
}

/** Why a piece shows its last text and not a newer one. */
export function whyLast(piece: Piece, pieces: StudyPieces): string {
  if (piece.type === 'liveFigure') {
    const figure = pieces.figures[piece.attrs.figure];
    return figure?.trouble ?? 'its figure was removed';
  }
  if (piece.type === 'description') return 'its readings were removed';
  if (!('question' in piece.attrs)) return '';
  const question = pieces.questions[piece.attrs.question];
  return question ? (question.trouble ?? 'its question no longer gives this') : 'its question was removed';
}

/** The same as a note behind the piece, in the text and in every file it leaves as. */
export const lastNote = (piece: Piece, pieces: StudyPieces): string =>
  `[${whyLast(piece, pieces)}: kept as it last read]`;
