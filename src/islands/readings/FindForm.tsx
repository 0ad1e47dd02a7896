import { ChevronDown, ChevronUp } from 'lucide-react';
import { useMemo, useState } from 'react';
import type { Table } from '../../core/readings/table';
import { ToolForm } from '../kit/Parts';

interface Props {
  table: Table;
  onGo: (row: number, column: number) => void;
  onClose: () => void;
}

/** Most cells gathered by one search. */
const most = 10_000;

function find(table: Table, text: string): { row: number; column: number }[] {
  const wanted = text.trim().toLowerCase();
  if (wanted === '') return [];
  const found: { row: number; column: number }[] = [];
  for (let row = 0; row < table.rowCount && found.length < most; row++)
    table.columns.forEach(({ cells }, column) => {
      if (cells[row]?.toLowerCase().includes(wanted)) found.push({ row, column });
    });
  return found;
}

/** Finds cells by a part of their text; Enter goes to the next, Shift+Enter to the one before. */
export function FindForm({ table, onGo, onClose }: Props) {
  const [text, setText] = useState('');
  const [at, setAt] = useState(-1);
  const found = useMemo(() => find(table, text), [table, text]);
  const step = (by: 1 | -1) => {
    const next = found.length === 0 ? -1 : (at + by + found.length) % found.length;
    setAt(next);
    const cell = found[next];
    if (cell) onGo(cell.row, cell.column);
  };
  return (
    <ToolForm
      onDo={() => {
        step(1);
      }}
      onClose={onClose}
    >
      <label htmlFor="find-text">Find cells with</label>
      <input
        id="find-text"
        className="part min-w-48"
        autoFocus
        value={text}
        onChange={(e) => {
          setText(e.target.value);
          setAt(-1);
        }}
        onKeyDown={(e) => {
          if (e.key === 'Enter' && e.shiftKey) {
            e.preventDefault();
            step(-1);
          }
        }}
      />
      <span role="status" className="text-muted">
        {text.trim() === ''
          ? ''
          : found.length === 0
            ? 'none'
            : at < 0
              ? `${found.length}${found.length >= most ? ' or more' : ''}, Enter goes through them`
              : `${at + 1} of ${found.length}`}
      </span>
      <button type="submit" className="plain-button" disabled={found.length === 0} aria-label="Next">
        <ChevronDown size={15} aria-hidden />
      </button>
      <button
        type="button"
        className="plain-button"
        disabled={found.length === 0}
        aria-label="The one before"
        onClick={() => step(-1)}
      >
        <ChevronUp size={15} aria-hidden />
      </button>
      <button type="button" className="plain-button" onClick={onClose}>
        Done
      </button>
    </ToolForm>
  );
}
