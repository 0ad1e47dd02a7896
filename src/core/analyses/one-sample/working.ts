import { meanOf, valuesOf } from '../../answer/group-part';
import { equivalenceWorked, worked } from '../../answer/worked';
import { differencesAsTyped } from '../../numeric/decimals';
import { there } from '../../numeric/there';
import { choicesOf } from '../../question/choices';
import { oneSampleSizeWorking } from '../../working/effect-sizes';
import { oneSampleWorking, oneSampleZWorking } from '../../working/means';
import { signedRankWorking } from '../../working/ranks';
import type { Worked, WorkingPart } from '../analysis';

export function working({ answer, comparison }: Worked): WorkingPart[] {
  const { question, groups } = answer;
  const { level, direction, knownSd } = question;
  const { method } = choicesOf(question);
  const value = there(question.value, 'The value');
  const group = there(groups[0], 'The group');
  if (method === 'ranks')
    return worked('Signed ranks', () => signedRankWorking(differencesAsTyped(valuesOf(group), value), direction));
  if (method === 'z')
    return worked('The test', () =>
      oneSampleZWorking(
        there(meanOf(group), 'The mean'),
        group.n,
        there(knownSd, 'The known SD'),
        value,
        level,
        direction,
      ),
    );
  const summary = there(group.summary, 'The summary');
  const t = there(comparison.effect?.statistic, 't').value;
  return [
    ...worked('The test', () => oneSampleWorking(summary, value, level, direction)),
    ...worked('Effect size', () => oneSampleSizeWorking(t, summary.n, level)),
    ...equivalenceWorked(answer, comparison),
  ];
}
