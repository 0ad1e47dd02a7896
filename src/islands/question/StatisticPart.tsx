import { choiceNames } from '../../core/words/choice-names';
import { factsOf } from '../../core/analyses/kinds';
import { choicesOf } from '../../core/question/choices';
import type { Question } from '../../core/question/question';
import { Choose } from '../kit/Parts';
import { NumberPart } from './NumberPart';

interface Props {
  question: Question;
  onChange: (question: Question) => void;
}

const centres = { mean: 'means', median: 'medians', trimmed: 'trimmed means' } as const;

/** Which figure of the readings is looked at, shuffle after shuffle. @param resampled readings drawn again have no t */
export function StatisticPart({ question, onChange, resampled = false }: Props & { resampled?: boolean }) {
  const { statistic } = choicesOf(question);
  const { statistics } = factsOf(question);
  if (!statistics) return <b className="font-semibold">F</b>;
  // Of pairs, and of one group, it is one mean and not a difference of two.
  const one = statistics === 'of-one';
  const { t, ...ofCentre } = choiceNames.statistic;
  const options: Partial<Record<typeof statistic, string>> = {
    ...(one ? ofCentre : centres),
    ...(resampled ? {} : { t }),
  };
  const value = resampled && statistic === 't' ? 'mean' : statistic;
  return (
    <>
      {value !== 't' && (one ? 'the ' : 'the difference of ')}
      <Choose
        label="Statistic"
        value={value}
        options={options}
        onChange={(next) => onChange({ ...question, statistic: next })}
      />
    </>
  );
}

/** The seed that every shuffle and every drawing follows from. */
export const SeedPart = ({ question, onChange }: Props) => (
  <NumberPart
    label="Seed"
    value={choicesOf(question).seed}
    refuse={(x) =>
      Number.isInteger(x) && x >= 0 && x <= 4294967295 ? undefined : 'A seed is a whole number from 0 to 4294967295'
    }
    onChange={(next) => onChange({ ...question, seed: next ?? 1 })}
  />
);
