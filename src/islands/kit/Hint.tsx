import { Tooltip } from '@base-ui/react/tooltip';
import type { ReactElement } from 'react';

/** What a button or a link does, said beside it to whoever points at it or comes to it by keys. */
export const Hint = ({ says, children }: { says: string | undefined; children: ReactElement<object> }) =>
  says ? (
    <Tooltip.Root>
      {/* Its name is its own; this describes it. */}
      <Tooltip.Trigger render={children} aria-description={says} delay={400} />
      <Tooltip.Portal>
        <Tooltip.Positioner sideOffset={6} className="z-40">
          <Tooltip.Popup className="hint">{says}</Tooltip.Popup>
        </Tooltip.Positioner>
      </Tooltip.Portal>
    </Tooltip.Root>
  ) : (
    children
  );
