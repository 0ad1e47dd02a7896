import { X } from 'lucide-react';
import { Choose } from '../shared/Parts';
import { Choice, Chosen, Switch } from './Controls';
import type { FigureStyle } from '../../core/figures/figure-style';

/** Another figure of the study, by the name of its question. */
export interface OtherFigure {
  id: string;
  label: string;
  href: string;
}

/** Further figures drawn with this one, each as a panel of the same size with its letter. */
export function PanelsControl({
  style,
  set,
  others,
}: {
  style: FigureStyle;
  set: (part: Partial<FigureStyle>) => void;
  others: readonly OtherFigure[];
}) {
  const beside = style.beside ?? [];
  const left = others.filter((o) => !beside.includes(o.id));
  const keep = (next: string[]) => set({ beside: next.length > 0 ? next : undefined });
  return (
    <>
      <Choice name="Panels">
        {beside.map((id, i) => {
          const other = others.find((o) => o.id === id);
          return (
            <span key={id} className="flex items-baseline gap-1">
              <a className="plain-button min-w-0 [overflow-wrap:anywhere]" href={other?.href ?? '#'}>
                {String.fromCharCode(66 + i)}: {other?.label ?? 'a figure since removed'}
              </a>
              <button
                type="button"
                className="plain-button"
                aria-label={`Take panel ${String.fromCharCode(66 + i)} out`}
                onClick={() => keep(beside.filter((b) => b !== id))}
              >
                <X size={14} aria-hidden />
              </button>
            </span>
          );
        })}
        {left.length > 0 && beside.length < 11 ? (
          <select
            className="part"
            aria-label="Add a panel"
            value=""
            onChange={(e) => e.target.value && keep([...beside, e.target.value])}
          >
            <option value="">add another figure …</option>
            {left.map((o) => (
              <option key={o.id} value={o.id}>
                {o.label}
              </option>
            ))}
          </select>
        ) : (
          beside.length === 0 && <span className="text-muted">make another figure first</span>
        )}
      </Choice>
      {beside.length > 0 && (
        <Choice name="Set">
          <Choose
            label="Panels in a row"
            value={String(style.across ?? 2)}
            options={{ 1: 'one in a row', 2: 'two in a row', 3: 'three in a row', 4: 'four in a row' }}
            onChange={(n) => set({ across: Number(n) })}
          />
          {', '}
          <Chosen
            label="Panel letters"
            part="panelLetters"
            options={{ capital: 'A, B, C', small: 'a, b, c', none: 'no letters' }}
            usual="capital"
            style={style}
            set={set}
          />
          {', '}
          <Switch
            label="Scales of the panels"
            part="sharedScale"
            words={['each its own scale', 'one scale for one unit']}
            style={style}
            set={set}
          />
        </Choice>
      )}
    </>
  );
}
