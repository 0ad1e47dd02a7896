import { useStore } from '@nanostores/react';
import { arrayMove } from '@dnd-kit/sortable';
import { ChevronRight, ListTree, Plus } from 'lucide-react';
import { useEffect, useState } from 'react';
import { emptyTable } from '../../core/readings/table';
import { draftOf } from '../../core/readings/table-edit';
import type { Folds } from '../../core/study/folds';
import { type Branch, type SpineEntry, type SpineLists, branchOf, branches, sought } from '../../core/study/spine';
import { IconButton } from '../kit/IconButton';
import { Sorting, type Moving } from '../kit/Sorting';
import { tell } from '../kit/tell';
import { inWords, send } from './api';
import { $benchLinks } from './bench-links';
import { followStudy } from './changes';
import { useLive } from './Live';
import { useFolds } from './use-folds';

/** More entries than this are folded under their tables, and can be looked for. */
const few = 24;

const benchNames = { planner: 'Sample planner', curves: 'Curve reader', draw: 'Draw and allocate' } as const;

function Line({ entry, current, group }: { entry: SpineEntry; current: string; group: string }) {
  const here = entry.id === current;
  return (
    <a
      href={entry.href}
      draggable={false}
      aria-current={here ? 'page' : undefined}
      data-group={group}
      data-name={entry.label}
      className={`block grow border-l-2 py-0.5 pl-2 [overflow-wrap:anywhere] hover:border-primary ${
        here ? 'border-primary font-semibold' : 'border-transparent'
      } ${group === 'Readings' || here ? '' : 'text-muted hover:text-base-content'}`}
    >
      {entry.short ?? entry.label}
    </a>
  );
}

/** A table's line with what was asked of it under it, or a question's with its figures. */
function Twig({
  branch,
  current,
  open,
  onFold,
  moving,
  onMove,
}: {
  branch: Branch;
  current: string;
  open: boolean;
  /** None where it does not fold. */
  onFold?: ((open: boolean) => void) | undefined;
  /** What moves it among its like. */
  moving?: Moving;
  /** Moves what stands under it. */
  onMove?: ((from: number, to: number) => void) | undefined;
}) {
  const { entry, of, under } = branch;
  const live = useLive();
  const named = (id: string) => under.find((b) => b.entry.id === id);
  return (
    <li
      ref={moving?.ref}
      style={moving?.style}
      className={moving?.lifted ? 'relative z-10 bg-base-200' : undefined}
      onKeyDown={moving?.onKeyDown}
      {...moving?.drag}
    >
      <div className="flex items-start">
        {onFold && under.length > 0 ? (
          <button
            type="button"
            className="tiny-button"
            inert={!live}
            aria-expanded={open}
            aria-label={`What is asked of ${entry.label}`}
            onClick={() => onFold(!open)}
          >
            <ChevronRight size={13} aria-hidden className={open ? 'rotate-90' : ''} />
          </button>
        ) : (
          onFold && <span className="w-6 shrink-0" />
        )}
        <Line entry={entry} current={current} group={of} />
      </div>
      {under.length > 0 && (
        <ul hidden={!open} className={onFold ? 'ml-6' : 'ml-3'}>
          {onMove && under.length > 1 ? (
            <Sorting ids={under.map((b) => b.entry.id)} name={(id) => named(id)?.entry.label ?? ''} onMove={onMove}>
              {(id, hand) => <Twig branch={named(id) ?? branch} current={current} open moving={hand} />}
            </Sorting>
          ) : (
            under.map((b) => <Twig key={b.entry.id} branch={b} current={current} open />)
          )}
        </ul>
      )}
    </li>
  );
}

/** A part of the list that does not branch. */
const Section = ({ name, entries, current }: { name: string; entries: readonly SpineEntry[]; current: string }) => (
  <section className="mb-3">
    <h2 className="part-of-page">{name}</h2>
    <ul>
      {entries.map((entry) => (
        <li key={entry.id} className="flex">
          <Line entry={entry} current={current} group={name} />
        </li>
      ))}
    </ul>
  </section>
);

/** What every page of a study shows on its left; it follows what is done in any window, this one too. */
export function Spine({
  study,
  start,
  current,
  folded,
}: {
  study: string;
  start: SpineLists;
  current: string;
  /** What was folded when the page came. */
  folded: Folds;
}) {
  const [lists, setLists] = useState(start);
  const links = useStore($benchLinks);
  // Links lead on at once; what is typed or pressed has to be heard.
  const live = useLive();
  const [typed, setTyped] = useState('');
  // On a narrow screen the list is drawn out when it is wanted.
  const [drawn, setDrawn] = useState(false);
  useEffect(
    () =>
      followStudy(() => {
        void send<SpineLists>('GET', `/api/studies/${study}/spine`).then(setLists, () => undefined);
      }),
    [study],
  );
  const all = branches(lists);
  const long = lists.readings.length + lists.questions.length + lists.figures.length > few;
  const here = branchOf(all, current)?.entry.id;
  const folds = useFolds(study, folded);
  const isOpen = (id: string): boolean => !long || typed !== '' || (folds.of(id) ?? (folds.all || id === here));
  const shown = sought(all, typed);
  const home = `/studies/${study}`;
  const begin = () =>
    void send<{ id: string }>('POST', `/api/studies/${study}/tables`, {
      table: draftOf(emptyTable('New readings')),
      origin: 'typed',
    }).then(({ id }) => window.location.assign(`${home}/readings/${id}`));
  /** Another order of a table's questions stands at once, and is kept. */
  const move = ({ entry, under }: Branch, from: number, to: number) => {
    const order = arrayMove(
      under.map((b) => b.entry.id),
      from,
      to,
    );
    const moved = order.flatMap((id) => lists.questions.filter((q) => q.id === id));
    setLists({ ...lists, questions: [...lists.questions.filter((q) => q.of !== entry.id), ...moved] });
    send('PUT', `/api/tables/${entry.id}/questions`, { order }).catch((error: unknown) =>
      tell({ text: `The order was not kept: ${inWords(error)}`, stays: true }),
    );
  };
  return (
    <>
      <button
        type="button"
        className="plain-button min-[801px]:hidden"
        inert={!live}
        aria-expanded={drawn}
        aria-controls="spine"
        onClick={() => setDrawn(!drawn)}
      >
        <ListTree size={15} aria-hidden /> In this study
      </button>
      <div id="spine" className={drawn ? '' : 'max-[800px]:hidden'}>
        <section className="mb-3">
          <h2 className="part-of-page flex items-center">
            <span className="grow">Readings</span>
            <span inert={!live}>
              <IconButton name="New readings" icon={Plus} size={14} className="tiny-button" onClick={begin} />
            </span>
          </h2>
          {long && (
            <p className="mb-1 flex items-center gap-2" inert={!live}>
              <input
                className="part min-w-0 grow text-left"
                type="search"
                aria-label="Find in this study"
                placeholder="find …"
                value={typed}
                onChange={(e) => setTyped(e.target.value)}
                onKeyDown={(e) => e.key === 'Escape' && setTyped('')}
              />
              <button type="button" className="plain-button shrink-0 text-xs" onClick={() => folds.foldAll(!folds.all)}>
                {folds.all ? 'Fold all' : 'Unfold all'}
              </button>
            </p>
          )}
          <ul className={long ? '-ml-3' : ''}>
            {shown.map((branch) => (
              <Twig
                key={branch.entry.id}
                branch={branch}
                current={current}
                open={isOpen(branch.entry.id)}
                onFold={long ? (open) => folds.fold(branch.entry.id, open) : undefined}
                onMove={typed === '' ? (from, to) => move(branch, from, to) : undefined}
              />
            ))}
          </ul>
          {typed !== '' && shown.length === 0 && <p className="text-muted">Nothing here goes by that name.</p>}
        </section>
        <Section
          name="Write-up"
          current={current}
          entries={[{ id: 'write-up', label: 'Text, tables and figures', href: `${home}/write-up` }]}
        />
        <Section name="Log" current={current} entries={[{ id: 'log', label: 'All changes', href: `${home}/log` }]} />
        <Section
          name="Bench"
          current={current}
          entries={Object.entries(benchNames).map(([id, label]) => ({
            id,
            label,
            href: links[id as keyof typeof benchNames],
          }))}
        />
      </div>
    </>
  );
}
