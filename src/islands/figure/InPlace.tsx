/** A part of the figure clicked on, with its controls beside it. */
import { X } from 'lucide-react';
import { Popover } from '@base-ui/react/popover';
import { useRef } from 'react';
import { isLaid, kindOf } from '../../core/figures/kinds';
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

/** A part that was clicked: what it is called in the picture, and where it stands in the window. */
export interface Clicked {
  mark: string;
  at: DOMRect;
}

/** The group a mark belongs to: by its own name, else by the place of its slot, or by its colour where it is drawn as on the page. */
function groupOf({ answer, style }: ControlProps, mark: string) {
  const all = namedParts(answer, style);
  const named = /^(?:name|series)-(.+)$/.exec(mark)?.[1];
  if (named !== undefined) return all.find((n) => n.key === named);
  const place = /^(?:column|mean|readings|box|median|whisker|beyond)-(\d+)$/.exec(mark)?.[1];
  if (place === undefined) return undefined;
  if (isLaid(kindOf(answer, style)))
    return all.find((n) => n.painted && (style.looks?.[n.key]?.colour ?? n.colour) === Number(place));
  const look = slotsOf(answer, style).slots[Number(place)]?.look;
  return all.find((n) => n.key === look);
}

/** What stands open for a part; undefined where the part has nothing to change. */
export function controlsFor(props: ControlProps, mark: string): { title: string; body: React.ReactNode } | undefined {
  const laid = isLaid(kindOf(props.answer, props.style));
  // Drawn as on the page, it has the page's axes and bars.
  if (laid && /^(y-|x-axis|error-bar|rule-)/.test(mark)) return undefined;
  if (mark === 'y-title') return { title: 'Title of the axis', body: <ValueTitleControl {...props} /> };
  if (mark.startsWith('y-axis')) return { title: 'Axis of values', body: <ValueAxisControl {...props} /> };
  if (mark === 'x-title') return { title: 'Under the names', body: <GroupTitleControl {...props} /> };
  if (mark.startsWith('error-bar')) return { title: 'Error bars', body: <BarsControl {...props} /> };
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
        {!laid && /^(column|mean)-/.test(mark) && <MeansControl {...props} />}
        {!laid && /^(readings|beyond)-/.test(mark) && <ReadingsControl {...props} />}
        {/^(box|median|whisker|series)-/.test(mark) && <KindControl {...props} />}
      </>
    ),
  };
}

/** The controls of a part, beside it: Esc or a click elsewhere closes them, and they never leave the window. */
export function InPlace({ clicked, onClose, ...props }: ControlProps & { clicked: Clicked; onClose: () => void }) {
  const box = useRef<HTMLDivElement>(null);
  const found = controlsFor(props, clicked.mark);
  if (!found) return null;
  return (
    <Popover.Root open onOpenChange={(open) => !open && onClose()}>
      <Popover.Portal>
        <Popover.Positioner
          anchor={{ getBoundingClientRect: () => clicked.at }}
          side="bottom"
          align="start"
          sideOffset={6}
          className="z-30"
        >
          <Popover.Popup
            ref={box}
            initialFocus={() => box.current?.querySelector<HTMLElement>('input, select') ?? true}
            className="w-72 border border-line bg-base-100 p-3 text-sm shadow-sm outline-none"
          >
            <div className="flex items-baseline justify-between">
              <Popover.Title className="part-of-page">{found.title}</Popover.Title>
              <Popover.Close className="plain-button" aria-label="Close">
                <X size={14} aria-hidden />
              </Popover.Close>
            </div>
            {found.body}
          </Popover.Popup>
        </Popover.Positioner>
      </Popover.Portal>
    </Popover.Root>
  );
}
