import { Menu } from '@base-ui/react/menu';
import { ChevronDown, type LucideIcon } from 'lucide-react';
import type { Action } from './action';

/** A button that opens a list of actions: arrows go through them, letters jump, Esc closes it and gives focus back. */
export const ActionMenu = ({ name, icon: Icon, actions }: { name: string; icon?: LucideIcon; actions: Action[] }) => (
  <Menu.Root modal={false}>
    <Menu.Trigger className="tool-button">
      {Icon && <Icon size={15} aria-hidden />} {name} <ChevronDown size={13} aria-hidden />
    </Menu.Trigger>
    <Menu.Portal>
      <Menu.Positioner sideOffset={4} align="start" className="z-40">
        <Menu.Popup className="min-w-56 border border-line bg-base-100 py-1 text-sm shadow-lg outline-none">
          {actions.map(({ name: label, run, icon: Mark, keys, hint, disabled = false }) => (
            <Menu.Item key={label} disabled={disabled} onClick={run} className="menu-line">
              <span className="w-4">{Mark && <Mark size={15} aria-hidden />}</span>
              <span className="grow">
                {label}
                {hint && <span className="block text-xs text-muted">{hint}</span>}
              </span>
              {keys && <kbd className="pl-6 text-xs text-muted">{keys}</kbd>}
            </Menu.Item>
          ))}
        </Menu.Popup>
      </Menu.Positioner>
    </Menu.Portal>
  </Menu.Root>
);
