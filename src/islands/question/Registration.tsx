import { useState } from 'react';
import type { Answer } from '../../core/answer/answer';
import type { Question } from '../../core/question/question';
import { registrationWords } from '../../core/words/registered';
import { useFocusBack } from '../kit/focus-back';
import { NumberField } from '../kit/NumberField';
import { benchFor } from './bench-for';
import { Hint } from '../kit/Hint';

interface Props {
  question: Question;
  /** The answer, or its groups alone while it has none. */
  shown: Answer | undefined;
  /** The page of the question. */
  href: string;
  /** What a plan made for it on the bench comes back with. */
  fromPlan?: number | undefined;
  onChange: (question: Question) => void;
}

/** Fixing a question before its readings are there; once fixed, how and with what deviations. */
export function Registration({ question, shown, href, fromPlan, onChange }: Props) {
  const [open, setOpen] = useState(fromPlan !== undefined);
  const { registered } = question;
  if (registered) {
    const { deviations = [] } = shown?.registered ?? {};
    return (
      <div className="mt-1 text-sm" data-testid="registration">
        Registered {registrationWords(registered)}.{' '}
        {shown?.registered &&
          (deviations.length === 0 ? (
            shown.groups.some((g) => g.n > 0) && 'As registered.'
          ) : (
            <span className="text-warning">Deviations: {deviations.join('; ')}.</span>
          ))}{' '}
        <a className="plain-button" href={`${href}/registration`}>
          Registration
        </a>{' '}
        <Hint says="The log keeps that it was registered, and how">
          <button
            type="button"
            className="plain-button"
            onClick={() => {
              const { registered: _, ...rest } = question;
              onChange(rest);
            }}
          >
            Withdraw
          </button>
        </Hint>
      </div>
    );
  }
  if (open)
    return (
      <RegisterForm
        question={question}
        shown={shown}
        href={href}
        fromPlan={fromPlan}
        onChange={onChange}
        onClose={() => setOpen(false)}
      />
    );
  return (
    <p className="mt-1 text-sm">
      <button type="button" className="plain-button" onClick={() => setOpen(true)}>
        Register this question …
      </button>
    </p>
  );
}

/** What is asked before a question is fixed: Escape closes it. */
function RegisterForm({ question, shown, href, fromPlan, onChange, onClose }: Props & { onClose: () => void }) {
  const [planned, setPlanned] = useState(fromPlan);
  useFocusBack();
  const groups = shown?.groups ?? [];
  const readings = groups.reduce((n, g) => n + g.n + g.readings.aside.length, 0);
  const register = () => {
    const aside = groups.reduce((n, g) => n + g.readings.aside.length, 0);
    // With what the sizes of the groups decide, so that a later decision is told as a deviation.
    const { registered: _, own: __, ...asked } = shown?.question ?? question;
    onClose();
    onChange({
      ...question,
      registered: {
        at: new Date().toISOString(),
        ...(planned === undefined ? {} : { planned }),
        readings,
        aside,
        question: asked,
      },
    });
  };
  return (
    <div
      role="group"
      aria-label="Register this question"
      className="mt-2 max-w-[68ch] space-y-1 text-sm"
      onKeyDown={(e) => e.key === 'Escape' && onClose()}
    >
      <p>
        Registering fixes the question as it stands: sentence, direction, method, level, margin and comparisons. It can
        still be changed; the answer and its methods then say what was registered and every deviation.
        {readings > 0 && ` ${readings} readings are there already, and it will say so.`}
      </p>
      <p>
        <label>
          Planned in each group{' '}
          <NumberField
            label="Planned in each group"
            value={planned}
            least={2}
            whole
            placeholder="n"
            autoFocus
            onChange={setPlanned}
          />
        </label>{' '}
        <a className="plain-button" href={benchFor(shown, href).planner}>
          Plan it
        </a>
      </p>
      <p className="flex gap-4">
        <button type="button" className="plain-button font-semibold" onClick={register}>
          Register
        </button>
        <button type="button" className="plain-button" onClick={onClose}>
          Cancel
        </button>
      </p>
    </div>
  );
}
