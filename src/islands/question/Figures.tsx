/** How figures stand in the tables of an answer. */
import type { Answer } from '../../core/answer/answer';
import type { Comparison } from '../../core/answer/comparison';
import { between, fixed, percent } from '../../core/words/numbers';
import { sizeMeaning, sizeName } from '../../core/words/phrases';
import { RichText } from '../shared/RichText';

/** Effect sizes without a unit. */
export function Sizes({ answer, comparison }: { answer: Answer; comparison: Comparison }) {
  const level = percent(answer.question.level);
  // In a source table they stand on their lines.
  const shown = comparison.sizes.filter((s) => !s.ok || s.value.of === undefined);
  return (
    <>
      {shown.map((size, i) => (
        <p key={i} className="text-[14.5px]" data-testid="effect-size">
          {size.ok ? (
            <>
              <RichText text={sizeName(size.value)} /> = {fixed(size.value.value, 2)}
              {size.value.interval && `, ${level} CI ${between(size.value.interval, 2)}`}{' '}
              <span className="text-muted">– {sizeMeaning[size.value.kind]}</span>
            </>
          ) : (
            <span className="text-muted">No standardized effect: {size.reason}</span>
          )}
        </p>
      ))}
    </>
  );
}

/** What must be known to read the answer rightly. */
export const Remarks = ({ comparison }: { comparison: Comparison }) => (
  <>
    {comparison.remarks.map((remark) => (
      <p key={remark} className="max-w-[72ch] text-sm text-muted">
        {remark}
      </p>
    ))}
  </>
);
