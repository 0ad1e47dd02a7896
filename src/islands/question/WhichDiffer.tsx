import { passes } from '../../core/procedures/interval';
import { useState } from 'react';
import type { Answer } from '../../core/answer/answer';
import type { Comparison, FollowUpPart } from '../../core/answer/comparison';
import { choicesOf } from '../../core/question/choices';
import { effectAxis } from '../../core/scenes/effect-axis';
import { followNames, followReasons } from '../../core/words/follow-names';
import { fixed, pRelation } from '../../core/words/numbers';
import { comparisonTable, tableDecimals } from '../../core/words/tables/test-tables';
import { Choose } from '../shared/Parts';
import { ResultTableView } from '../shared/ResultTableView';
import { RichText } from '../shared/RichText';

/** Rows shown before one asks for all. */
const firstRows = 30;

/** The comparisons as a list. The one chosen is worked out below. */
function Listed({
  answer,
  parts,
  sorted,
  chosen,
  onChoose,
  drawn,
}: {
  answer: Answer;
  parts: readonly FollowUpPart[];
  sorted: boolean;
  chosen: number;
  onChoose: ((place: number) => void) | undefined;
  /** Whether the intervals are drawn; every figure stands in the list where they are not. */
  drawn: boolean;
}) {
  const [all, setAll] = useState(false);
  const table = comparisonTable(answer, parts);
  const sizes = parts.flatMap((part) => part.effects.map((e) => e.estimate));
  const places = table.rows.map((row, place) => ({ row, place }));
  // Parts stay together: only within each are its comparisons ordered.
  if (sorted)
    places.sort((x, y) =>
      x.row.section === y.row.section ? (sizes[y.place] ?? 0) - (sizes[x.place] ?? 0) : x.place - y.place,
    );
  const shown = all ? places : places.slice(0, firstRows);
  return (
    <div className={all ? 'max-h-[40rem] overflow-y-auto' : ''}>
      <ResultTableView
        table={table}
        rows={shown.map(({ row }) => row)}
        axis={drawn ? effectAxis(answer) : undefined}
        head={(row, i) => {
          const place = shown[i]?.place ?? 0;
          return onChoose ? (
            <button
              type="button"
              className={`text-left hover:underline ${row.weight === 'main' ? 'font-semibold' : ''}`}
              aria-pressed={place === chosen}
              title="Work this one out below"
              onClick={() => onChoose(place)}
            >
              <RichText text={row.head} />
            </button>
          ) : (
            <RichText text={row.head} />
          );
        }}
      />
      {!all && places.length > firstRows && (
        <button type="button" className="plain-button text-sm" onClick={() => setAll(true)}>
          Show all {places.length}
        </button>
      )}
    </div>
  );
}

/** All pairs as a triangle: differences with their adjusted p. */
function Triangle({ answer, part, level }: { answer: Answer; part: FollowUpPart; level: number }) {
  const { groups } = answer;
  const found = (a: string, b: string) => part.effects.find((e) => e.pair?.[0] === a && e.pair[1] === b);
  return (
    <div className="max-h-[30rem] overflow-auto">
      <table className="figures-table text-[13.5px]" data-testid="triangle">
        <caption className="sr-only">Row minus column, with adjusted p</caption>
        <thead>
          <tr>
            <th scope="col">row minus column</th>
            {groups.slice(1).map((g) => (
              <th key={g.id} scope="col" className="max-w-28 truncate" title={g.name}>
                {g.name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {groups.slice(0, -1).map((row, i) => (
            <tr key={row.id}>
              <th scope="row">{row.name}</th>
              {groups.slice(1).map((column, j) => {
                const e = j + 1 > i ? found(row.id, column.id) : undefined;
                const significant = e !== undefined && passes(e.p, level);
                return (
                  <td key={column.id} className={significant ? 'font-semibold' : 'text-muted'}>
                    {e && (
                      <>
                        {fixed(e.estimate, tableDecimals(e))}
                        <span className="block text-[12px]">p {pRelation(e.p)}</span>
                      </>
                    )}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

interface Props {
  answer: Answer;
  comparison: Comparison;
  sorted: boolean;
  onSort: (sorted: boolean) => void;
  chosen: number;
  onChoose: (place: number) => void;
}

/** The comparisons that follow, as a list or a triangle, by size or as given. */
export default function WhichDiffer({ answer, comparison, sorted, onSort, chosen, onChoose }: Props) {
  const [form, setForm] = useState<'list' | 'triangle'>('list');
  const [drawn, setDrawn] = useState<'drawn' | 'figures'>('drawn');
  const { follow } = comparison;
  if (!follow) return null;
  const { question } = answer;
  const choices = choicesOf(question);
  const parts = follow.ok ? follow.value : [];
  const triangular = parts.length === 1 && parts[0]?.letters !== undefined && answer.groups.length > 2;
  const { critical, family } = parts[0] ?? {};
  const left = parts.flatMap((part) => part.left ?? []);
  const heading =
    {
      control: 'Comparisons with the control',
      steps: 'Each against the one before',
      trend: 'Linear trend',
      contrasts: 'Contrasts',
      all: undefined,
      chosen: undefined,
    }[choices.compare] ?? 'Pairwise comparisons';
  return (
    <section aria-label={heading}>
      <h3 className="prose-serif mb-1 text-[17px]">{heading}</h3>
      {!follow.ok ? (
        <p className="text-sm text-muted" role="status">
          {follow.reason}
        </p>
      ) : (
        <>
          <p className="mb-2 max-w-[72ch] text-sm text-muted">
            {followNames[choices.follow]}: {followReasons[choices.follow]}.{' '}
            {family !== undefined && family > 1 && choices.follow !== 'unadjusted' && (
              <>{family === 2 ? 'Both' : `All ${family}`} comparisons shown are one family. </>
            )}
            {choices.follow === 'tukey' && parts.length > 1 && <>Each level is a family of its own. </>}
            {critical && (
              <>
                Critical value <i>{critical.symbol}</i> = {fixed(critical.value, 3)}.{' '}
              </>
            )}
            Shown{' '}
            <Choose
              label="Order of the comparisons"
              value={sorted ? 'size' : 'given'}
              options={{ given: 'in the order of the groups', size: 'by size' }}
              onChange={(next) => onSort(next === 'size')}
            />
            {triangular && (
              <>
                {' '}
                as{' '}
                <Choose
                  label="Form of the comparisons"
                  value={form}
                  options={{ list: 'a list', triangle: 'a triangle' }}
                  onChange={setForm}
                />
              </>
            )}
            {form === 'list' && (
              <>
                , with{' '}
                <Choose
                  label="What the list shows"
                  value={drawn}
                  options={{ drawn: 'intervals drawn', figures: 'every figure' }}
                  onChange={setDrawn}
                />
              </>
            )}
            .
          </p>
          {form === 'triangle' && triangular && parts[0] ? (
            <Triangle answer={answer} part={parts[0]} level={question.level} />
          ) : (
            <Listed
              answer={answer}
              parts={parts}
              sorted={sorted}
              chosen={chosen}
              onChoose={parts.length === 1 ? onChoose : undefined}
              drawn={drawn === 'drawn'}
            />
          )}
          {left.length > 0 && (
            <ul className="max-w-[72ch] text-sm text-muted" data-testid="comparisons-left">
              {left.map(({ name, why }) => (
                <li key={name}>
                  {name}: {why}
                </li>
              ))}
            </ul>
          )}
        </>
      )}
    </section>
  );
}
