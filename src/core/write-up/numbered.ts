/** The figures and tables of a write-up, numbered in the order they stand. */
import type { Text } from '../words/text';
import { type Block, type Inline, type WriteUp, blocksWithin } from './document';
import { type StudyPieces, lastOf, readingOf } from './piece';

/** One of them: its number among its kind, and what it shows. */
export interface Numbered {
  of: 'figure' | 'table';
  number: number;
  block: Block;
  caption: Text;
  /** What refers to it: where it comes from. */
  source: ReferenceTo;
}

export type ReferenceTo = Extract<Inline, { type: 'reference' }>['attrs'];

/** What refers to a block that carries a number. */
function sourceOf(block: Block): ReferenceTo | undefined {
  switch (block.type) {
    case 'liveFigure':
      return { of: 'figure', source: block.attrs.figure, place: 0 };
    case 'answerTable':
      return { of: 'table', source: block.attrs.question, place: block.attrs.place };
    case 'description':
      return { of: 'description', source: block.attrs.table, place: 0 };
    case 'wholeLog':
      return { of: 'log', source: '', place: 0 };
    default:
      return undefined;
  }
}

/** @param pieces what the study gives now */
export function numbered(writeUp: WriteUp, pieces: StudyPieces): Numbered[] {
  const counts = { figure: 0, table: 0 };
  return writeUp.content.flatMap(blocksWithin).flatMap((block): Numbered[] => {
    const source = sourceOf(block);
    if (!source || !('attrs' in block) || !('seen' in block.attrs)) return [];
    const piece = block as Extract<Block, { type: 'liveFigure' | 'answerTable' | 'description' | 'wholeLog' }>;
    const now = readingOf(piece, pieces) ?? lastOf(piece, pieces);
    const of = block.type === 'liveFigure' ? 'figure' : 'table';
    if (of === 'table' && now.kind !== 'table') return [];
    const caption: Text =
      now.kind === 'figure'
        ? now.legend
        : now.kind === 'table'
          ? [now.table.title]
          : now.kind === 'text'
            ? now.text
            : [];
    return [{ of, number: ++counts[of], block, caption, source }];
  });
}

/** What is referred to, where it stands in the text; the first where it stands there twice. */
export const referredTo = (all: readonly Numbered[], to: ReferenceTo): Numbered | undefined =>
  all.find(({ source: s }) => s.of === to.of && s.source === to.source && s.place === to.place);

const names = { figure: 'Figure', table: 'Table', description: 'Table', log: 'Table' } as const;

/** A reference as it reads: the name and the number, or that what it spoke of is no longer in the text. */
export const referenceWords = (all: readonly Numbered[], to: ReferenceTo): string => {
  const found = referredTo(all, to);
  return found ? `${names[to.of]}\u00a0${found.number}` : `${names[to.of]}\u00a0? [not in the text]`;
};
