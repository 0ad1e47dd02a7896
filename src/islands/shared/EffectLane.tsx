import { type EffectAxis, alongAxis, effectShare } from '../../core/scenes/effect-axis';
import type { Row } from '../../core/words/tables/result-table';

const percent = (share: number): string => `${(100 * share).toFixed(3)}%`;

/** The column of a lane is as wide as the axis of the picture above it. */
export const laneWidth = percent(effectShare);

/** The divide line with its dot: filled where it begins, open where it ends. */
export function LaneEnd({ axis, end }: { axis: EffectAxis; end: 'top' | 'bottom' }) {
  const at = percent(alongAxis(axis, axis.none));
  return (
    <div className="mr-3">
      <svg className="block h-3.5 w-full overflow-visible" aria-hidden>
        <line x1={at} x2={at} y1={end === 'top' ? 7 : 0} y2={end === 'top' ? 14 : 7} className="lane-line" />
        <circle cx={at} cy={7} r={3.5} className={end === 'top' ? 'lane-dot' : 'lane-dot-open'} />
      </svg>
    </div>
  );
}

/** An effect with its interval on the axis all effects of the page share, against the line of no difference. */
export function EffectLane({ axis, effect }: { axis: EffectAxis; effect: Row['effect'] }) {
  const none = percent(alongAxis(axis, axis.none));
  const { bounds, domain } = axis;
  const place = (x: number): string => percent(alongAxis(axis, x));
  const { estimate, interval, significant = false } = effect ?? {};
  const tone = significant ? 'lane-clear' : 'lane-unclear';
  return (
    <div className="absolute inset-y-0 right-3 left-0">
      <svg className="block h-full w-full overflow-visible" aria-hidden>
        {bounds && (
          <rect
            x={place(bounds.low)}
            width={percent(alongAxis(axis, bounds.high) - alongAxis(axis, bounds.low))}
            y={0}
            height="100%"
            className="lane-bounds"
          />
        )}
        <line x1={none} x2={none} y1={0} y2="100%" className="lane-line" />
        {interval && (
          <>
            <line
              x1={place(interval.low)}
              x2={place(interval.high)}
              y1={14}
              y2={14}
              className={`${tone} lane-interval`}
            />
            {/* An end beyond the axis has no cap: the line runs out. */}
            {[interval.low, interval.high].map(
              (end, i) =>
                end >= domain[0] &&
                end <= domain[1] && (
                  <line key={i} x1={place(end)} x2={place(end)} y1={10} y2={18} className={`${tone} lane-interval`} />
                ),
            )}
          </>
        )}
        {estimate !== undefined && estimate >= domain[0] && estimate <= domain[1] && (
          <circle
            cx={place(estimate)}
            cy={14}
            r={4}
            className={`${tone} ${significant ? 'lane-full' : 'lane-hollow'}`}
          />
        )}
      </svg>
    </div>
  );
}
