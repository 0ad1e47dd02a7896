import type { LucideIcon } from 'lucide-react';

/** One thing that can be done: drawn as a button or a line of a menu, and found by its name. */
export interface Action {
  name: string;
  run: () => void;
  icon?: LucideIcon;
  /** Its keys, as they are told: "Ctrl+Z". */
  keys?: string;
  /** What it does, where its name does not say. */
  hint?: string;
  disabled?: boolean;
  /** Whether what it opens is open. */
  open?: boolean;
}
