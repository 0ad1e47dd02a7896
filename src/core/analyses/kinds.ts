/** Every kind of question with what it lets one choose: by what it is about, then by how the experiment was made. */
import type { Design, Question } from '../question/question';
import type { Facts } from './facts';
import { facts as factorial } from './factorial/facts';
import { facts as mixed } from './mixed/facts';
import { facts as oneSample } from './one-sample/facts';
import { facts as paired } from './paired/facts';
import { facts as repeated } from './repeated/facts';
import { facts as several } from './several/facts';
import * as share from './share/facts';
import * as spread from './spread/facts';
import * as table from './table/facts';
import { facts as twoGroups } from './two-groups/facts';

/** A list by kind of question. Where a subject has no kind for a design, that of several groups stands in for it. */
export interface ByKind<T> {
  value: Record<Design, T>;
  share: Partial<Record<Design, T>> & { several: T };
  table: Partial<Record<Design, T>> & { several: T };
  spread: Partial<Record<Design, T>> & { several: T };
}

/** What a list has for a question's kind. */
export function ofKind<T>(list: ByKind<T>, { about, design }: Pick<Question, 'about' | 'design'>): T {
  const subject: Partial<Record<Design, T>> & { several: T } = list[about ?? 'value'];
  return subject[design] ?? subject.several;
}

const kinds: ByKind<Facts> = {
  value: { 'one-sample': oneSample, 'two-groups': twoGroups, paired, several, factorial, repeated, mixed },
  share: { 'one-sample': share.one, 'two-groups': share.two, paired: share.paired, several: share.several },
  table: { 'one-sample': table.fit, several: table.dependence },
  spread: { 'one-sample': spread.one, 'two-groups': spread.two, paired: spread.paired, several: spread.several },
};

export const factsOf = (question: Pick<Question, 'about' | 'design'>): Facts => ofKind(kinds, question);
