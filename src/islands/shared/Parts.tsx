import type { ReactNode } from 'react';

/** A part of a sentence that is chosen from a few. */
export function Choose<T extends string>({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: T;
  /** Each value with its words. */
  options: Readonly<Partial<Record<T, string>>>;
  onChange: (value: T) => void;
}) {
  return (
    <select className="part" aria-label={label} value={value} onChange={(e) => onChange(e.target.value as T)}>
      {Object.entries(options).map(([key, words]) => (
        <option key={key} value={key}>
          {words as string}
        </option>
      ))}
    </select>
  );
}

/** A part of a sentence that is typed. */
export function Fill({
  label,
  value,
  width = 'w-12',
  numeric = true,
  onChange,
}: {
  label: string;
  value: string;
  width?: string;
  numeric?: boolean;
  onChange: (text: string) => void;
}) {
  return (
    <input
      className={`part ${width}`}
      aria-label={label}
      inputMode={numeric ? 'numeric' : undefined}
      value={value}
      onChange={(e) => onChange(e.target.value)}
    />
  );
}

/** A tool opened above the grid, written as a sentence: Enter does it, Escape closes it. */
export function ToolForm({ onDo, onClose, children }: { onDo: () => void; onClose: () => void; children: ReactNode }) {
  return (
    <form
      className="flex flex-wrap items-baseline gap-x-2.5 gap-y-1 border-t border-line py-1.5 text-sm"
      onSubmit={(e) => {
        e.preventDefault();
        onDo();
      }}
      onKeyDown={(e) => e.key === 'Escape' && onClose()}
    >
      {children}
    </form>
  );
}
