import { type PointerEvent, useMemo, useState } from 'react';
import { DrawingView } from '../../charts/DrawingView';
import { layout } from '../../charts/layout';
import { useRoom } from '../shared/use-room';
import type { Plan } from '../../core/planning/plan';
import { planScene } from '../../core/scenes/plan-picture';
import type { Query } from './address';

/** Both power curves, their points to be dragged. */
export function PowerPicture({
  asked,
  onTake,
  onDrag,
}: {
  asked: string;
  onTake: (part: Partial<Query>) => void;
  onDrag: (part: Partial<Query>) => void;
}) {
  const { frame, width } = useRoom(880, 280);
  const [grip, setGrip] = useState<number>();
  const { scene, drawing } = useMemo(() => {
    const made = planScene(...(JSON.parse(asked) as [Plan, number, number, string]), width);
    return { scene: made, drawing: layout(made) };
  }, [asked, width]);
  const at = (event: PointerEvent, k: number): Partial<Query> => {
    const panel = scene.panels[k];
    const box = frame.current?.getBoundingClientRect();
    if (!panel || !box) return {};
    const [from, to] = panel.x.domain;
    const share = Math.min(1, Math.max(0, (event.clientX - box.left - panel.left) / panel.width));
    const value = from + share * (to - from);
    return k === 0
      ? { ask: 'power', n: String(Math.max(2, Math.round(value))) }
      : { ask: 'power', difference: String(Number(value.toPrecision(3))) };
  };
  const take = (event: PointerEvent) => {
    const box = frame.current?.getBoundingClientRect();
    const second = scene.panels[1];
    if (!box || !second) return;
    const below = event.clientY - box.top > second.top - 20;
    const k = below && event.clientX - box.left > second.left - 40 ? 1 : 0;
    setGrip(k);
    event.currentTarget.setPointerCapture(event.pointerId);
    onTake(at(event, k));
  };
  return (
    <div
      ref={frame}
      className="mt-3 max-w-5xl cursor-ew-resize touch-none"
      data-testid="power"
      onPointerDown={take}
      onPointerMove={(event) => grip !== undefined && onDrag(at(event, grip))}
      onPointerUp={() => setGrip(undefined)}
    >
      <DrawingView drawing={drawing} />
    </div>
  );
}
