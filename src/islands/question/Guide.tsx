import { X } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { useAddressPart } from '../shared/address-part';
import { usePageActions } from '../shared/page-commands';
import { partId } from './SectionIndex';
import { IconButton } from '../kit/IconButton';

/** What one is shown, each at a part of the page. */
const steps = [
  {
    part: 'Ask',
    words:
      'The question is a sentence. Whatever is green in it can be chosen otherwise: the groups, the direction, the method. The answer follows at once.',
  },
  {
    part: 'Look',
    words:
      'Each reading is a point; a click tells which one it is and leads to its row. At the right the difference stands with its interval against the line of no difference.',
  },
  {
    part: 'Answer',
    words:
      'The figures: the difference with its interval and test, each group, and where there are several groups which of them differ.',
  },
  {
    part: 'Check',
    words:
      'What the answer rests on, in plain words; the same question under other methods; and behind the lines below them the hypotheses, the curve and every step of the working. Nothing is changed unasked.',
  },
  {
    part: 'Tell',
    words:
      'Sentences for the paper, to copy or to reword; figures are made here, and the write-up gathers all of it. Ctrl+K finds whatever you cannot see.',
  },
] as const;

/** Five steps over a question’s page, offered where the address asks for them, and gone when they are not wanted. */
export function Guide() {
  const [asked, setAsked] = useAddressPart('guide');
  const [at, setAt] = useState(-1);
  const card = useRef<HTMLDivElement>(null);
  const step = steps[at];
  usePageActions([{ name: 'Show me around in five steps', run: () => setAt(0) }]);
  useEffect(() => {
    if (!step) return undefined;
    const part = document.getElementById(partId(step.part))?.closest('section');
    part?.classList.add('shown-around');
    part?.scrollIntoView({ block: 'center' });
    card.current?.querySelector<HTMLElement>('[data-next]')?.focus({ preventScroll: true });
    return () => part?.classList.remove('shown-around');
  }, [step]);
  const end = () => {
    setAt(-1);
    setAsked(undefined);
  };
  if (!step)
    return asked === undefined ? null : (
      <p className="mt-1 text-sm text-muted" role="status">
        New here?{' '}
        <button type="button" className="plain-button font-semibold" onClick={() => setAt(0)}>
          Show me around in five steps
        </button>{' '}
        <button type="button" className="plain-button ml-2" onClick={end}>
          Not now
        </button>
      </p>
    );
  return (
    <div
      ref={card}
      role="dialog"
      aria-label="Five steps around"
      className="fixed right-4 bottom-4 z-50 w-80 max-w-[calc(100vw-2rem)] border border-primary bg-base-100 p-4 shadow-lg"
      onKeyDown={(e) => e.key === 'Escape' && end()}
    >
      <p className="flex items-baseline justify-between text-sm">
        <span className="part-of-page">
          {step.part}, {at + 1} of {steps.length}
        </span>
        <IconButton name="End the tour" icon={X} onClick={end} />
      </p>
      <p className="prose-serif my-2 text-[16px] leading-snug">{step.words}</p>
      <p className="flex justify-between text-sm">
        <button type="button" className="plain-button" disabled={at === 0} onClick={() => setAt(at - 1)}>
          Back
        </button>
        <button
          type="button"
          data-next
          className="plain-button font-semibold"
          onClick={() => (at === steps.length - 1 ? end() : setAt(at + 1))}
        >
          {at === steps.length - 1 ? 'Done' : 'Next'}
        </button>
      </p>
    </div>
  );
}
