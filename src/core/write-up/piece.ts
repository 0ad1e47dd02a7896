/** What live pieces read now: all that a study's answers and figures can give a write-up. */
import type { Drawing } from '../scenes/drawing';
import type { TextTable } from '../words/tables/result-table';
import { type Text, plain } from '../words/text';
import type { NumberPart, Piece, SentencePart } from './document';

/** What one question gives. */
export interface QuestionPieces {
  /** Its short name, as the spine shows it. */
  name: string;
  /** Why it has no answer now; its pieces then keep their last text. */
  trouble?: string;
  sentences: Partial<Record<SentencePart, Text>>;
  numbers: Partial<Record<NumberPart, string>>;
  tables: TextTable[];
}

/** What one figure gives. */
export interface FigurePieces {
  name: string;
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
  questions: Record<string, QuestionPieces>;
  figures: Record<string, FigurePieces>;
  /** The log in short, a sentence a line. */
  log: string[];
}

/** A piece as it reads now; undefined where what it came from is gone or has no answer. */
export type Reading =
  | { kind: 'text'; text: Text }
  | { kind: 'table'; table: TextTable }
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
    case 'liveFigure': {
      const figure = pieces.figures[piece.attrs.figure];
      return figure?.drawn && { kind: 'figure', figure: figure.drawn, legend: figure.legend };
    }
    case 'shortLog':
      return { kind: 'log', lines: pieces.log };
  }
}

/** A reading as a piece keeps it, to tell later whether it has changed. */
export function seenAs(reading: Reading): string {
  switch (reading.kind) {
    case 'text':
      return plain(reading.text);
    case 'table':
      return JSON.stringify(reading.table);
    case 'figure':
      return plain(reading.legend);
    case 'log':
      return reading.lines.join('\n');
  }
}

/** The last text of a piece whose source is gone. */
export function lastOf(piece: Piece): Reading {
  const { seen } = piece.attrs;
  if (piece.type === 'answerTable') {
    try {
      return { kind: 'table', table: JSON.parse(seen) as TextTable };
    } catch {
      return { kind: 'text', text: [seen] };
    }
  }
  return piece.type === 'shortLog' ? { kind: 'log', lines: seen.split('\n') } : { kind: 'text', text: [seen] };
}

/** Why a piece shows its last text and not a newer one. */
export function whyLast(piece: Piece, pieces: StudyPieces): string {
  if (piece.type === 'liveFigure') {
    const figure = pieces.figures[piece.attrs.figure];
    return figure?.trouble ?? 'its figure was removed';
  }
  if (piece.type === 'shortLog') return '';
  const question = pieces.questions[piece.attrs.question];
  return question ? (question.trouble ?? 'its question no longer gives this') : 'its question was removed';
}
