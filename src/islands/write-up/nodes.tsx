/** Live pieces as the editor knows them: atoms that show what their question or figure gives now. */
import { type ChainedCommands, type JSONContent, Mark, Node, mergeAttributes } from '@tiptap/core';
import { NodeSelection, TextSelection } from '@tiptap/pm/state';
import { type NodeViewProps, NodeViewWrapper, ReactNodeViewRenderer, useEditorState } from '@tiptap/react';
import { useStore } from '@nanostores/react';
import { type ReactNode, createContext, useContext } from 'react';
import { DrawingView } from '../../charts/DrawingView';
import { sentenceCase } from '../../core/words/sentences';
import type { TextTable } from '../../core/words/tables/result-table';
import { type Text, loosely, plain, unbroken } from '../../core/words/text';
import type { Insert, Piece, WriteUp } from '../../core/write-up/document';
import { type ReferenceTo, numbered, referenceWords } from '../../core/write-up/numbered';
import {
  type Reading,
  type StudyPieces,
  isHidden,
  lastNote,
  lastOf,
  readingOf,
  seenAs,
  whyLast,
} from '../../core/write-up/piece';
import { listingOf, referencesIn } from '../../core/write-up/settled';
import { changedWords } from '../../formats/merge-words';
import { RichText } from '../shared/RichText';
import { TextTableView } from '../shared/TextTableView';
import type { PiecesStore } from './pieces-store';

/** The editor knows a document by a looser type. */
export const asContent = (content: WriteUp | Insert): JSONContent => content as unknown as JSONContent;

/** Puts a piece in and the caret behind it, so that what is typed next replaces nothing. */
export const putIn = (chain: ChainedCommands, piece: Insert): ChainedCommands =>
  chain.insertContent(asContent(piece)).command(({ tr }) => {
    const { selection } = tr;
    if (!(selection instanceof NodeSelection)) return true;
    const behind = selection.to;
    if (!selection.node.isBlock) {
      tr.setSelection(TextSelection.create(tr.doc, behind));
      return true;
    }
    const paragraph = tr.doc.type.schema.nodes['paragraph'];
    if (!tr.doc.resolve(behind).nodeAfter?.isTextblock && paragraph) tr.insert(behind, paragraph.create());
    tr.setSelection(TextSelection.create(tr.doc, behind + 1));
    return true;
  });

/** Where the pieces of the page are kept. */
export const PiecesContext = createContext<PiecesStore | undefined>(undefined);

/** How a piece stands: as it was seen, renewed since, or kept from before its source went. */
export type Standing = 'seen' | 'fresh' | 'last';

export interface Stands {
  reading: Reading;
  standing: Standing;
  /** Why it is kept as it last read, and the note that says so. */
  why: string;
  note: string;
  /** What it read when it was last seen, where that is another thing. */
  old?: Reading;
}

export function standingOf(piece: Piece, pieces: StudyPieces): Stands {
  const now = readingOf(piece, pieces);
  const kept = { why: whyLast(piece, pieces), note: lastNote(piece, pieces) };
  if (!now) return { reading: lastOf(piece, pieces), standing: 'last', ...kept };
  const seen = { reading: now, why: '', note: '' };
  return seenAs(now) === loosely(piece.attrs.seen)
    ? { ...seen, standing: 'seen' }
    : { ...seen, standing: 'fresh', ...(isHidden(piece, pieces) ? {} : { old: lastOf(piece, pieces) }) };
}

function usePiece(props: NodeViewProps): Stands | undefined {
  const store = useContext(PiecesContext);
  const pieces = useStore(store ?? emptyStore);
  return store && standingOf(props.node.toJSON() as Piece, pieces);
}
// A store to hold on to while there is none: hooks may not come and go.
const emptyStore = {
  get: () => ({ questions: {}, figures: {}, descriptions: {}, log: [], notebook: { title: '', head: [], rows: [] } }),
  listen: () => () => undefined,
  subscribe: () => () => undefined,
} as unknown as PiecesStore;

/** What a piece says of itself to the pointer and the reader. */
const titles: Record<Standing, string> = {
  seen: 'from the study: renewed by itself',
  fresh: 'renewed since you last saw it',
  last: 'kept as it last read',
};

function Frame({
  as,
  found,
  selected,
  children,
}: {
  as: 'span' | 'div';
  found: Stands;
  selected: boolean;
  children: ReactNode;
}) {
  return (
    <NodeViewWrapper
      as={as}
      className={`piece piece-${found.standing} ${selected ? 'piece-selected' : ''}`}
      title={found.why || titles[found.standing]}
      data-testid={`piece-${found.standing}`}
      contentEditable={false}
    >
      {children}
      {found.standing === 'last' && <span className="piece-note"> {found.note}</span>}
    </NodeViewWrapper>
  );
}

/** A text that was renewed: what went is struck out, what came stands beside it. */
function Changed({ old, now }: { old: string; now: Text }) {
  if (old === '') return <RichText text={now} />;
  return (
    <>
      {changedWords(loosely(old), loosely(plain(now))).map(({ text, change }, i) =>
        change === 'old' ? <del key={i}>{text}</del> : change === 'new' ? <ins key={i}>{text}</ins> : unbroken(text),
      )}
    </>
  );
}

function TextPiece(props: NodeViewProps) {
  const found = usePiece(props);
  if (!found) return null;
  const { reading, old } = found;
  return (
    <Frame as="span" found={found} selected={props.selected}>
      {reading.kind !== 'text' ? null : old?.kind === 'text' ? (
        <Changed old={plain(old.text)} now={reading.text} />
      ) : (
        <RichText text={reading.text} />
      )}
    </Frame>
  );
}

/** The cells of a table that were renewed, with what stood there; the table as it is where its shape is another. */
function renewedCells(now: TextTable, old: Reading | undefined): { rows: Text[][]; notes: string[] } {
  const was = old?.kind === 'table' ? old.table.rows : undefined;
  const before = (i: number, j: number): string => plain(was?.[i]?.[j] ?? []);
  const alike = was?.length === now.rows.length && now.rows.every((row, i) => row.length === was[i]?.length);
  return {
    rows: now.rows.map((row, i) =>
      row.map((cell, j) =>
        alike && before(i, j) !== loosely(plain(cell)) ? [...cell, ` (was ${before(i, j)})`] : cell,
      ),
    ),
    notes: now.notes ?? [],
  };
}

function BlockPiece(props: NodeViewProps) {
  const found = usePiece(props);
  if (!found) return null;
  const { reading, old } = found;
  return (
    <Frame as="div" found={found} selected={props.selected}>
      <div data-drag-handle>
        {reading.kind === 'table' && (
          <div className="my-3">
            <p className="table-number text-[14.5px]">{sentenceCase(reading.table.title)}</p>
            <div className="overflow-x-auto" tabIndex={0}>
              <TextTableView
                {...reading.table}
                {...renewedCells(reading.table, old)}
                caption={reading.table.title}
                captionShown={false}
              />
            </div>
          </div>
        )}
        {reading.kind === 'figure' && (
          <span className="my-3 block w-fit" data-theme="page">
            <span className={`block w-fit bg-white p-2 ${reading.figure.font === 'serif' ? 'figure-serif' : ''}`}>
              <DrawingView drawing={reading.figure.drawing} physical={reading.figure} />
            </span>
          </span>
        )}
        {reading.kind === 'figure' && (
          <span className="figure-number block text-[14.5px]">
            {old?.kind === 'text' ? (
              <Changed old={plain(old.text)} now={reading.legend} />
            ) : (
              <RichText text={reading.legend} />
            )}
          </span>
        )}
        {reading.kind === 'text' && <RichText text={reading.text} />}
        {reading.kind === 'log' && (
          <ul className="list-disc pl-5">
            {reading.lines.map((line, i) => (
              <li key={i}>{old?.kind === 'log' ? <Changed old={old.lines[i] ?? ''} now={[line]} /> : line}</li>
            ))}
          </ul>
        )}
      </div>
    </Frame>
  );
}

/** The text as it stands, and what the study gives now, told as one string so that a view is drawn only when it changes. */
function useToldByText(props: NodeViewProps, told: (writeUp: WriteUp, pieces: StudyPieces) => unknown): unknown {
  const store = useContext(PiecesContext);
  const pieces = useStore(store ?? emptyStore);
  const said = useEditorState({
    editor: props.editor,
    selector: ({ editor }) => JSON.stringify(told(editor.getJSON() as WriteUp, pieces)),
  });
  return JSON.parse(said);
}

function ReferenceView(props: NodeViewProps) {
  const to = props.node.attrs as ReferenceTo;
  const words = useToldByText(props, (writeUp, pieces) => referenceWords(numbered(writeUp, pieces), to)) as string;
  return (
    <NodeViewWrapper
      as="span"
      className={`piece ${words.includes('?') ? 'piece-last' : ''} ${props.selected ? 'piece-selected' : ''}`}
      title="counted anew whenever the text changes"
      data-testid="reference"
      contentEditable={false}
    >
      {words}
    </NodeViewWrapper>
  );
}

function ListingView(props: NodeViewProps) {
  const { of } = props.node.attrs as Extract<Insert, { type: 'listing' }>['attrs'];
  const lines = useToldByText(props, (writeUp, pieces) =>
    of === 'references'
      ? referencesIn(writeUp, pieces).map(({ text, href = '' }) => [text, href])
      : listingOf(of, numbered(writeUp, pieces)).map(({ of: kind, number, words }) => [
          `${kind === 'figure' ? 'Figure' : 'Table'}\u00a0${number}. ${words}`,
          '',
        ]),
  ) as [string, string][];
  return (
    <NodeViewWrapper
      as="div"
      className={`piece ${props.selected ? 'piece-selected' : ''}`}
      data-testid={`listing-${of}`}
      contentEditable={false}
    >
      <ul data-drag-handle className="!list-none space-y-1 !pl-0 text-[15px]">
        {lines.map(([text, href]) => (
          <li key={text} className="pl-5 -indent-5">
            {text}{' '}
            {href && (
              <a
                href={href}
                target="_blank"
                rel="noreferrer"
                className="inline-block max-w-full indent-0 [overflow-wrap:anywhere] text-primary"
              >
                {href.replace('https://doi.org/', 'doi:')}
              </a>
            )}
          </li>
        ))}
        {lines.length === 0 && (
          <li className="text-muted">
            {of === 'references'
              ? 'The methods this text names will stand here with where they were first described.'
              : `There are no ${of} in this text yet.`}
          </li>
        )}
      </ul>
    </NodeViewWrapper>
  );
}

/** An atom with these attributes. */
function atom(
  name: string,
  inline: boolean,
  attributes: readonly string[],
  View: (props: NodeViewProps) => ReactNode = inline ? TextPiece : BlockPiece,
) {
  const tag = inline ? 'span' : 'div';
  return Node.create({
    name,
    group: inline ? 'inline' : 'block',
    inline,
    atom: true,
    selectable: true,
    draggable: true,
    marks: '',
    addAttributes: () =>
      Object.fromEntries(
        attributes.map((key) => [
          key,
          {
            default: key === 'place' ? 0 : '',
            parseHTML: (element: HTMLElement) => {
              const raw = element.getAttribute(`data-${key}`) ?? '';
              return key === 'place' ? Number(raw) : raw;
            },
            renderHTML: (given: Record<string, unknown>) => ({ [`data-${key}`]: given[key] }),
          },
        ]),
      ),
    parseHTML: () => [{ tag: `${tag}[data-piece="${name}"]` }],
    renderHTML: ({ HTMLAttributes, node }) => [
      tag,
      mergeAttributes(HTMLAttributes, { 'data-piece': name }),
      String(node.attrs['seen'] ?? ''),
    ],
    addNodeView: () => ReactNodeViewRenderer(View),
  });
}

export const inserts = [
  atom('sentence', true, ['question', 'part', 'seen']),
  atom('liveNumber', true, ['question', 'part', 'seen']),
  atom('liveCell', true, ['question', 'place', 'row', 'column', 'seen']),
  atom('answerTable', false, ['question', 'place', 'seen']),
  atom('description', false, ['table', 'seen']),
  atom('liveFigure', false, ['figure', 'seen']),
  atom('shortLog', false, ['seen']),
  atom('wholeLog', false, ['seen']),
  atom('reference', true, ['of', 'source', 'place'], ReferenceView),
  atom('listing', false, ['of'], ListingView),
];

const lowered = (name: string, tag: 'sub' | 'sup') =>
  Mark.create({
    name,
    excludes: name === 'subscript' ? 'superscript' : 'subscript',
    parseHTML: () => [{ tag }],
    renderHTML: () => [tag, 0],
  });
export const Subscript = lowered('subscript', 'sub');
export const Superscript = lowered('superscript', 'sup');
