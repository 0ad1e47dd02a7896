import type { LucideIcon } from 'lucide-react';
import { Fragment, type ReactNode } from 'react';
import { ActionMenu } from './ActionMenu';
import { Hint } from './Hint';
import type { Action } from './action';

/** Actions that belong together: side by side, by their icons alone, or under one name. */
export interface ActionGroup {
  /** The name they are under; side by side without one. */
  menu?: { name: string; icon: LucideIcon };
  /** Whether their icons stand alone, each with its name for whoever asks. */
  bare?: boolean;
  actions: Action[];
}

function Tool({ action, bare }: { action: Action; bare: boolean }) {
  const { name, run, icon: Icon, keys, hint, disabled, open } = action;
  return (
    <Hint says={[bare ? name : undefined, hint, keys].filter(Boolean).join(' · ')}>
      <button
        type="button"
        className={`tool-button ${open ? 'tool-open' : ''}`}
        disabled={disabled}
        aria-label={bare ? name : undefined}
        aria-expanded={open}
        onClick={run}
      >
        {Icon && <Icon size={15} aria-hidden />}
        {!bare && name}
      </button>
    </Hint>
  );
}

/** One bar of actions in groups, set apart by hairlines. */
export const ActionBar = ({ groups, children }: { groups: readonly ActionGroup[]; children?: ReactNode }) => (
  <div className="flex min-h-8 shrink-0 flex-wrap items-center gap-x-0.5 border-y border-line py-0.5 text-sm">
    {groups.map(({ menu, bare = false, actions }, i) => (
      <Fragment key={menu?.name ?? i}>
        {i > 0 && <span aria-hidden className="mx-0.5 h-4 border-l border-line" />}
        {menu ? (
          <ActionMenu {...menu} actions={actions} />
        ) : (
          actions.map((action) => <Tool key={action.name} action={action} bare={bare} />)
        )}
      </Fragment>
    ))}
    {children}
  </div>
);
