/** A write-up with its pieces put in: what leaves as a document, whatever its format. */
import { sentenceCase } from '../words/sentences';
import type { TextTable } from '../words/tables/result-table';
import type { Text } from '../words/text';
import type { Block, Inline, WriteUp } from './document';
import { type DrawnPiece, type Reading, type StudyPieces, lastOf, readingOf } from './piece';

/** A run of letters set alike. */
export interface Run {
  text: string;
  bold?: boolean;
  italic?: boolean;
  subscript?: boolean;
  superscript?: boolean;
  /** A line ends here. */
  break?: boolean;
}

export type SettledBlock =
  | { kind: 'heading'; level: number; runs: Run[] }
  | { kind: 'paragraph'; runs: Run[] }
  | { kind: 'quote'; blocks: SettledBlock[] }
  | { kind: 'list'; ordered: boolean; items: SettledBlock[][] }
  | { kind: 'rule' }
  /** Tables and figures are numbered in the order they stand. */
  | { kind: 'table'; number: number; table: TextTable }
  | { kind: 'figure'; number: number; figure?: DrawnPiece; caption: Run[] };

const runsOf = (text: Text, set: Partial<Run> = {}): Run[] =>
  text.map((p) => (typeof p === 'string' ? { ...set, text: p } : { ...set, text: p.symbol, italic: true }));

const setBy = (marks: Inline['marks']): Partial<Run> => Object.fromEntries((marks ?? []).map((m) => [m.type, true]));

/** The same beginning with a capital, as a caption does; a symbol stays as it is. */
function capitalized([first, ...rest]: Run[]): Run[] {
  return first ? [first.italic ? first : { ...first, text: sentenceCase(first.text) }, ...rest] : [];
}

/** @param pieces what the study gives now */
export function settled(writeUp: WriteUp, pieces: StudyPieces): SettledBlock[] {
  let tables = 0;
  let figures = 0;
  const reading = (piece: Parameters<typeof readingOf>[0]): Reading => readingOf(piece, pieces) ?? lastOf(piece);

  const inline = (item: Inline): Run[] => {
    if (item.type === 'text') return [{ ...setBy(item.marks), text: item.text }];
    if (item.type === 'hardBreak') return [{ text: '', break: true }];
    const now = reading(item);
    return now.kind === 'text' ? runsOf(now.text, setBy(item.marks)) : [];
  };

  const block = (item: Block): SettledBlock => {
    switch (item.type) {
      case 'heading':
        return { kind: 'heading', level: item.attrs.level, runs: (item.content ?? []).flatMap(inline) };
      case 'paragraph':
        return { kind: 'paragraph', runs: (item.content ?? []).flatMap(inline) };
      case 'blockquote':
        return { kind: 'quote', blocks: item.content.map(block) };
      case 'bulletList':
      case 'orderedList':
        return {
          kind: 'list',
          ordered: item.type === 'orderedList',
          items: item.content.map((i) => i.content.map(block)),
        };
      case 'horizontalRule':
        return { kind: 'rule' };
      case 'answerTable': {
        const now = reading(item);
        return now.kind === 'table'
          ? { kind: 'table', number: ++tables, table: { ...now.table, title: sentenceCase(now.table.title) } }
          : { kind: 'paragraph', runs: now.kind === 'text' ? runsOf(now.text) : [] };
      }
      case 'liveFigure': {
        const now = reading(item);
        if (now.kind !== 'figure')
          return {
            kind: 'figure',
            number: ++figures,
            caption: now.kind === 'text' ? capitalized(runsOf(now.text)) : [],
          };
        return { kind: 'figure', number: ++figures, figure: now.figure, caption: capitalized(runsOf(now.legend)) };
      }
      case 'shortLog': {
        const now = reading(item);
        const lines = now.kind === 'log' ? now.lines : [];
        return { kind: 'list', ordered: false, items: lines.map((text) => [{ kind: 'paragraph', runs: [{ text }] }]) };
      }
    }
  };
  return writeUp.content.map(block);
}
