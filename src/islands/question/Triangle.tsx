import type { Answer } from '../../core/answer/answer';
import type { FollowUpPart } from '../../core/answer/comparison';
import { rungsAxis } from '../../core/scenes/effect-axis';
import { fixed, pRelation } from '../../core/words/numbers';
import { tableDecimals } from '../../core/words/tables/test-tables';
import { EffectLane } from '../shared/EffectLane';

/** All pairs as a triangle, row minus column: each a small interval on one scale, against the line of no difference. */
export function Triangle({
  answer: { groups },
  part: { effects },
  chosen,
  onChoose,
}: {
  answer: Answer;
  part: FollowUpPart;
  chosen: number;
  onChoose: (place: number) => void;
}) {
  const axis = rungsAxis(effects);
  const side = (end: 0 | 1) => groups.filter((g) => effects.some((e) => e.pair?.[end] === g.id));
  const [rows, columns] = [side(0), side(1)];
  return (
    <div className="max-h-[36rem] overflow-auto" tabIndex={0} role="group" aria-label="All pairs">
      <table className="figures-table text-[13px]" data-testid="triangle">
        <caption className="sr-only">Row minus column, with adjusted p</caption>
        <thead>
          <tr>
            <th scope="col" className="text-muted">
              row minus column
            </th>
            {columns.map((g) => (
              <th key={g.id} scope="col" className="max-w-28 truncate !px-2 !text-center" title={g.name}>
                {g.name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.id}>
              <th scope="row" className="max-w-40 truncate" title={row.name}>
                {row.name}
              </th>
              {columns.map((column) => {
                const place = effects.findIndex((e) => e.pair?.[0] === row.id && e.pair[1] === column.id);
                const effect = effects[place];
                if (!effect) return <td key={column.id} />;
                const significant = effect.significant === true;
                return (
                  <td key={column.id} className="!p-0">
                    <button
                      type="button"
                      className={`block w-full min-w-24 px-2 py-1 text-center leading-tight hover:bg-primary/10 ${place === chosen ? 'bg-primary/10' : ''} ${significant ? 'font-semibold' : 'text-muted'}`}
                      aria-label={effect.name}
                      aria-pressed={place === chosen}
                      title="Work this one out below"
                      onClick={() => onChoose(place)}
                    >
                      <span className="relative mx-auto block h-7 w-full">
                        <EffectLane axis={axis} effect={{ ...effect, significant }} />
                      </span>
                      {fixed(effect.estimate, tableDecimals(effect))}
                      <span className="block text-[12px] font-normal">p {pRelation(effect.p)}</span>
                    </button>
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
