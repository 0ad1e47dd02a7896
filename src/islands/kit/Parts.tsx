import type { ReactNode } from 'react';

/** What may be chosen: each value with its words, in order. */
export type Options<T extends string | number> =
  readonly (readonly [T, string])[] | Readonly<Partial<Record<T & string, string>>>;

/** One of a few, as a part of a sentence: the browser's own list, which every reader and every phone knows. */
export function Choose<T extends string | number>({
  label,
  value,
  options,
  prompt,
  className = 'part',
  onChange,
  ...rest
}: {
  label: string;
  value: T | undefined;
  options: Options<T>;
  /** What stands there while nothing is chosen. */
  prompt?: string | undefined;
  className?: string;
  autoFocus?: boolean;
  onChange: (value: T) => void;
}) {
  const all = (Array.isArray(options) ? options : Object.entries(options)) as readonly (readonly [T, string])[];
  return (
    <select
      {...rest}
      className={className}
      aria-label={label}
      value={value ?? ''}
      onChange={(e) => {
        const chosen = all[e.target.selectedIndex - (prompt === undefined ? 0 : 1)];
        if (chosen) onChange(chosen[0]);
      }}
    >
      {prompt !== undefined && <option value="">{prompt}</option>}
      {all.map(([key, words]) => (
        <option key={key} value={key}>
          {words}
        </option>
      ))}
    </select>
  );
}

/** Values that are their own words. */
export const asTheyRead = <T extends string | number>(
  values: readonly T[],
  words: (value: T) => string = String,
): (readonly [T, string])[] => values.map((x) => [x, words(x)]);

/** Things with a name, chosen by their id. */
export const byName = <T extends { id: string }>(
  things: readonly T[],
  name: (thing: T) => string,
): [string, string][] => things.map((x) => [x.id, name(x)]);

/** A part of a sentence that is typed. */
export function Fill({
  label,
  value,
  placeholder = '',
  numeric = true,
  onChange,
}: {
  label: string;
  value: string;
  placeholder?: string;
  numeric?: boolean;
  onChange: (text: string) => void;
}) {
  return (
    <input
      className="part"
      aria-label={label}
      inputMode={numeric ? 'numeric' : undefined}
      placeholder={placeholder}
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
