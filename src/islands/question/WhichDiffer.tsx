import { ArrowLeftRight } from 'lucide-react';
import { useState } from 'react';
import type { Answer } from '../../core/answer/answer';
import type { Comparison, FollowUpPart } from '../../core/answer/comparison';
import { choicesOf } from '../../core/question/choices';
import type { Question } from '../../core/question/question';
import { type PairOfGroups, allTurned, canTurn, onePairTurned } from '../../core/question/turned';
import { effectAxis, mostRungs } from '../../core/scenes/effect-axis';
import { followNames, followReasons } from '../../core/words/follow-names';
import { fixed } from '../../core/words/numbers';
import { comparisonTable } from '../../core/words/tables/test-tables';
import { Choose } from '../kit/Parts';
import { ResultTableView } from '../shared/ResultTableView';
import { RichText } from '../shared/RichText';
import { Triangle } from './Triangle';
import { Hint } from '../kit/Hint';
import { IconButton } from '../kit/IconButton';

/** Rows shown before one asks for all. */
const firstRows = 30;

/** The comparisons as a list. The one chosen is worked out below. */
function Listed({
  answer,
  parts,
  sorted,
  chosen,
  onChoose,
  onTurn,
  drawn,
}: {
  answer: Answer;
  parts: readonly FollowUpPart[];
  sorted: boolean;
  chosen: number;
  onChoose: ((place: number) => void) | undefined;
  /** Takes a pair the other way round; missing where its order is what it is. */
  onTurn: ((pair: PairOfGroups) => void) | undefined;
  /** Whether the intervals are drawn; every figure stands in the list where they are not. */
  drawn: boolean;
}) {
  const [all, setAll] = useState(false);
  const table = comparisonTable(answer, parts);
  const effects = parts.flatMap((part) => part.effects);
  const places = table.rows.map((row, place) => ({ row, place }));
  // Parts stay together: only within each are its comparisons ordered.
  if (sorted)
    places.sort((x, y) =>
      x.row.section === y.row.section
        ? (effects[y.place]?.estimate ?? 0) - (effects[x.place]?.estimate ?? 0)
        : x.place - y.place,
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
          const pair = effects[place]?.pair;
          return (
            <>
              {onChoose ? (
                <Hint says="Work this one out below">
                  <button
                    type="button"
                    className={`text-left hover:underline ${row.weight === 'main' ? 'font-semibold' : ''}`}
                    aria-pressed={place === chosen}
                    onClick={() => onChoose(place)}
                  >
                    <RichText text={row.head} />
                  </button>
                </Hint>
              ) : (
                <RichText text={row.head} />
              )}
              {onTurn && pair && (
                <IconButton
                  name={`Turn round: ${effects[place]?.name ?? ''}`}
                  says="Turn the order of subtraction round"
                  icon={ArrowLeftRight}
                  size={13}
                  className="turn-round"
                  onClick={() => onTurn(pair)}
                />
              )}
            </>
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

interface Props {
  answer: Answer;
  comparison: Comparison;
  sorted: boolean;
  onSort: (sorted: boolean) => void;
  chosen: number;
  onChoose: (place: number) => void;
  /** The question as it is kept, to be asked with its pairs the other way round. */
  asked: Question;
  onChange: (question: Question) => void;
}

/** The comparisons that follow, as a list or a triangle, by size or as given. */
export default function WhichDiffer({ answer, comparison, sorted, onSort, chosen, onChoose, asked, onChange }: Props) {
  const [wished, setForm] = useState<'list' | 'triangle'>();
  const [drawn, setDrawn] = useState<'drawn' | 'figures'>('drawn');
  const { follow } = comparison;
  if (!follow) return null;
  const { question } = answer;
  const choices = choicesOf(question);
  const parts = follow.ok ? follow.value : [];
  const triangular = parts.length === 1 && parts[0]?.letters !== undefined && answer.groups.length > 2;
  const effects = parts.flatMap((part) => part.effects);
  // A dozen rows can be read; more are taken in as a triangle.
  const form = triangular ? (wished ?? (effects.length > mostRungs ? 'triangle' : 'list')) : 'list';
  const pairs = effects.flatMap((e) => (e.pair ? [e.pair] : []));
  const turns = canTurn(asked) && pairs.length > 0;
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
            .{' '}
            {turns && (
              <button type="button" className="plain-button" onClick={() => onChange(allTurned(asked, pairs))}>
                <ArrowLeftRight size={14} aria-hidden /> {pairs.length === 1 ? 'Turn it round' : 'Turn all round'}
              </button>
            )}
          </p>
          {form === 'triangle' && parts[0] ? (
            <Triangle answer={answer} part={parts[0]} chosen={chosen} onChoose={onChoose} />
          ) : (
            <Listed
              answer={answer}
              parts={parts}
              sorted={sorted}
              chosen={chosen}
              onChoose={parts.length === 1 ? onChoose : undefined}
              onTurn={turns ? (pair) => onChange(onePairTurned(asked, pair, pairs)) : undefined}
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
