import { Suspense, lazy, useEffect, useMemo, useRef, useState } from 'react';
import { DrawingView, type PointedAt } from '../../charts/DrawingView';
import { layout } from '../../charts/layout';
import type { Answer } from '../../core/answer/answer';
import { lookScene } from '../../core/scenes/look';
import { type View, views } from '../../core/scenes/views';

const OtherView = lazy(() => import('./OtherView'));

interface Props {
  answer: Answer;
  sorted: boolean;
  onPoint: (point: PointedAt) => void;
}

/** The picture of the answer, and the same readings looked at otherwise. */
export function LookPart({ answer, sorted, onPoint }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(690);
  const [view, setView] = useState<View>('points');
  useEffect(() => {
    if (!frame.current) return;
    const watcher = new ResizeObserver(
      ([entry]) => entry && setWidth(Math.max(420, Math.floor(entry.contentRect.width))),
    );
    watcher.observe(frame.current);
    return () => watcher.disconnect();
  }, []);
  const drawing = useMemo(
    () => (view === 'points' ? layout(lookScene(answer, width, sorted)) : undefined),
    [answer, width, sorted, view],
  );
  return (
    <div ref={frame}>
      {!answer.reported && (
        <p role="group" aria-label="How the readings are shown" className="flex gap-x-3 text-[13px]">
          {Object.entries(views).map(([key, words]) => (
            <button
              key={key}
              type="button"
              aria-pressed={view === key}
              className={`plain-button !min-h-0 ${view === key ? 'underline underline-offset-4' : ''}`}
              onClick={() => setView(key as View)}
            >
              {words}
            </button>
          ))}
        </p>
      )}
      <div className="overflow-x-auto">
        {drawing && <DrawingView drawing={drawing} onPoint={onPoint} />}
        {view !== 'points' && (
          <Suspense>
            <OtherView answer={answer} view={view} width={width} />
          </Suspense>
        )}
      </div>
    </div>
  );
}
