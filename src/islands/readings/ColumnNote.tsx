import { tableNames } from '../../core/words/table-names';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { nanoid } from 'nanoid';
import { attempt } from '../../core/numeric/domain-error';
import { sentColumn } from '../../core/readings/column-edits';
import { formulaWords } from '../../core/readings/derive';
import {
  colourLevelEdits,
  mergeColumnsEdits,
  moveColumnEdits,
  moveLevelEdits,
  renameLevelEdits,
} from '../../core/readings/group-edits';
import { columnsAreGroups } from '../../core/readings/groups';
import { levelRows, levelsOf } from '../../core/readings/levels';
import { hasLimits } from '../../core/readings/parse-number';
import { sortedRows } from '../../core/readings/rules';
import { type Column, type Table, columnsOf, emptyColumn, isMeasured } from '../../core/readings/table';
import type { TableEdit } from '../../core/readings/table-edit';
import { isUnit } from '../../core/readings/units';
import { Accepted } from '../kit/Accepted';
import { GroupMarker } from '../shared/GroupMarker';
import { LimitPart } from '../shared/LimitPart';
import { Choose, byName } from '../kit/Parts';
import { Hint } from '../kit/Hint';

/** Most groups listed one by one. */
const listed = 24;

function Colour({ value, label, onChange }: { value: number; label: string; onChange: (colour: number) => void }) {
  return (
    <label className="relative inline-flex cursor-pointer items-center">
      <GroupMarker position={value} />
      <Choose
        className="absolute inset-0 cursor-pointer opacity-0"
        label={label}
        value={value}
        options={['plum', 'moss', 'olive', 'sky', 'navy', 'oak', 'wine', 'teal'].map((name, i) => [i, name])}
        onChange={onChange}
      />
    </label>
  );
}

interface Props {
  table: Table;
  column: Column;
  position: number;
  /** Applies edits, or says why they cannot be made. */
  onEdit: (edits: TableEdit[]) => void;
  onSay: (text: string) => void;
  study: string;
}

/** Everything that can be done with the column under the hand. */
export function ColumnNote({ table, column, position, onEdit, onSay, study }: Props) {
  const tryEdit = (make: () => TableEdit[]) => {
    const made = attempt(make);
    if (made.ok) onEdit(made.value);
    else onSay(made.reason);
  };
  const isGroup = columnsAreGroups(table) && column.role === 'measure';
  const groups = isGroup ? columnsOf(table, 'measure') : [];
  const levels = column.role === 'group' ? levelsOf(column) : [];
  const rows = column.role === 'group' ? levelRows(column) : undefined;
  const count = (place: number): number => {
    let n = 0;
    rows?.forEach((r) => (n += r === place ? 1 : 0));
    return n;
  };
  const measured = isMeasured(column.role);
  const sort = (falling: boolean) =>
    onEdit([{ kind: 'order-rows', order: sortedRows(column, table.rowCount, falling) }]);
  const freeze = () =>
    onEdit([
      {
        kind: 'describe-column',
        column: column.id,
        formula: null,
        note: `once computed as ${column.formula ? formulaWords(table, column.formula) : ''}`,
      },
      { kind: 'write', row: 0, columns: [column.id], texts: column.cells.map((text) => [text]) },
      ...(column.levels
        ? [{ kind: 'describe-column' as const, column: column.id, levels: column.levels.map((l) => ({ ...l })) }]
        : []),
    ]);
  const called = column.name || `column ${position + 1}`;
  return (
    <section className="note" aria-label="This column">
      <h2 className="part-of-page">This column: {called}</h2>
      {column.formula && (
        <p>
          Computed: {formulaWords(table, column.formula)}.{' '}
          <button type="button" className="plain-button" onClick={freeze}>
            Keep its numbers as they are
          </button>
        </p>
      )}
      {column.note && <p className="text-muted">{column.note.charAt(0).toUpperCase() + column.note.slice(1)}.</p>}
      {column.role === 'group' && column.note?.startsWith('allocated') && (
        <p>
          <a
            className="plain-button"
            href={`/studies/${study}/readings/${table.id}/list?column=${encodeURIComponent(column.id)}`}
          >
            A list to print
          </a>
        </p>
      )}
      {measured && column.unit && !isUnit(column.unit) && (
        <p className="text-warning">
          “{column.unit}” is no unit Divide knows. It is kept and printed as it is: check its spelling.
        </p>
      )}
      {measured && !column.formula && (
        <label className="block">
          Decimals{' '}
          <Choose
            label={`How decimals are written in ${called}`}
            value={column.decimal}
            options={tableNames.decimal}
            onChange={(decimal) => onEdit([{ kind: 'describe-column', column: column.id, decimal }])}
          />
        </label>
      )}
      {measured && !column.formula && hasLimits(column.cells) && (
        <label className="block">
          Cells beyond a limit{' '}
          <LimitPart
            label={`What cells beyond a limit count as in ${called}`}
            value={column.limits ?? 'leave'}
            onChange={(limits) => onEdit([{ kind: 'describe-column', column: column.id, limits }])}
          />
        </label>
      )}
      {levels.length > 0 && (
        <ul aria-label={`Groups of ${called}`}>
          {levels.slice(0, listed).map((level, place) => (
            <li key={level.id} className="flex items-center gap-1.5">
              <Colour
                value={(level.colour ?? place) % 8}
                label={`Colour of ${level.name}`}
                onChange={(colour) => onEdit(colourLevelEdits(column, level.id, colour))}
              />
              <Accepted
                className="part min-w-0 grow"
                aria-label={`Name of ${level.name}`}
                title="A name another group has already merges the two"
                value={level.name}
                maxLength={200}
                readOnly={column.formula !== undefined}
                onAccept={(name) => {
                  const merges = levels.some((l) => l.id !== level.id && l.name === name);
                  tryEdit(() => renameLevelEdits(column, level.id, name));
                  if (merges) onSay(`${level.name} and ${name} are one group now: ${name}. Undo parts them again.`);
                }}
              />
              <span className="text-muted">{count(place)}</span>
              <button
                type="button"
                className="plain-button"
                aria-label={`Move ${level.name} up`}
                disabled={place === 0}
                onClick={() => onEdit(moveLevelEdits(column, level.id, -1))}
              >
                <ArrowUp size={13} aria-hidden />
              </button>
              <button
                type="button"
                className="plain-button"
                aria-label={`Move ${level.name} down`}
                disabled={place === levels.length - 1}
                onClick={() => onEdit(moveLevelEdits(column, level.id, 1))}
              >
                <ArrowDown size={13} aria-hidden />
              </button>
            </li>
          ))}
          {levels.length > listed && <li className="text-muted">and {levels.length - listed} more</li>}
        </ul>
      )}
      {isGroup && (
        <p className="flex items-center gap-2">
          <Colour
            value={(column.colour ?? groups.indexOf(column)) % 8}
            label={`Colour of ${called}`}
            onChange={(colour) => onEdit([{ kind: 'describe-column', column: column.id, colour }])}
          />
          its colour everywhere
        </p>
      )}
      {isGroup && groups.length > 1 && !column.formula && (
        <label className="block">
          Merge into{' '}
          <Choose
            label={`Merge ${called} into`}
            value={undefined}
            prompt="…"
            options={byName(
              groups.filter((c) => c !== column),
              (c) => c.name || 'unnamed',
            )}
            onChange={(id) => {
              const into = groups.find((c) => c.id === id);
              if (into) tryEdit(() => mergeColumnsEdits(table, into, column));
            }}
          />
        </label>
      )}
      <p>
        Sort the rows:{' '}
        <button type="button" className="plain-button" disabled={table.rowCount < 2} onClick={() => sort(false)}>
          rising
        </button>{' '}
        <button type="button" className="plain-button" disabled={table.rowCount < 2} onClick={() => sort(true)}>
          falling
        </button>
      </p>
      <p>
        <button
          type="button"
          className="plain-button"
          onClick={() => {
            const name = isGroup ? `Group ${table.columns.length + 1}` : `Column ${table.columns.length + 1}`;
            const fresh = emptyColumn(
              nanoid(8),
              name,
              isGroup ? column.unit : '',
              isGroup ? 'measure' : column.role === 'subject' ? 'label' : column.role,
            );
            onEdit([{ kind: 'insert-column', at: position, column: sentColumn(fresh) }]);
          }}
        >
          Insert a column before it
        </button>
      </p>
      <p>
        <Hint says="Alt+←">
          <button
            type="button"
            className="plain-button"
            disabled={position === 0}
            onClick={() => onEdit(moveColumnEdits(table, column.id, position - 1))}
          >
            Move left
          </button>
        </Hint>{' '}
        <Hint says="Alt+→">
          <button
            type="button"
            className="plain-button"
            disabled={position === table.columns.length - 1}
            onClick={() => onEdit(moveColumnEdits(table, column.id, position + 1))}
          >
            Move right
          </button>
        </Hint>{' '}
        <button
          type="button"
          className="plain-button"
          aria-label={`Remove ${called}`}
          onClick={() => onEdit([{ kind: 'remove-column', column: column.id }])}
        >
          Remove
        </button>
      </p>
    </section>
  );
}
