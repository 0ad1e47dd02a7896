import { firstQuestion } from '../../core/question/first';
import { namesOf } from '../../core/question/naming';
import { applyEdits } from '../../core/readings/edits';
import { isMeasured, type Table } from '../../core/readings/table';
import { layoutNames } from '../../core/readings/layouts';
import type { TableDoubt } from '../../core/understanding/doubts/doubt';
import { heldWords } from '../../core/understanding/understood';
import { mendsFor } from '../../core/understanding/doubts/open-doubts';
import { questionSentence } from '../../core/telling/question';
import type { OnMend } from './Mends';

/** Rows and columns shown of each way. */
const rows = 3;
const columns = 5;

/** The table read in one way, small: its first cells, what its columns are then, and the question it leads to. */
function Way({ table, label, onChoose }: { table: Table; label: string; onChoose: () => void }) {
  const question = firstQuestion(table);
  return (
    <li className="flex min-w-56 flex-1 flex-col gap-1 border-t-2 border-line pt-2">
      <p className="font-semibold">{layoutNames[table.shape]}</p>
      <div className="overflow-hidden">
        <table className="text-[12.5px]" aria-label={`The first cells, read as ${layoutNames[table.shape]}`}>
          <thead>
            <tr>
              {table.columns.slice(0, columns).map((c) => (
                <th key={c.id} scope="col" className="max-w-24 truncate pr-3 text-left align-top font-semibold">
                  <span className={isMeasured(c.role) ? 'text-primary' : ''}>{c.name || '·'}</span>
                  <span className="block font-normal text-muted">{c.role}</span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {Array.from({ length: Math.min(rows, table.rowCount) }, (_, r) => (
              <tr key={r}>
                {table.columns.slice(0, columns).map((c) => (
                  <td key={c.id} className="max-w-24 truncate pr-3">
                    {c.cells[r]}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="text-muted">{heldWords(table)}</p>
      {question && <p className="prose-serif text-[15px] leading-snug">{questionSentence(namesOf(question, table))}</p>}
      <p>
        <button type="button" className="plain-button" onClick={onChoose}>
          {label}
        </button>
      </p>
    </li>
  );
}

/** Two or three ways to read the table that are about as likely, each shown small, to be chosen with one click. */
export function Ways({ table, doubt, onMend }: { table: Table; doubt: TableDoubt; onMend: OnMend }) {
  return (
    <section aria-label="Ways to read this table" className="border-y border-line bg-base-200/50 px-3 py-2 text-sm">
      <p>{doubt.text}</p>
      <ul className="mt-1.5 flex flex-wrap gap-x-8 gap-y-3">
        {doubt.mends.map((mend) => (
          <Way
            key={mend.label}
            table={applyEdits(table, mend.edits).table}
            label={mend.label}
            onChoose={() => onMend(mend, mendsFor('ambiguous-layout'))}
          />
        ))}
      </ul>
    </section>
  );
}
