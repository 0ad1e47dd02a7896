import { mostOf } from '../../core/numeric/extremes';
import { type KeyboardEvent, type PointerEvent, useMemo, useRef, useState } from 'react';
import { readColumn } from '../../core/readings/read-column';
import type { Column } from '../../core/readings/table';
import { significant } from '../../core/words/numbers';

const width = 420;
const height = 64;
const bars = 60;

/** A column's distribution with its cut-points, which are dragged or moved by the arrow keys. */
export function CutsPicture({
  column,
  cuts,
  onChange,
}: {
  column: Column;
  cuts: readonly number[];
  onChange: (cuts: number[]) => void;
}) {
  const svg = useRef<SVGSVGElement>(null);
  const [held, setHeld] = useState<number>();
  const { low, high, counts } = useMemo(() => {
    const values = readColumn(column).used.map((r) => r.value);
    const from = values.reduce((a, b) => Math.min(a, b), Infinity);
    const to = values.reduce((a, b) => Math.max(a, b), -Infinity);
    const found = new Array<number>(bars).fill(0);
    for (const v of values) {
      const bin = Math.min(bars - 1, Math.max(0, Math.floor(((v - from) / (to - from || 1)) * bars)));
      found[bin] = (found[bin] ?? 0) + 1;
    }
    return { low: from, high: to, counts: found };
  }, [column]);
  if (!(high > low)) return <p className="text-sm text-muted">There is no spread to cut.</p>;
  // As many figures as a hand can place: a step of a three-hundredth of the range, rounded.
  const step = 10 ** Math.floor(Math.log10((high - low) / 100));
  const rounded = (v: number): number => Number((Math.round(v / step) * step).toPrecision(12));
  const place = (v: number): number => ((v - low) / (high - low)) * width;
  const move = (i: number, v: number): void => {
    const [before = -Infinity, after = Infinity] = [cuts[i - 1], cuts[i + 1]];
    const next = rounded(v);
    if (next > before && next < after) onChange(cuts.map((c, k) => (k === i ? next : c)));
  };
  const onMove = (event: PointerEvent): void => {
    const box = svg.current?.getBoundingClientRect();
    if (held === undefined || !box) return;
    move(held, low + (Math.min(width, Math.max(0, event.clientX - box.left)) / width) * (high - low));
  };
  const onKey = (event: KeyboardEvent, i: number): void => {
    const by = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    move(i, (cuts[i] ?? 0) + by * step * (event.shiftKey ? 10 : 1));
  };
  const most = mostOf(counts);
  return (
    <svg
      ref={svg}
      width={width}
      height={height + 18}
      className="touch-none overflow-visible"
      onPointerMove={onMove}
      onPointerUp={() => setHeld(undefined)}
    >
      {counts.map((count, i) => (
        <rect
          key={i}
          x={(i * width) / bars + 0.5}
          width={width / bars - 1}
          y={height - (count / most) * (height - 6)}
          height={(count / most) * (height - 6)}
          fill="var(--ink-muted)"
        />
      ))}
      <line x1={0} x2={width} y1={height} y2={height} stroke="var(--ink-ink)" />
      {cuts.map((cut, i) => (
        <g
          key={i}
          role="slider"
          tabIndex={0}
          aria-label={`Cut-point ${i + 1}`}
          aria-valuenow={cut}
          aria-valuemin={low}
          aria-valuemax={high}
          transform={`translate(${place(cut)} 0)`}
          className="cursor-ew-resize"
          onPointerDown={(e) => {
            svg.current?.setPointerCapture(e.pointerId);
            setHeld(i);
          }}
          onKeyDown={(e) => onKey(e, i)}
        >
          <rect x={-7} width={14} y={0} height={height} fill="transparent" />
          <line y1={0} y2={height} stroke="var(--ink-accent)" strokeWidth={2} />
          <circle cy={2} r={4} fill="var(--ink-accent)" />
          <text y={height + 14} textAnchor="middle" fontSize={12.5} fill="var(--ink-ink)">
            {cut}
          </text>
        </g>
      ))}
      <text x={0} y={height + 14} fontSize={12} fill="var(--ink-muted)">
        {significant(low, 4)}
      </text>
      <text x={width} y={height + 14} fontSize={12} textAnchor="end" fill="var(--ink-muted)">
        {significant(high, 4)}
      </text>
    </svg>
  );
}
