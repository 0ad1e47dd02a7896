import { type ReactNode, useRef, useState } from 'react';
import { DrawingView, type PointedAt } from '../../charts/DrawingView';
import type { Answer } from '../../core/answer/answer';
import { isBare } from '../../core/answer/is-bare';
import type { Drawing } from '../../core/drawing/drawing';
import { counted } from '../../core/words/numbers';
import { kindsFor } from '../../core/figures/kinds';
import { changesOf } from '../../core/scenes/changes-look';
import { useAddressPart } from '../shared/address-part';
import { type TableView, type View, tableViews, views } from '../../core/scenes/views';
import { useRoom } from '../shared/use-room';
import { useView } from './use-view';
import { Choose, byName } from '../kit/Parts';

interface Props {
  answer: Answer;
  sorted: boolean;
  /** Rows picked in the readings: their points stand out. */
  picked: ReadonlySet<number>;
  onPoint: (point: PointedAt) => void;
}

/** The picture of the answer, and the same readings looked at otherwise. */
export function LookPart({ answer, sorted, picked, onPoint }: Props) {
  const { frame, width } = useRoom(690, 420);
  const [asked, setAsked] = useAddressPart('look');
  const view: View | TableView =
    asked !== undefined && (asked in views || asked in tableViews) ? (asked as View | TableView) : 'points';
  const setView = (next: View | TableView) => setAsked(next === 'points' ? undefined : next);
  const changes = changesOf(answer) !== undefined;
  const bare = isBare(answer);
  const shown = (answer.counted && view !== 'stacked') || (view === 'change' && !changes) ? 'points' : view;
  const [from, setFrom] = useAddressPart('from');
  const { view: drawing, late } = useView('look', answer, width, sorted, shown, from ?? null);
  const offered = answer.counted
    ? kindsFor(answer).includes('stacked')
      ? tableViews
      : undefined
    : answer.reported
      ? undefined
      : Object.fromEntries(Object.entries(views).filter(([key]) => key !== 'change' || changes));
  return (
    <div ref={frame}>
      {offered && (
        <p role="group" aria-label="How the readings are shown" className="flex gap-x-3 text-[13px]">
          {Object.entries(offered).map(([key, words]) => (
            <button
              key={key}
              type="button"
              aria-pressed={view === key}
              className={`plain-button !min-h-0 ${view === key ? 'underline underline-offset-4' : ''}`}
              onClick={() => setView(key as View | TableView)}
            >
              {words}
            </button>
          ))}
          {view === 'change' && changes && (
            <label>
              from{' '}
              <Choose
                className="part !min-h-0"
                label="Changes from"
                value={from ?? answer.groups[0]?.id}
                options={byName(answer.groups, (g) => g.name)}
                onChange={(id) => setFrom(id === answer.groups[0]?.id ? undefined : id)}
              />
            </label>
          )}
        </p>
      )}
      <div className={`overflow-x-auto ${late ? 'opacity-50' : ''}`} aria-busy={late}>
        {bare && <p className="py-6 text-sm text-muted">Readings are drawn here as they come.</p>}
        {!bare && !drawing && <p className="h-40 text-sm text-muted">Drawing …</p>}
        {!bare && drawing && (
          <Brushed drawing={drawing} onPoint={onPoint}>
            <DrawingView
              drawing={drawing}
              onPoint={onPoint}
              {...(picked.size > 0 ? { marked: (cells) => cells.some((c) => picked.has(c.row)) } : {})}
            />
          </Brushed>
        )}
      </div>
    </div>
  );
}

/** Drawing a box over the picture chooses the readings whose points lie in it. */
function Brushed({
  drawing,
  onPoint,
  children,
}: {
  drawing: Drawing;
  onPoint: (point: PointedAt) => void;
  children: ReactNode;
}) {
  const frame = useRef<HTMLDivElement>(null);
  const [box, setBox] = useState<{ left: number; top: number; x1: number; y1: number; x2: number; y2: number }>();
  const choose = () => {
    if (!box || !frame.current) return;
    const [left, right] = [Math.min(box.x1, box.x2), Math.max(box.x1, box.x2)];
    const [top, bottom] = [Math.min(box.y1, box.y2), Math.max(box.y1, box.y2)];
    setBox(undefined);
    // A click is not a box.
    if (right - left < 5 && bottom - top < 5) return;
    const cells = [...frame.current.querySelectorAll('path[data-place]')].flatMap((path) => {
      const { x, y, width, height } = path.getBoundingClientRect();
      const [cx, cy] = [x + width / 2, y + height / 2];
      const shape = drawing.shapes[Number(path.getAttribute('data-place'))];
      const inside = cx >= left && cx <= right && cy >= top && cy <= bottom;
      return inside && shape?.shape === 'path' ? (shape.cells ?? []) : [];
    });
    if (cells.length > 0) onPoint({ title: `${counted(cells.length, 'reading')} chosen`, cells });
  };
  return (
    <div
      ref={frame}
      className="moving relative w-fit touch-pan-y select-none"
      data-testid="look"
      onPointerDown={(e) => {
        if (e.button !== 0) return;
        const { left, top } = e.currentTarget.getBoundingClientRect();
        setBox({ left, top, x1: e.clientX, y1: e.clientY, x2: e.clientX, y2: e.clientY });
      }}
      onPointerMove={(e) => box && setBox({ ...box, x2: e.clientX, y2: e.clientY })}
      onPointerUp={choose}
      onPointerLeave={() => setBox(undefined)}
    >
      {children}
      {box && Math.hypot(box.x2 - box.x1, box.y2 - box.y1) > 5 && (
        <div
          className="pointer-events-none absolute border border-primary bg-primary/10"
          style={{
            left: Math.min(box.x1, box.x2) - box.left,
            top: Math.min(box.y1, box.y2) - box.top,
            width: Math.abs(box.x2 - box.x1),
            height: Math.abs(box.y2 - box.y1),
          }}
        />
      )}
    </div>
  );
}
