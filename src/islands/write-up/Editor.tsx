import { type Editor as TipTap, EditorContent, useEditor, useEditorState } from '@tiptap/react';
import { TableKit } from '@tiptap/extension-table';
import StarterKit from '@tiptap/starter-kit';
import { useStore } from '@nanostores/react';
import {
  Bold,
  Heading1,
  Heading2,
  Heading3,
  Italic,
  List,
  ListOrdered,
  type LucideIcon,
  Quote,
  Redo2,
  Subscript as SubscriptIcon,
  Superscript as SuperscriptIcon,
  Undo2,
} from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { Insert, Piece, WriteUp } from '../../core/write-up/document';
import { figuresLeftOut, withFigures } from '../../core/write-up/draft';
import { readingOf, seenAs } from '../../core/write-up/piece';
import { IconButton } from '../kit/IconButton';
import { type Insertable, fromText, insertables, matching } from './insertables';
import { InsertMenu, type MenuState, insertMenu } from './insert-menu';
import { PiecesContext, Subscript, Superscript, asContent, inserts, putIn, standingOf } from './nodes';
import type { PiecesStore } from './pieces-store';

/** Kind under which a piece is dragged from the list into the text. */
export const dragged = 'application/x-divide-piece';

/** Live pieces in the editor with their places. */
function piecesIn(doc: TipTap['state']['doc']): { piece: Piece; at: number }[] {
  const out: { piece: Piece; at: number }[] = [];
  doc.descendants((node, at) => {
    if ('seen' in node.attrs) out.push({ piece: node.toJSON() as Piece, at });
  });
  return out;
}

interface ToolProps {
  editor: TipTap;
  name: string;
  icon: LucideIcon;
  active: boolean;
  onPress: (chain: ReturnType<TipTap['chain']>) => ReturnType<TipTap['chain']>;
}

function Tool({ editor, name, icon, active, onPress }: ToolProps) {
  return (
    <IconButton
      name={name}
      icon={icon}
      size={16}
      className={`plain-button ${active ? 'bg-base-200' : ''}`}
      aria-pressed={active}
      onMouseDown={(e) => e.preventDefault()}
      onClick={() => onPress(editor.chain().focus()).run()}
    />
  );
}

function Toolbar({ editor }: { editor: TipTap }) {
  const on = useEditorState({
    editor,
    selector: ({ editor: e }) => ({
      bold: e.isActive('bold'),
      italic: e.isActive('italic'),
      sub: e.isActive('subscript'),
      sup: e.isActive('superscript'),
      h1: e.isActive('heading', { level: 1 }),
      h2: e.isActive('heading', { level: 2 }),
      h3: e.isActive('heading', { level: 3 }),
      list: e.isActive('bulletList'),
      numbered: e.isActive('orderedList'),
      quote: e.isActive('blockquote'),
    }),
  });
  const tool = (name: string, icon: LucideIcon, active: boolean, onPress: ToolProps['onPress']) => (
    <Tool editor={editor} name={name} icon={icon} active={active} onPress={onPress} />
  );
  return (
    <div
      role="toolbar"
      aria-label="Setting"
      className="not-print sticky top-0 z-10 flex flex-wrap gap-1 border-b border-line bg-base-100 py-1"
    >
      {tool('Heading of the whole', Heading1, on.h1, (c) => c.toggleHeading({ level: 1 }))}
      {tool('Heading', Heading2, on.h2, (c) => c.toggleHeading({ level: 2 }))}
      {tool('Small heading', Heading3, on.h3, (c) => c.toggleHeading({ level: 3 }))}
      {tool('Bold', Bold, on.bold, (c) => c.toggleBold())}
      {tool('Italic', Italic, on.italic, (c) => c.toggleItalic())}
      {tool('Below the line', SubscriptIcon, on.sub, (c) => c.toggleMark('subscript'))}
      {tool('Above the line', SuperscriptIcon, on.sup, (c) => c.toggleMark('superscript'))}
      {tool('List', List, on.list, (c) => c.toggleBulletList())}
      {tool('Numbered list', ListOrdered, on.numbered, (c) => c.toggleOrderedList())}
      {tool('Quotation', Quote, on.quote, (c) => c.toggleBlockquote())}
      {tool('Undo', Undo2, false, (c) => c.undo())}
      {tool('Redo', Redo2, false, (c) => c.redo())}
      <span className="ml-2 self-center text-[13px] text-muted">type / to put in from the study</span>
    </div>
  );
}

/** How many pieces were renewed since they were seen, and a way to say that they are seen now. */
function Renewed({ editor, store }: { editor: TipTap; store: PiecesStore }) {
  const pieces = useStore(store);
  const doc = useEditorState({ editor, selector: ({ editor: e }) => e.state.doc });
  const fresh = useMemo(
    () => piecesIn(doc).filter(({ piece }) => standingOf(piece, pieces).standing === 'fresh'),
    [doc, pieces],
  );
  if (fresh.length === 0) return null;
  const see = () => {
    const { tr } = editor.state;
    for (const { piece, at } of fresh) {
      const now = readingOf(piece, pieces);
      if (now) tr.setNodeMarkup(at, undefined, { ...piece.attrs, seen: seenAs(now) });
    }
    editor.view.dispatch(tr);
  };
  return (
    <p role="status" className="not-print mt-2 text-sm text-warning">
      {fresh.length === 1 ? 'One piece was' : `${fresh.length} pieces were`} renewed since you last saw{' '}
      {fresh.length === 1 ? 'it' : 'them'}: underlined below.{' '}
      <button type="button" className="plain-button" onClick={see}>
        Mark as reviewed
      </button>
    </p>
  );
}

/** What can be done to a pasted table while the caret is in it. */
function TableTools({ editor }: { editor: TipTap }) {
  const inside = useEditorState({ editor, selector: ({ editor: e }) => e.isActive('table') });
  if (!inside) return null;
  const tool = (words: string, press: (chain: ReturnType<TipTap['chain']>) => ReturnType<TipTap['chain']>) => (
    <button
      type="button"
      className="plain-button"
      onMouseDown={(e) => e.preventDefault()}
      onClick={() => press(editor.chain().focus()).run()}
    >
      {words}
    </button>
  );
  return (
    <p role="toolbar" aria-label="This table" className="not-print flex flex-wrap gap-x-4 py-1 text-sm">
      {tool('Add a row', (c) => c.addRowAfter())}
      {tool('Remove the row', (c) => c.deleteRow())}
      {tool('Add a column', (c) => c.addColumnAfter())}
      {tool('Remove the column', (c) => c.deleteColumn())}
      {tool('Remove the table', (c) => c.deleteTable())}
    </p>
  );
}

/** Figures made of what the text tells, and not in it; a way to put them in. */
function LeftOut({ editor, store }: { editor: TipTap; store: PiecesStore }) {
  const pieces = useStore(store);
  const doc = useEditorState({ editor, selector: ({ editor: e }) => e.state.doc });
  const left = useMemo(() => figuresLeftOut(doc.toJSON() as WriteUp, pieces), [doc, pieces]);
  const [dismissed, setDismissed] = useState<readonly string[]>([]);
  const told = left.filter(({ id }) => !dismissed.includes(id));
  if (told.length === 0) return null;
  const put = () =>
    editor
      .chain()
      .setContent(asContent(withFigures(editor.getJSON() as WriteUp, told, pieces)), { emitUpdate: true })
      .run();
  const them = told.length === 1 ? 'it' : 'them';
  return (
    <p role="status" className="not-print mt-2 text-sm text-muted">
      {told.length === 1 ? 'One figure of a question' : `${told.length} figures of questions`} told here{' '}
      {told.length === 1 ? 'is' : 'are'} not in the text.{' '}
      <button type="button" className="plain-button" onClick={put}>
        Put {them} in
      </button>{' '}
      <button type="button" className="plain-button" onClick={() => setDismissed(left.map(({ id }) => id))}>
        Leave {them} out
      </button>
    </p>
  );
}

interface Props {
  start: WriteUp;
  order: readonly { id: string; figures: readonly string[] }[];
  store: PiecesStore;
  onChange: (writeUp: WriteUp) => void;
  /** Given a way to put something in where the caret stands. */
  onReady: (insert: (item: Insertable) => void) => void;
}

/** The document: a person's own words with live pieces between them. */
export function Editor({ start, order, store, onChange, onReady }: Props) {
  const [menu, setMenu] = useState<MenuState>();
  const latest = useRef(onChange);
  useEffect(() => {
    latest.current = onChange;
  });
  const editor = useEditor({
    injectCSS: false,
    content: asContent(start),
    extensions: [
      StarterKit.configure({
        heading: { levels: [1, 2, 3] },
        code: false,
        codeBlock: false,
        strike: false,
        link: false,
        underline: false,
      }),
      Subscript,
      Superscript,
      TableKit.configure({ table: { resizable: false } }),
      ...inserts,
      insertMenu((query, here) => {
        const pieces = store.get();
        return matching([...insertables(order, pieces), ...fromText(here.getJSON() as WriteUp, pieces)], query);
      }, setMenu),
    ],
    editorProps: {
      attributes: { 'aria-label': 'The write-up', class: 'write-up', spellcheck: 'true' },
      handleDrop: (view, event) => {
        const raw = event.dataTransfer?.getData(dragged);
        const at = view.posAtCoords({ left: event.clientX, top: event.clientY });
        if (!raw || !at) return false;
        event.preventDefault();
        editorRef.current
          .chain()
          .focus()
          .insertContentAt(at.pos, asContent(JSON.parse(raw) as Insert))
          .run();
        return true;
      },
    },
    onUpdate: ({ editor: e }) => latest.current(e.getJSON() as WriteUp),
  });
  const editorRef = useRef(editor);
  useEffect(() => {
    editorRef.current = editor;
    onReady((item) => putIn(editor.chain().focus(), item.piece).run());
  }, [editor, onReady]);
  return (
    <PiecesContext.Provider value={store}>
      <Toolbar editor={editor} />
      <TableTools editor={editor} />
      <Renewed editor={editor} store={store} />
      <LeftOut editor={editor} store={store} />
      <EditorContent editor={editor} />
      {menu && <InsertMenu menu={menu} />}
    </PiecesContext.Provider>
  );
}
