import { X } from 'lucide-react';
import { useMemo, useState } from 'react';
import { quartileRules } from '../../core/numeric/quantile';
import {
  type Described,
  type FigureSet,
  everyFigure,
  figureNames,
  figureSetOf,
  figureSets,
  usualDescription,
} from '../../core/readings/described';
import type { Table } from '../../core/readings/table';
import type { TableEdit } from '../../core/readings/table-edit';
import { percent } from '../../core/words/numbers';
import { chosenDescription } from '../../core/words/tables/description-table';
import { copiedTable } from '../../formats/copied-table';
import { CopyButton } from '../shared/CopyButton';
import { ResultTableView } from '../shared/ResultTableView';
import { Choose, asTheyRead } from '../kit/Parts';
import { IconButton } from '../kit/IconButton';

const everyColumn: readonly string[] = [];
/** The figures of each column or group, and of all together; copied as a table, and kept for the table as they are chosen. */
export default function DescribePanel({
  table,
  described = usualDescription,
  chosen,
  onEdit,
  onClose,
}: {
  /** The readings, which may lag a moment behind the hand. */
  table: Table;
  /** What was chosen of the description, as it is now. */
  described: Described | undefined;
  chosen: readonly string[];
  onEdit: (edits: TableEdit[]) => void;
  onClose: () => void;
}) {
  const [choosing, setChoosing] = useState(figureSetOf(described.figures) === undefined);
  const [only, setOnly] = useState(false);
  const { figures, decimals, rule, level } = described;
  const of = only ? chosen : everyColumn;
  const shown = useMemo(() => chosenDescription({ ...table, described }, of), [table, described, of]);
  const choose = (change: Partial<Described>) =>
    onEdit([{ kind: 'describe-table', described: { ...described, ...change } }]);
  return (
    <section aria-label="Description" className="max-h-[42%] shrink-0 overflow-auto border-b border-line pb-2 text-sm">
      <p className="flex flex-wrap items-baseline gap-x-4 py-1.5">
        <span className="part-of-page">Description</span>
        <label>
          figures{' '}
          <Choose
            label="Figures shown"
            value={choosing ? 'own' : (figureSetOf(figures) ?? 'own')}
            options={[...asTheyRead<FigureSet | 'own'>(Object.keys(figureSets) as FigureSet[]), ['own', 'own choice']]}
            onChange={(set) => {
              setChoosing(set === 'own');
              if (set !== 'own') choose({ figures: [...figureSets[set]] });
            }}
          />
        </label>
        <label>
          decimals{' '}
          <Choose
            label="decimals"
            value={decimals ?? ''}
            options={[['', 'as fits'], ...asTheyRead([0, 1, 2, 3, 4, 5, 6])]}
            onChange={(d) => choose({ decimals: d === '' ? undefined : d })}
          />
        </label>
        <label>
          level{' '}
          <Choose
            label="level"
            value={level}
            options={asTheyRead([0.8, 0.9, 0.95, 0.99], percent)}
            onChange={(l) => choose({ level: l })}
          />
        </label>
        <label>
          groups{' '}
          <Choose
            label="groups"
            value={shown.turned ? 'across' : 'down'}
            options={{ across: 'beside one another', down: 'below one another' }}
            onChange={(way) => choose({ figuresDown: way === 'across' })}
          />
        </label>
        {chosen.length > 0 && (
          <label className="inline-flex items-center gap-1.5">
            <input
              type="checkbox"
              className="checkbox checkbox-xs"
              checked={only}
              onChange={(e) => setOnly(e.target.checked)}
            />
            only the columns selected
          </label>
        )}
        <CopyButton copied={() => copiedTable(shown)}>Copy the table</CopyButton>
        <span className="grow" />
        <IconButton name="Close the description" icon={X} onClick={onClose} />
      </p>
      {choosing && (
        <div className="pb-2">
          <p className="flex flex-wrap gap-x-4 gap-y-1">
            <button type="button" className="plain-button" onClick={() => choose({ figures: everyFigure })}>
              All
            </button>
            <button type="button" className="plain-button" onClick={() => choose({ figures: [] })}>
              None
            </button>
            {everyFigure.map((figure) => (
              <label key={figure} className="inline-flex items-center gap-1.5">
                <input
                  type="checkbox"
                  className="checkbox checkbox-xs"
                  checked={figures.includes(figure)}
                  onChange={(e) =>
                    choose({
                      figures: everyFigure.filter((f) => (f === figure ? e.target.checked : figures.includes(f))),
                    })
                  }
                />
                {figureNames[figure]}
              </label>
            ))}
          </p>
          <label>
            Quartiles are{' '}
            <Choose
              label="Quartiles are"
              value={rule}
              options={quartileRules}
              onChange={(of) => choose({ rule: of })}
            />
          </label>
        </div>
      )}
      {(shown.turned ? shown.columns.length < 2 : shown.rows.length === 0) ? (
        <p className="text-muted">There is no column of readings yet.</p>
      ) : figures.length === 0 ? (
        <p className="text-muted">No figure is chosen: tick some under “Which figures”.</p>
      ) : (
        <ResultTableView table={shown} scrolls />
      )}
      <p className="pt-1 text-muted">
        {table.average && 'Every reading is described by itself, also where answers average within subjects. '}
        SD, variance and SEM are those of a sample (divisor n − 1); figures of the readings taken as the whole
        population say “population”.
      </p>
    </section>
  );
}
