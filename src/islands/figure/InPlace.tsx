/** A part of the figure clicked on, with its controls beside it. */
import { X } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { slotsOf } from '../../core/figures/slots';
import {
  BarsControl,
  ComparedControl,
  type ControlProps,
  GroupTitleControl,
  KindControl,
  MeansControl,
  ReadingsControl,
  RulesControl,
  ValueAxisControl,
  ValueTitleControl,
} from './Controls';
import { GroupControl, namedParts } from './GroupControl';

/** Where a part was clicked, and what it is called in the picture. */
export interface Clicked {
  mark: string;
  x: number;
  y: number;
}

/** The group a mark belongs to: by its own name, or by the place of its slot. */
function groupOf({ answer, style }: ControlProps, mark: string) {
  const all = namedParts(answer, style);
  const named = /^(?:name|series)-(.+)$/.exec(mark)?.[1];
  if (named !== undefined) return all.find((n) => n.key === named);
  const place = /^(?:column|mean|readings|box|median|whisker|beyond)-(\d+)$/.exec(mark)?.[1];
  const look = place === undefined ? undefined : slotsOf(answer, style).slots[Number(place)]?.look;
  return all.find((n) => n.key === look);
}

/** What stands open for a part; undefined where the part has nothing to change. */
function controlsFor(props: ControlProps, mark: string): { title: string; body: React.ReactNode } | undefined {
  if (mark === 'y-title') return { title: 'Title of the axis', body: <ValueTitleControl {...props} /> };
  if (mark.startsWith('y-axis')) return { title: 'Axis of values', body: <ValueAxisControl {...props} /> };
  if (mark === 'x-title') return { title: 'Under the names', body: <GroupTitleControl {...props} /> };
  if (mark.startsWith('error-bar') || mark === 'effect-interval')
    return { title: 'Error bars', body: <BarsControl {...props} /> };
  if (mark.startsWith('bracket') || mark === 'letters')
    return { title: 'Comparisons that were made', body: <ComparedControl {...props} /> };
  if (mark.startsWith('rule-')) return { title: 'Lines across', body: <RulesControl {...props} /> };
  const group = groupOf(props, mark);
  if (!group) return undefined;
  return {
    title: group.name,
    body: (
      <>
        <GroupControl {...props} of={group} />
        {/^(column|mean)-/.test(mark) && <MeansControl {...props} />}
        {/^(readings|beyond)-/.test(mark) && <ReadingsControl {...props} />}
        {/^(box|median|whisker|series)-/.test(mark) && <KindControl {...props} />}
      </>
    ),
  };
}

/** Whether a click on this mark opens anything. */
export const canEdit = (props: ControlProps, mark: string): boolean => controlsFor(props, mark) !== undefined;

export function InPlace({ clicked, onClose, ...props }: ControlProps & { clicked: Clicked; onClose: () => void }) {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    box.current?.querySelector<HTMLElement>('input, select')?.focus({ preventScroll: true });
  }, [clicked]);
  useEffect(() => {
    const outside = (event: PointerEvent) => {
      if (!box.current?.contains(event.target as Node)) onClose();
    };
    const escape = (event: KeyboardEvent) => {
      if (event.key === 'Escape') onClose();
    };
    document.addEventListener('pointerdown', outside);
    document.addEventListener('keydown', escape);
    return () => {
      document.removeEventListener('pointerdown', outside);
      document.removeEventListener('keydown', escape);
    };
  }, [onClose]);
  const found = controlsFor(props, clicked.mark);
  if (!found) return null;
  return (
    <div
      ref={box}
      role="dialog"
      aria-label={found.title}
      className="absolute z-10 w-72 border border-line bg-base-100 p-3 text-sm shadow-sm"
      style={{ left: clicked.x, top: clicked.y }}
    >
      <h3 className="part-of-page flex items-baseline justify-between">
        {found.title}
        <button type="button" className="plain-button" aria-label="Close" onClick={onClose}>
          <X size={14} aria-hidden />
        </button>
      </h3>
      {found.body}
    </div>
  );
}
