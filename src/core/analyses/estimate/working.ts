import { meanOf } from '../../answer/group-part';
import { worked } from '../../answer/worked';
import { there } from '../../numeric/there';
import { choicesOf } from '../../question/choices';
import { meanIntervalWorking, meanKnownSdWorking } from '../../working/intervals';
import type { Worked, WorkingPart } from '../analysis';

export function working({ answer }: Worked): WorkingPart[] {
  const { question, groups } = answer;
  const { level, knownSd } = question;
  const { method } = choicesOf(question);
  const group = there(groups[0], 'The group');
  if (method === 'ranks') return [];
  return worked('The interval', () =>
    method === 'z'
      ? meanKnownSdWorking(there(meanOf(group), 'The mean'), group.n, there(knownSd, 'The known SD'), level)
      : meanIntervalWorking(there(group.summary, 'The summary'), level),
  );
}
