import { ArrowLeftRight } from 'lucide-react';
import { tellsRatios } from '../../core/question/choices';
import type { Question } from '../../core/question/question';
import { Hint } from '../kit/Hint';

/** Turning the order round keeps the question: "greater in A" becomes "less in B". */
const mirrored = { either: 'either', greater: 'less', less: 'greater' } as const;

/** The order of subtraction, spelled out, to be turned round. */
export const OrderPart = ({
  question,
  onChange,
  first,
  second,
  joined = 'minus',
}: {
  question: Question;
  onChange: (question: Question) => void;
  first: string;
  second: string;
  joined?: 'minus' | 'over';
}) => (
  <Hint says={joined === 'over' ? 'Turn the order round' : 'Turn the order of subtraction round'}>
    <button
      type="button"
      className="part"
      onClick={() => {
        const { a: left, b: right, ...rest } = question;
        onChange({
          ...rest,
          ...(right ? { a: right } : {}),
          ...(left ? { b: left } : {}),
          direction: mirrored[question.direction],
          ...(question.value === undefined
            ? {}
            : { value: tellsRatios(question) ? 1 / question.value : -question.value }),
        });
      }}
      aria-label={`Order: ${first} ${joined} ${second}. Turn round`}
    >
      {first} {joined} {second} <ArrowLeftRight size={13} className="inline" aria-hidden />
    </button>
  </Hint>
);
