/** Live pieces as the editor knows them: atoms that show what their question or figure gives now. */
import { type ChainedCommands, type JSONContent, Mark, Node, mergeAttributes } from '@tiptap/core';
import { NodeSelection, TextSelection } from '@tiptap/pm/state';
import { type NodeViewProps, NodeViewWrapper, ReactNodeViewRenderer } from '@tiptap/react';
import { useStore } from '@nanostores/react';
import { type ReactNode, createContext, useContext } from 'react';
import { DrawingView } from '../../charts/DrawingView';
import { sentenceCase } from '../../core/words/sentences';
import type { Piece, WriteUp } from '../../core/write-up/document';
import { type Reading, type StudyPieces, lastOf, readingOf, seenAs, whyLast } from '../../core/write-up/piece';
import { RichText } from '../shared/RichText';
import { TextTableView } from '../shared/TextTableView';
import type { PiecesStore } from './pieces-store';

/** The editor knows a document by a looser type. */
export const asContent = (content: WriteUp | Piece): JSONContent => content as unknown as JSONContent;

/** Puts a piece in and the caret behind it, so that what is typed next replaces nothing. */
export const putIn = (chain: ChainedCommands, piece: Piece): ChainedCommands =>
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

export function standingOf(piece: Piece, pieces: StudyPieces): { reading: Reading; standing: Standing; why: string } {
  const now = readingOf(piece, pieces);
  if (!now) return { reading: lastOf(piece), standing: 'last', why: whyLast(piece, pieces) };
  return { reading: now, standing: seenAs(now) === piece.attrs.seen ? 'seen' : 'fresh', why: '' };
}

function usePiece(props: NodeViewProps): ReturnType<typeof standingOf> | undefined {
  const store = useContext(PiecesContext);
  const pieces = useStore(store ?? emptyStore);
  return store && standingOf(props.node.toJSON() as Piece, pieces);
}
// A store to hold on to while there is none: hooks may not come and go.
const emptyStore = {
  get: () => ({ questions: {}, figures: {}, log: [] }),
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
  found: ReturnType<typeof standingOf>;
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
      {found.standing === 'last' && <span className="piece-note"> [{found.why}: kept as it last read]</span>}
    </NodeViewWrapper>
  );
}

function TextPiece(props: NodeViewProps) {
  const found = usePiece(props);
  if (!found) return null;
  return (
    <Frame as="span" found={found} selected={props.selected}>
      {found.reading.kind === 'text' ? <RichText text={found.reading.text} /> : null}
    </Frame>
  );
}

function BlockPiece(props: NodeViewProps) {
  const found = usePiece(props);
  if (!found) return null;
  const { reading } = found;
  return (
    <Frame as="div" found={found} selected={props.selected}>
      <div data-drag-handle>
        {reading.kind === 'table' && (
          <div className="my-3">
            <p className="table-number text-[14.5px]">{sentenceCase(reading.table.title)}</p>
            <TextTableView
              head={reading.table.head}
              rows={reading.table.rows}
              caption={reading.table.title}
              captionShown={false}
            />
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
            <RichText text={reading.legend} />
          </span>
        )}
        {reading.kind === 'text' && <RichText text={reading.text} />}
        {reading.kind === 'log' && (
          <ul className="list-disc pl-5">
            {reading.lines.map((line, i) => (
              <li key={i}>{line}</li>
            ))}
          </ul>
        )}
      </div>
    </Frame>
  );
}

/** An atom with these attributes. */
function atom(name: string, inline: boolean, attributes: readonly string[]) {
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
        [...attributes, 'seen'].map((key) => [
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
    addNodeView: () => ReactNodeViewRenderer(inline ? TextPiece : BlockPiece),
  });
}

export const Sentence = atom('sentence', true, ['question', 'part']);
export const LiveNumber = atom('liveNumber', true, ['question', 'part']);
export const AnswerTable = atom('answerTable', false, ['question', 'place']);
export const LiveFigure = atom('liveFigure', false, ['figure']);
export const ShortLog = atom('shortLog', false, []);

const lowered = (name: string, tag: 'sub' | 'sup') =>
  Mark.create({
    name,
    excludes: name === 'subscript' ? 'superscript' : 'subscript',
    parseHTML: () => [{ tag }],
    renderHTML: () => [tag, 0],
  });
export const Subscript = lowered('subscript', 'sub');
export const Superscript = lowered('superscript', 'sup');
