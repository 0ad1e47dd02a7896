import { mostOf } from '../../core/numeric/extremes';
import { type PointerEvent, useMemo, useRef, useState } from 'react';
import { readColumn } from '../../core/readings/read-column';
import type { Column } from '../../core/readings/table';
import { significant } from '../../core/words/numbers';
import { columnWidth } from './measures';

const height = 26;
const inset = 7;
const bars = 33;

/** A column's readings counted in equal stretches from the least to the greatest. */
function distribution(column: Column): { low: number; high: number; counts: number[] } | undefined {
  const { used } = readColumn(column);
  let low = Infinity;
  let high = -Infinity;
  for (const { value } of used) {
    if (value < low) low = value;
    if (value > high) high = value;
  }
  if (used.length < 2 || !(high > low)) return undefined;
  const counts = new Array<number>(bars).fill(0);
  for (const { value } of used) {
    const bin = Math.min(bars - 1, Math.floor(((value - low) / (high - low)) * bars));
    counts[bin] = (counts[bin] ?? 0) + 1;
  }
  return { low, high, counts };
}

/** How many of the picked rows fall into each stretch. */
function pickedCounts(
  column: Column,
  { low, high }: { low: number; high: number },
  marked: ReadonlySet<number>,
): number[] {
  const counts = new Array<number>(bars).fill(0);
  for (const { row, value } of readColumn(column).used) {
    if (!marked.has(row)) continue;
    const bin = Math.min(bars - 1, Math.floor(((value - low) / (high - low)) * bars));
    counts[bin] = (counts[bin] ?? 0) + 1;
  }
  return counts;
}

/** The distribution of a column under its head. Dragging over it picks the rows whose readings lie there. */
export function HeadStrip({
  column,
  colour,
  marked,
  active,
  onBrush,
}: {
  column: Column;
  colour: number | undefined;
  /** Rows picked, shown darker among the others. */
  marked: ReadonlySet<number>;
  /** The row under the hand. */
  active: number;
  onBrush: (low: number, high: number) => void;
}) {
  const shape = useMemo(() => distribution(column), [column]);
  const picked = useMemo(
    () => (shape && marked.size > 0 ? pickedCounts(column, shape, marked) : undefined),
    [column, shape, marked],
  );
  const here = readColumn(column).used.find((r) => r.row === active)?.value ?? NaN;
  const svg = useRef<SVGSVGElement>(null);
  const [drag, setDrag] = useState<{ from: number; to: number }>();
  if (!shape) return <div style={{ height }} />;
  const width = columnWidth - 2 * inset;
  const most = mostOf(shape.counts);
  const at = (event: PointerEvent): number => {
    const box = svg.current?.getBoundingClientRect();
    return box ? Math.min(width, Math.max(0, event.clientX - box.left)) : 0;
  };
  // A drag that begins or ends at the edge takes in the least or greatest reading.
  const valueAt = (x: number): number =>
    x <= 2 ? shape.low : x >= width - 2 ? shape.high : shape.low + (x / width) * (shape.high - shape.low);
  const end = () => {
    if (!drag) return;
    const [a, b] = [Math.min(drag.from, drag.to), Math.max(drag.from, drag.to)];
    setDrag(undefined);
    if (b - a > 2) onBrush(valueAt(a), valueAt(b));
  };
  return (
    <svg
      ref={svg}
      data-own-drag
      width={width}
      height={height}
      className="block cursor-col-resize touch-none"
      role="img"
      aria-label={`Distribution of ${column.name}: ${significant(shape.low, 4)} to ${significant(shape.high, 4)}. Drag to pick rows.`}
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        setDrag({ from: at(e), to: at(e) });
      }}
      onPointerMove={(e) => drag && setDrag({ ...drag, to: at(e) })}
      onPointerUp={end}
      onPointerCancel={() => setDrag(undefined)}
    >
      {shape.counts.map((count, i) => {
        const tall = (count / most) * (height - 4);
        return (
          <rect
            key={i}
            x={(i * width) / bars + 0.5}
            width={width / bars - 1}
            y={height - 2 - tall}
            height={tall}
            fill={colour === undefined ? 'var(--ink-muted)' : `var(--group-${colour % 8})`}
            opacity={0.75}
          />
        );
      })}
      {picked?.map((count, i) => (
        <rect
          key={`p${i}`}
          x={(i * width) / bars + 0.5}
          width={width / bars - 1}
          y={height - 2 - (count / most) * (height - 4)}
          height={(count / most) * (height - 4)}
          fill="var(--ink-ink)"
        />
      ))}
      {Number.isFinite(here) && (
        <circle
          cx={((here - shape.low) / (shape.high - shape.low)) * width}
          cy={height - 1.5}
          r={2.5}
          fill="var(--ink-ink)"
        />
      )}
      <line x1={0} x2={width} y1={height - 1.5} y2={height - 1.5} stroke="var(--ink-line)" />
      {drag && (
        <rect
          x={Math.min(drag.from, drag.to)}
          width={Math.abs(drag.to - drag.from)}
          y={0}
          height={height}
          fill="var(--ink-accent)"
          opacity={0.22}
        />
      )}
    </svg>
  );
}
