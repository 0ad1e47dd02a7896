import type { TableDoubt } from '../../core/understanding/doubts/doubt';
import { mendsFor } from '../../core/understanding/doubts/open-doubts';
import { Mends, type OnMend } from './Mends';

interface Props {
  doubts: readonly TableDoubt[];
  onGo: (row: number, column: string) => void;
  onMend: OnMend;
}

/** Places listed one by one. */
const listed = 4;

/** What of the table is unclear, each with its mends at one click. */
export const DoubtsNote = ({ doubts, onGo, onMend }: Props) =>
  doubts.length > 0 && (
    <section className="note" aria-label="Unclear">
      <h2 className="part-of-page">Unclear</h2>
      <ul className="mt-1 space-y-2.5">
        {doubts.map(({ code, text, where, mends }, i) => (
          <li key={`${code} ${i}`} data-doubt={code}>
            {text}
            <span className="mt-0.5 flex flex-wrap gap-x-3 gap-y-0.5">
              {where.slice(0, listed).map(({ column, row, called }) => (
                <button
                  key={`${column} ${row}`}
                  type="button"
                  className="plain-button"
                  aria-label={`Go to ${called}`}
                  onClick={() => onGo(row, column)}
                >
                  {called} →
                </button>
              ))}
              {where.length > listed && <span className="text-muted">and {where.length - listed} more places</span>}
              <Mends mends={mends} mendsOf={mendsFor(code)} onMend={onMend} />
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
