import { type PointerEvent, useMemo, useState } from 'react';
import { DrawingView } from '../../charts/DrawingView';
import { layout } from '../../charts/layout';
import { useRoom } from '../shared/use-room';
import { type ReadCurve, type Reading, readerScene } from '../../core/scenes/reader';

interface Props {
  /** Curves and reading as one text: the picture is drawn anew only when this changes, for some curves take their time. */
  asked: string;
  /** Boundaries stand on whole numbers. */
  whole: boolean;
  /** A boundary taken hold of, and where it is carried. */
  onTake: (key: 'a' | 'b', value: string) => void;
  onDrag: (key: 'a' | 'b', value: string) => void;
}

/** The curve, its boundaries to be dragged. */
export function CurvePicture({ asked, whole, onTake, onDrag }: Props) {
  const { frame, width } = useRoom(860, 280);
  const [grip, setGrip] = useState<'a' | 'b'>();
  const { scene, drawing, reading } = useMemo(() => {
    const [read, now] = JSON.parse(asked) as [ReadCurve[], Reading];
    const made = readerScene(read, now, width);
    return { scene: made, drawing: layout(made), reading: now };
  }, [asked, width]);
  const at = (event: PointerEvent): number => {
    const [panel] = scene.panels;
    const box = frame.current?.getBoundingClientRect();
    if (!panel || !box) return 0;
    const [from, to] = panel.x.domain;
    return from + ((event.clientX - box.left - panel.left) / panel.width) * (to - from);
  };
  const written = (value: number): string => String(whole ? Math.round(value) : Number(value.toPrecision(5)));
  const take = (event: PointerEvent) => {
    const value = at(event);
    const { a, b } = reading;
    const key = b !== undefined && Math.abs(value - b) < Math.abs(value - a) ? 'b' : 'a';
    setGrip(key);
    event.currentTarget.setPointerCapture(event.pointerId);
    onTake(key, written(value));
  };
  return (
    <div
      ref={frame}
      className="mt-3 max-w-4xl cursor-ew-resize touch-none"
      data-testid="curve"
      onPointerDown={take}
      onPointerMove={(event) => grip && onDrag(grip, written(at(event)))}
      onPointerUp={() => setGrip(undefined)}
    >
      <DrawingView drawing={drawing} />
    </div>
  );
}
