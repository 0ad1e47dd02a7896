import type { Drawing, Shape } from '../core/drawing/drawing';
import type { CellRef, Ink } from '../core/drawing/scene';

/** A point of a picture: what it says, and its readings. */
export interface PointedAt {
  title: string;
  cells: CellRef[];
}

/** On the page, inks follow the theme through its variables. */
const paint = (ink: Ink): string => (typeof ink === 'string' ? `var(--ink-${ink})` : `var(--group-${ink.group % 8})`);

interface ShapeProps {
  shape: Shape;
  place: number;
  onPoint?: ((point: PointedAt) => void) | undefined;
  marked?: ((cells: readonly CellRef[]) => boolean) | undefined;
}

function ShapeView({ shape, place, onPoint, marked }: ShapeProps) {
  const colour = paint(shape.ink);
  switch (shape.shape) {
    case 'line':
      return (
        <line
          x1={shape.x1}
          y1={shape.y1}
          x2={shape.x2}
          y2={shape.y2}
          stroke={colour}
          strokeWidth={shape.weight}
          strokeDasharray={shape.dash ? '3 3' : undefined}
          data-mark={shape.name}
        />
      );
    case 'rect':
      return (
        <rect
          x={shape.x}
          y={shape.y}
          width={shape.width}
          height={shape.height}
          fill={colour}
          fillOpacity={shape.tint}
          data-mark={shape.name}
        />
      );
    case 'path': {
      // Which readings a point stands for is not looked at before someone asks: of an answer on its way it is a long list.
      const stands = 'cells' in shape;
      const picked = marked !== undefined && shape.cells !== undefined && marked(shape.cells);
      return (
        <path
          d={shape.d}
          fill={shape.open ? 'none' : shape.filled ? colour : 'var(--ink-paper)'}
          fillOpacity={shape.tint}
          strokeDasharray={shape.dash ? '3 3' : undefined}
          stroke={picked ? 'var(--ink-accent)' : shape.weight ? colour : undefined}
          strokeWidth={picked ? 3 : shape.weight || undefined}
          data-mark={shape.name}
          data-place={stands ? place : undefined}
          data-picked={picked ? '' : undefined}
          {...(stands && onPoint
            ? {
                className: 'cursor-pointer',
                onClick: () => onPoint({ title: shape.title ?? '', cells: shape.cells ?? [] }),
              }
            : {})}
        >
          {shape.title && <title>{shape.title}</title>}
        </path>
      );
    }
    case 'text':
      return (
        <text
          x={shape.x}
          y={shape.y}
          fill={colour}
          fontSize={shape.size}
          fontWeight={shape.bold ? 600 : undefined}
          textAnchor={shape.anchor}
          data-mark={shape.name}
          {...(shape.halo ? { stroke: 'var(--ink-paper)', strokeWidth: 4, paintOrder: 'stroke' } : {})}
          transform={shape.turn ? `rotate(${shape.turn} ${shape.x} ${shape.y})` : undefined}
        >
          {shape.text}
        </text>
      );
  }
}

/** A drawing on the page. `physical` gives it its true size in millimetres instead of pixels. */
export function DrawingView({
  drawing,
  physical,
  onPoint,
  marked,
}: {
  drawing: Drawing;
  physical?: { widthMm: number; heightMm: number };
  /** Told which readings a point clicked on stands for. */
  onPoint?: (point: PointedAt) => void;
  /** Whether a point stands for readings picked elsewhere, and is to stand out. */
  marked?: (cells: readonly CellRef[]) => boolean;
}) {
  return (
    <svg
      role="img"
      aria-label={drawing.alt}
      viewBox={`0 0 ${drawing.width} ${drawing.height}`}
      width={physical ? `${physical.widthMm}mm` : drawing.width}
      height={physical ? `${physical.heightMm}mm` : drawing.height}
      className="chart"
    >
      {drawing.shapes.map((shape, i) => (
        <ShapeView
          key={shape.shape === 'path' && shape.key ? shape.key : i}
          shape={shape}
          place={i}
          onPoint={onPoint}
          marked={marked}
        />
      ))}
    </svg>
  );
}
