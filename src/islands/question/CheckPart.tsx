import { useDeferredValue } from 'react';
import { DrawingView } from '../../charts/DrawingView';
import type { Answer } from '../../core/answer/answer';
import type { Check, Remedy } from '../../core/answer/checks';
import type { Question } from '../../core/question/question';
import { checkNames, checkSentence, remedyOffer, verdictWords } from '../../core/words/checks';
import { useView } from './use-view';

interface Props {
  answer: Answer;
  readingsHref: string;
  onChange: (question: Question) => void;
}

/** Marks of a verdict: a shape as well as a word. */
const mark = { fine: '○', weigh: '◐', matters: '●', unknown: '–', free: '○' } as const;

/** The row of the reading that lies furthest, to go there. */
function furthest(answer: Answer, check: Check): { row: number; column: string } | undefined {
  const worst = check.points?.[0];
  if (!worst) return undefined;
  const { groups, layout: two, comparison } = answer;
  const pairing = comparison.ok ? comparison.value.pairing : undefined;
  if (pairing) {
    const pair = pairing.pairs[worst.index];
    return pair && { row: pair.a.row, column: groups[0]?.column ?? '' };
  }
  if (two) {
    const found = two.readings.find((r) => r.value === worst.value);
    return found && { row: found.row, column: found.column };
  }
  const group = groups.filter((g) => g.n > 0)[worst.group];
  const reading = group?.readings.used[worst.index];
  return group && reading && { row: reading.row, column: group.column };
}

/** What the answer rests on: each assumption a line with its verdict, its reason, a small picture and one action. */
export function CheckPart({ answer, readingsHref, onChange }: Props) {
  // The first paint does not wait for the checks.
  const calm = useDeferredValue<Answer | null>(answer, null);
  const { view: checks, late } = useView('checks', calm ?? undefined);
  if (!calm || !checks || late) return <p className="text-sm text-muted">Looking what the answer rests on …</p>;
  const { question } = answer;
  const action = (check: Check, remedy: Remedy) => {
    if (remedy === 'look-at-points') {
      const place = furthest(calm, check);
      return place ? (
        <a
          className="plain-button"
          href={`${readingsHref}#row=${place.row + 1}&column=${encodeURIComponent(place.column)}`}
        >
          Go to the furthest
        </a>
      ) : undefined;
    }
    const offer = remedyOffer(remedy, question);
    if (!offer) return undefined;
    return (
      <button type="button" className="plain-button" onClick={() => onChange({ ...question, ...offer.patch })}>
        {offer.words}
      </button>
    );
  };
  if (checks.length === 0) return <p className="text-sm text-muted">There is nothing to check yet.</p>;
  return (
    <ul className="text-[14.5px]">
      {checks.map(({ check, picture }) => {
        const offered = check.remedies.map((remedy) => action(check, remedy)).find((x) => x !== undefined);
        return (
          <li
            key={check.about}
            className="grid grid-cols-[10.5rem_minmax(0,1fr)_8.5rem] items-center gap-x-3 border-b border-line py-1 last:border-b-0 max-[800px]:grid-cols-1"
            data-testid={`check-${check.about}`}
          >
            <span className="font-semibold">
              <span aria-hidden className={check.verdict === 'matters' ? 'text-warning' : ''}>
                {mark[check.verdict]}
              </span>{' '}
              {checkNames[check.about]}
              <span className="block text-[13px] font-normal text-muted">{verdictWords[check.verdict]}</span>
            </span>
            <span>
              {checkSentence(check, calm)} {check.verdict !== 'fine' && check.verdict !== 'free' && offered}
            </span>
            <span aria-hidden={picture === undefined}>{picture && <DrawingView drawing={picture} />}</span>
          </li>
        );
      })}
    </ul>
  );
}
