import { choiceNames } from '../../core/words/choice-names';
import { placesNamed } from '../../core/question/placed';
import type { Question } from '../../core/question/question';
import { Choose } from '../kit/Parts';

/** Where ordered groups lie: as their names say, where each has a number, or one step apart. */
export function SpacingPart({
  question,
  names,
  onChange,
}: {
  question: Question;
  names: readonly string[];
  onChange: (question: Question) => void;
}) {
  if (!placesNamed(names)) return <>taken as equally spaced</>;
  return (
    <Choose
      label="Where groups lie"
      value={question.spacing ?? 'named'}
      options={choiceNames.spacing}
      onChange={(spacing) => onChange({ ...question, spacing })}
    />
  );
}
