import { X } from 'lucide-react';
import { type SyntheticEvent, useState } from 'react';
import { type FigureStyle, type NamedStyle, drawnLike } from '../../core/figures/figure-style';
import { inWords, send } from '../shared/api';
import { Hint } from '../kit/Hint';
import { IconButton } from '../kit/IconButton';

/** Styles kept under a name: taken for this figure, and this figure's kept as another. */
export function StylesControl({ style, onTake }: { style: FigureStyle; onTake: (style: FigureStyle) => void }) {
  const [kept, setKept] = useState<NamedStyle[]>();
  const [name, setName] = useState('');
  const [trouble, setTrouble] = useState('');
  const ask = (method: 'GET' | 'PUT' | 'DELETE', path = '', sent?: NamedStyle) =>
    void send<NamedStyle[]>(method, `/api/figure-styles${path}`, sent).then(
      (all) => {
        setKept(all);
        setTrouble('');
      },
      (error: unknown) => setTrouble(inWords(error)),
    );
  const keep = (event: SyntheticEvent) => {
    event.preventDefault();
    if (name.trim() === '') return;
    ask('PUT', '', { name: name.trim(), style });
    setName('');
  };
  return (
    <details className="border-b border-line py-1.5" onToggle={(e) => e.currentTarget.open && !kept && ask('GET')}>
      <summary className="cursor-pointer text-muted hover:text-primary">Styles kept by name</summary>
      <ul className="pt-1">
        {kept?.map((one) => (
          <li key={one.name} className="flex items-baseline gap-2">
            <Hint says="Size, letters, lines, means, bars and comparisons; what is shown stays">
              <button
                type="button"
                className="plain-button min-w-0 text-left [overflow-wrap:anywhere]"
                onClick={() => onTake(drawnLike(style, one.style))}
              >
                Draw it as “{one.name}”
              </button>
            </Hint>
            <IconButton
              name={`Forget the style ${one.name}`}
              icon={X}
              onClick={() => ask('DELETE', `?name=${encodeURIComponent(one.name)}`)}
            />
          </li>
        ))}
        {kept?.length === 0 && <li className="text-muted">None is kept yet.</li>}
      </ul>
      <form className="flex items-baseline gap-2 pt-1" onSubmit={keep}>
        <input
          className="part min-w-0 grow text-left"
          aria-label="Name of the style"
          placeholder="its name"
          maxLength={80}
          value={name}
          onChange={(e) => setName(e.target.value)}
        />
        <button type="submit" className="plain-button shrink-0" disabled={name.trim() === ''}>
          Keep this style
        </button>
      </form>
      {trouble && (
        <p role="alert" className="text-error">
          {trouble}
        </p>
      )}
    </details>
  );
}
