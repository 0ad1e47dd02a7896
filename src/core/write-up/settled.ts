/** A write-up with its pieces put in: what leaves as a document, whatever its format. */
import { nth } from '../numeric/nth';
import { there } from '../numeric/there';
import { type Reference, referencesFor } from '../words/references';
import { sentenceCase } from '../words/sentences';
import type { TextTable } from '../words/tables/result-table';
import { type Text, plain, unbroken } from '../words/text';
import { type Block, type Inline, type Piece, type TableRow, type WriteUp } from './document';
import { type Numbered, numbered, referenceWords, referredTo } from './numbered';
import { type DrawnPiece, type Reading, type StudyPieces, lastNote, lastOf, readingOf } from './piece';

/** A run of letters set alike. */
export interface Run {
  text: string;
  bold?: boolean;
  italic?: boolean;
  subscript?: boolean;
  superscript?: boolean;
  /** A line ends here. */
  break?: boolean;
  /** Where it leads: a place of the document, or an address. */
  link?: { to: 'figure' | 'table'; number: number } | { href: string };
}

export type SettledBlock =
  | { kind: 'heading'; level: number; runs: Run[] }
  /** `page`: in a list of figures or tables, what its line stands for; a document of pages ends it with that page. */
  | { kind: 'paragraph'; runs: Run[]; page?: { to: 'figure' | 'table'; number: number } }
  | { kind: 'quote'; blocks: SettledBlock[] }
  | { kind: 'list'; ordered: boolean; items: SettledBlock[][] }
  | { kind: 'rule' }
  /** Tables and figures are numbered in the order they stand; what was pasted has no number and no title. */
  | { kind: 'table'; number?: number; table: TextTable }
  | { kind: 'figure'; number: number; figure?: DrawnPiece; caption: Run[] };

const runsOf = (text: Text, set: Partial<Run> = {}): Run[] =>
  text.map((p) => (typeof p === 'string' ? { ...set, text: unbroken(p) } : { ...set, text: p.symbol, italic: true }));

const setBy = (marks: Inline['marks']): Partial<Run> => Object.fromEntries((marks ?? []).map((m) => [m.type, true]));

/** The same beginning with a capital, as a caption does; a symbol stays as it is. */
function capitalized([first, ...rest]: Run[]): Run[] {
  return first ? [first.italic ? first : { ...first, text: sentenceCase(first.text) }, ...rest] : [];
}

/** The first sentence of a caption, for a list. */
const inShort = (caption: Text): string =>
  sentenceCase(nth(there(/^.*?\.(?= |$)|^.*/s.exec(plain(caption)) ?? undefined, 'sentence'), 0));

/** All words of blocks, for finding what they name. */
function wordsOf(blocks: readonly SettledBlock[]): string {
  return blocks
    .map((of) => {
      switch (of.kind) {
        case 'heading':
        case 'paragraph':
          return of.runs.map((r) => r.text).join('');
        case 'quote':
          return wordsOf(of.blocks);
        case 'list':
          return of.items.map(wordsOf).join('\n');
        case 'table':
          return [of.table.title, ...(of.table.notes ?? [])].join('\n');
        case 'figure':
          return of.caption.map((r) => r.text).join('');
        case 'rule':
          return '';
      }
    })
    .join('\n');
}

/** A list of figures or tables, as it stands in the text. */
export const listingOf = (
  of: 'figures' | 'tables',
  all: readonly Numbered[],
): { of: Numbered['of']; number: number; words: string }[] =>
  all
    .filter((one) => `${one.of}s` === of)
    .map((one) => ({ of: one.of, number: one.number, words: inShort(one.caption) }));

function blocksOf(writeUp: WriteUp, pieces: StudyPieces, references: readonly Reference[]): SettledBlock[] {
  const all = numbered(writeUp, pieces);
  const reading = (piece: Piece): { now: Reading; note: Run[] } => {
    const now = readingOf(piece, pieces);
    return now ? { now, note: [] } : { now: lastOf(piece, pieces), note: [{ text: ` ${lastNote(piece, pieces)}` }] };
  };

  const inline = (item: Inline): Run[] => {
    const set = setBy(item.marks);
    switch (item.type) {
      case 'text':
        return [{ ...set, text: item.text }];
      case 'hardBreak':
        return [{ text: '', break: true }];
      case 'reference': {
        const found = referredTo(all, item.attrs);
        const text = referenceWords(all, item.attrs);
        return [{ ...set, text, ...(found ? { link: { to: found.of, number: found.number } } : {}) }];
      }
      default: {
        const { now, note } = reading(item);
        return [...(now.kind === 'text' ? runsOf(now.text, set) : []), ...note];
      }
    }
  };

  const listing = (of: Extract<Block, { type: 'listing' }>['attrs']['of']): SettledBlock[] =>
    of === 'references'
      ? references.map(({ text, href }) => ({
          kind: 'paragraph',
          runs: [{ text }, ...(href === undefined ? [] : [{ text: ' ' }, { text: href, link: { href } }])],
        }))
      : listingOf(of, all).map(({ of: to, number, words }) => ({
          kind: 'paragraph',
          runs: [
            { text: `${to === 'figure' ? 'Figure' : 'Table'}\u00a0${number}`, link: { to, number } },
            { text: `. ${words}` },
          ],
          page: { to, number },
        }));

  const within = (blocks: readonly Block[]): SettledBlock[] => blocks.flatMap(block);

  /** A pasted table: the text of each cell, its first row as its head. */
  const grid = (rows: readonly TableRow[]): SettledBlock => {
    const [head = [], ...rest] = rows.map((row) =>
      row.content.flatMap((cell): Text[] => {
        const text: Text = within(cell.content).flatMap((b) =>
          b.kind === 'paragraph' ? b.runs.map((r) => (r.italic ? { symbol: r.text } : r.text)) : [wordsOf([b])],
        );
        return [text, ...Array.from({ length: (cell.attrs?.colspan ?? 1) - 1 }, (): Text => [])];
      }),
    );
    return { kind: 'table', table: { title: '', head, rows: rest } };
  };

  const block = (item: Block): SettledBlock[] => {
    switch (item.type) {
      case 'heading':
        return [{ kind: 'heading', level: item.attrs.level, runs: (item.content ?? []).flatMap(inline) }];
      case 'paragraph':
        return [{ kind: 'paragraph', runs: (item.content ?? []).flatMap(inline) }];
      case 'blockquote':
        return [{ kind: 'quote', blocks: within(item.content) }];
      case 'bulletList':
      case 'orderedList':
        return [
          { kind: 'list', ordered: item.type === 'orderedList', items: item.content.map((i) => within(i.content)) },
        ];
      case 'horizontalRule':
        return [{ kind: 'rule' }];
      case 'table':
        return [grid(item.content)];
      case 'listing':
        return listing(item.attrs.of);
      case 'answerTable':
      case 'description':
      case 'wholeLog': {
        const { now, note } = reading(item);
        const number = all.find((one) => one.block === item)?.number;
        if (now.kind !== 'table' || number === undefined)
          return [{ kind: 'paragraph', runs: [...(now.kind === 'text' ? runsOf(now.text) : []), ...note] }];
        const notes = [...(now.table.notes ?? []), ...note.map((n) => n.text.trim())];
        const table = { ...now.table, title: sentenceCase(now.table.title), ...(notes.length > 0 ? { notes } : {}) };
        return [{ kind: 'table', number, table }];
      }
      case 'liveFigure': {
        const { now, note } = reading(item);
        const number = there(all.find((one) => one.block === item)?.number, 'number of a figure');
        const legend = now.kind === 'figure' ? now.legend : now.kind === 'text' ? now.text : [];
        return [
          {
            kind: 'figure',
            number,
            ...(now.kind === 'figure' ? { figure: now.figure } : {}),
            caption: [...capitalized(runsOf(legend)), ...note],
          },
        ];
      }
      case 'shortLog': {
        const { now } = reading(item);
        const lines = now.kind === 'log' ? now.lines : [];
        return [
          { kind: 'list', ordered: false, items: lines.map((text) => [{ kind: 'paragraph', runs: [{ text }] }]) },
        ];
      }
    }
  };
  return within(writeUp.content);
}

/** The works behind the methods that a write-up names, its own words among them. */
export const referencesIn = (writeUp: WriteUp, pieces: StudyPieces): Reference[] =>
  referencesFor(wordsOf(blocksOf(writeUp, pieces, [])).replaceAll('\u00a0', ' '));

/** @param pieces what the study gives now */
export const settled = (writeUp: WriteUp, pieces: StudyPieces): SettledBlock[] =>
  blocksOf(writeUp, pieces, referencesIn(writeUp, pieces));
