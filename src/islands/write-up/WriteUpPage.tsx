import { useStore } from '@nanostores/react';
import { type ReactNode, useCallback, useEffect, useRef, useState } from 'react';
import type { WriteUp } from '../../core/write-up/document';
import { draftOf } from '../../core/write-up/draft';
import type { StudyPieces } from '../../core/write-up/piece';
import { settled } from '../../core/write-up/settled';
import { markdownDocument } from '../../formats/markdown';
import { CopyButton } from '../shared/CopyButton';
import { useKeptValue } from '../shared/kept-value';
import { NewerElsewhere } from '../shared/NewerElsewhere';
import { SaveState } from '../shared/SaveState';
import { Editor, dragged } from './Editor';
import { type Insertable, fromText, insertables } from './insertables';
import { Leave } from './Leave';
import { followPieces, piecesStore } from './pieces-store';

interface Props {
  study: string;
  title: string;
  kept: { writeUp: WriteUp; revision: number } | undefined;
  pieces: StudyPieces;
  /** Questions in the order they were asked, with the figures made of each. */
  order: { id: string; figures: string[] }[];
  /** In how many of its paragraphs words typed by hand name groups that stand under letters. */
  told: number;
}

const empty: WriteUp = { type: 'doc', content: [{ type: 'paragraph' }] };

function InsertList({ items, onInsert }: { items: readonly Insertable[]; onInsert: (item: Insertable) => void }) {
  return (
    <ul className="pb-1 pl-3">
      {items.map((item, i) => (
        <li key={i}>
          <button
            type="button"
            className="plain-button text-left"
            draggable
            onDragStart={(e) => e.dataTransfer.setData(dragged, JSON.stringify(item.piece))}
            onClick={() => onInsert(item)}
          >
            {item.what}
          </button>
        </li>
      ))}
    </ul>
  );
}

/** A fold whose list is made when it is opened: a study has thousands of numbers. */
function Fold({ title, children }: { title: string; children: () => ReactNode }) {
  const [open, setOpen] = useState(false);
  return (
    <details className="border-b border-line py-0.5" onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary className="cursor-pointer [overflow-wrap:anywhere]">{title}</summary>
      {open && children()}
    </details>
  );
}

/** What the study and the text itself have to put in: clicked, or dragged into the text. */
function Inserts({ all, onInsert }: { all: readonly Insertable[]; onInsert: (item: Insertable) => void }) {
  const sources = [...new Map(all.map((i) => [i.from, i.of]))];
  return (
    <section aria-label="Put in from the study">
      <h2 className="part-of-page">Put in from the study</h2>
      {sources.map(([from, of]) => {
        const items = all.filter((item) => item.from === from);
        const tables = [...new Set(items.flatMap(({ within }) => (within === undefined ? [] : [within])))];
        return (
          <Fold key={from} title={of}>
            {() => (
              <>
                <InsertList items={items.filter(({ within }) => within === undefined)} onInsert={onInsert} />
                {tables.map((table) => (
                  <div key={table} className="pl-3">
                    <Fold title={`single numbers: ${table}`}>
                      {() => <InsertList items={items.filter(({ within }) => within === table)} onInsert={onInsert} />}
                    </Fold>
                  </div>
                ))}
              </>
            )}
          </Fold>
        );
      })}
    </section>
  );
}

/** A text to be pasted elsewhere, its pieces as they read now. */
const copiedText = (writeUp: WriteUp, pieces: StudyPieces) => ({
  plain: markdownDocument(settled(writeUp, pieces), () => ''),
});

/** Stands over a text that would tell which letter is which group: whoever should not know need not see it. */
function Cover({ told, onLift }: { told: number; onLift: () => void }) {
  return (
    <div className="mt-6 max-w-[60ch] px-6">
      <h1 className="prose-serif text-[23px]">This text names groups whose names are hidden</h1>
      <p className="prose-serif mt-2 text-[16px]">
        {told === 1 ? 'One paragraph' : `${told} paragraphs`} typed by hand {told === 1 ? 'names' : 'name'} them. What
        comes from the readings shows letters; your own words stay as you typed them, and may tell which letter is
        which.
      </p>
      <p className="mt-4">
        <button type="button" className="plain-button" onClick={onLift}>
          Show the text all the same
        </button>
      </p>
    </div>
  );
}

/** The write-up of a study, covered while its words would tell what is hidden. */
export function WriteUpPage({ told, ...props }: Props) {
  const [lifted, setLifted] = useState(told === 0);
  return lifted ? <Page {...props} /> : <Cover told={told} onLift={() => setLifted(true)} />;
}

/** A plain document with live pieces from answers and figures. */
function Page({ study, title, kept, pieces, order }: Omit<Props, 'told'>) {
  const [store] = useState(() => piecesStore(pieces));
  const now = useStore(store);
  useEffect(() => followPieces(study, store), [study, store]);
  const [start, setStart] = useState(kept?.writeUp);
  const held = useKeptValue(`/api/studies/${study}/write-up`, 'writeUp', kept?.writeUp ?? empty, kept?.revision ?? 0);
  const { value, change, saving, taken } = held;
  const current = useRef(value);
  useEffect(() => {
    current.current = value;
  });
  const insert = useRef<(item: Insertable) => void>(() => undefined);
  const ready = useCallback((put: (item: Insertable) => void) => {
    insert.current = put;
  }, []);
  const begin = (writeUp: WriteUp) => {
    setStart(writeUp);
    change(writeUp);
  };
  const blank = taken > 0 ? value.content.length === 0 : !start || start.content.length === 0;
  return (
    <div className="min-[1100px]:grid min-[1100px]:grid-cols-[minmax(0,1fr)_18rem]">
      <article className="min-w-0 px-6 pb-24">
        <div className="not-print flex h-7 items-end justify-end">
          <SaveState saving={saving} />
        </div>
        <NewerElsewhere
          kept={held}
          what="write-up"
          copy={(mine) => <CopyButton copied={() => copiedText(mine, now)}>Copy mine</CopyButton>}
        />
        {blank ? (
          <div className="mt-6 max-w-[60ch]">
            <h1 className="prose-serif text-[23px]">Nothing is written yet</h1>
            <p className="prose-serif mt-2 text-[16px]">
              {order.length > 0
                ? 'A draft sets out methods, results, figures and tables from the questions of this study.'
                : 'No question is asked in this study yet. Once one is, a draft sets out methods, results, figures and tables.'}{' '}
              Every number in it stays tied to the readings; the words between are yours.
            </p>
            <p className="mt-4 flex gap-6">
              {order.length > 0 && (
                <button type="button" className="plain-button" onClick={() => begin(draftOf(title, order, now))}>
                  Write a draft from the questions
                </button>
              )}
              <button type="button" className="plain-button" onClick={() => begin(empty)}>
                Begin with an empty page
              </button>
            </p>
          </div>
        ) : (
          <Editor
            key={taken}
            start={taken > 0 ? value : (start ?? value)}
            order={order}
            store={store}
            onChange={(writeUp) => change({ ...writeUp, author: current.current.author })}
            onReady={ready}
          />
        )}
      </article>
      {!blank && (
        <aside aria-label="Beside the text" className="not-print space-y-5 py-6 pr-6 text-sm max-[1100px]:pl-6">
          <Leave
            title={title}
            writeUp={() => current.current}
            author={value.author ?? ''}
            onAuthor={(author) => change({ ...current.current, author })}
            store={store}
          />
          <Inserts
            all={[...fromText(value, now), ...insertables(order, now)]}
            onInsert={(item) => insert.current(item)}
          />
        </aside>
      )}
    </div>
  );
}
