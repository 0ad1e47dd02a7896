import { Redo2, Undo2 } from 'lucide-react';
import type { ReactNode } from 'react';

/** One thing that can be done from the line above the grid. */
export interface Tool {
  label: ReactNode;
  run: () => void;
  disabled?: boolean;
  title?: string;
  /** Whether what it opens is open. */
  open?: boolean;
  name?: string;
}

/** A line of plain-word buttons. */
export function Toolbar({ tools, children }: { tools: readonly Tool[]; children?: ReactNode }) {
  return (
    <div className="flex min-h-7 shrink-0 flex-wrap items-center gap-x-4 text-sm">
      {tools.map((tool, i) => (
        <button
          key={i}
          type="button"
          className={`plain-button ${tool.open ? 'underline underline-offset-3' : ''}`}
          disabled={tool.disabled}
          title={tool.title}
          aria-label={tool.name}
          aria-expanded={tool.open}
          onClick={tool.run}
        >
          {tool.label}
        </button>
      ))}
      {children}
    </div>
  );
}

const icon = { size: 15, 'aria-hidden': true } as const;

export const undoLabel = (
  <>
    <Undo2 {...icon} /> Undo
  </>
);
export const redoLabel = (
  <>
    <Redo2 {...icon} /> Redo
  </>
);
