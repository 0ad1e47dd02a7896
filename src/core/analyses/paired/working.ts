import { beyond } from '../../answer/from-t';
import { differencesOf } from '../../answer/pairing';
import { equivalenceWorked, shuffleWorked, worked } from '../../answer/worked';
import { there } from '../../numeric/there';
import { pairedT } from '../../procedures/paired-t';
import { summarize } from '../../procedures/sample-summary';
import { choicesOf } from '../../question/choices';
import { oneSampleSizeWorking } from '../../working/effect-sizes';
import { pairedWorking } from '../../working/means';
import { signedRankWorking } from '../../working/ranks';
import type { Worked, WorkingPart } from '../analysis';

export function working({ answer, comparison }: Worked): WorkingPart[] {
  const { question } = answer;
  const { level, direction } = question;
  const { method, value } = choicesOf(question);
  const differences = differencesOf(there(comparison.pairing, 'The pairs'));
  if (method === 'ranks') return worked('Signed ranks', () => signedRankWorking(beyond(differences, value), direction));
  const none = differences.map(() => 0);
  return [
    ...shuffleWorked(answer, comparison),
    ...worked(method === 'shuffle' ? 'The interval' : 'The test', () =>
      pairedWorking(summarize(differences), level, value, direction),
    ),
    ...worked('Effect size', () =>
      oneSampleSizeWorking(pairedT(differences, none, level).t, differences.length, level),
    ),
    ...equivalenceWorked(answer, comparison),
  ];
}
