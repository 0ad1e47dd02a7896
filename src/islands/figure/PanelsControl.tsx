import { X } from 'lucide-react';
import { Ordered } from '../kit/Ordered';
import { Choose, byName } from '../kit/Parts';
import { Choice, Chosen, Switch } from './Controls';
import type { FigureStyle } from '../../core/figures/figure-style';
import { IconButton } from '../kit/IconButton';

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
  const nameOf = (id: string): string => others.find((o) => o.id === id)?.label ?? 'a figure since removed';
  const letterOf = (id: string): string => String.fromCharCode(66 + beside.indexOf(id));
  const keep = (next: string[]) => set({ beside: next.length > 0 ? next : undefined });
  return (
    <>
      <Choice name="Panels">
        <Ordered ids={beside} name={nameOf} onOrder={keep}>
          {(id, moving) => {
            const letter = letterOf(id);
            return (
              <span className="flex items-baseline gap-1">
                <a
                  className="plain-button min-w-0 grow [overflow-wrap:anywhere]"
                  href={others.find((o) => o.id === id)?.href ?? '#'}
                >
                  {letter}: {nameOf(id)}
                </a>
                {moving}
                <IconButton
                  name={`Take panel ${letter} out`}
                  icon={X}
                  onClick={() => keep(beside.filter((b) => b !== id))}
                />
              </span>
            );
          }}
        </Ordered>
        {left.length > 0 && beside.length < 11 ? (
          <Choose
            label="Add a panel"
            value={undefined}
            prompt="add another figure …"
            options={byName(left, (o) => o.label)}
            onChange={(id) => keep([...beside, id])}
          />
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
          <Chosen label="Panel letters" part="panelLetters" usual="capital" style={style} set={set} />
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
