import { markerPath } from '../../charts/markers';

/** A group's own colour and shape, beside its name. */
export const GroupMarker = ({ position }: { position: number }) => (
  <svg width={12} height={12} viewBox="0 0 12 12" aria-hidden className="shrink-0">
    <path d={markerPath(position, [{ x: 6, y: 6 }], 10)} fill={`var(--group-${position % 8})`} />
  </svg>
);
