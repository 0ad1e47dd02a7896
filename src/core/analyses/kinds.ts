/** Every kind of question with what it lets one choose: by what it is about, then by how the experiment was made. */
import type { Subject } from '../question/options';
import type { DesignFacts, Facts } from './facts';
import { several as adjusted, two as adjustedTwo } from './adjusted/facts';
import { several as blocked, two as blockedTwo } from './blocked/facts';
import { facts as estimate } from './estimate/facts';
import { facts as factorial } from './factorial/facts';
import { facts as mixed } from './mixed/facts';
import { facts as repeatedFactorial } from './repeated-factorial/facts';
import { several as nested, two as nestedTwo } from './nested/facts';
import { facts as oneSample } from './one-sample/facts';
import { facts as paired } from './paired/facts';
import { facts as repeated } from './repeated/facts';
import { facts as several } from './several/facts';
import { facts as shareEstimate } from './share/estimate/facts';
import { facts as shareOfOne } from './share/one/facts';
import { facts as sharePaired } from './share/paired/facts';
import { facts as shareOfSeveral } from './share/several/facts';
import { facts as shareOfTwo } from './share/two/facts';
import { facts as spreadEstimate } from './spread/estimate/facts';
import { facts as spreadOfOne } from './spread/one/facts';
import { facts as spreadPaired } from './spread/paired/facts';
import { facts as spreadOfSeveral } from './spread/several/facts';
import { facts as spreadOfTwo } from './spread/two/facts';
import { facts as dependence } from './table/dependence/facts';
import { facts as fit } from './table/fit/facts';
import { facts as twoGroups } from './two-groups/facts';

/** Each way an experiment is made, by the word for it. */
export const designFacts = {
  estimate,
  'one-sample': oneSample,
  'two-groups': twoGroups,
  paired,
  several,
  factorial,
  repeated,
  mixed,
  'repeated-factorial': repeatedFactorial,
  'nested-two': nestedTwo,
  nested,
  'adjusted-two': adjustedTwo,
  adjusted,
  'blocked-two': blockedTwo,
  blocked,
} satisfies Record<string, DesignFacts>;
export type Design = keyof typeof designFacts;

const kinds = {
  value: designFacts,
  share: {
    estimate: shareEstimate,
    'one-sample': shareOfOne,
    'two-groups': shareOfTwo,
    paired: sharePaired,
    several: shareOfSeveral,
  },
  table: { 'one-sample': fit, several: dependence },
  spread: {
    estimate: spreadEstimate,
    'one-sample': spreadOfOne,
    'two-groups': spreadOfTwo,
    paired: spreadPaired,
    several: spreadOfSeveral,
  },
} satisfies Record<Subject, Partial<Record<Design, Facts>> & { several: Facts }>;

/** What tells a question's kind. */
export interface KindOf {
  about: Subject;
  design: Design;
}

/** A list of all kinds of question, as they stand above; for a design without one it may have something of its own. */
export type ByKind<T> = {
  [About in keyof typeof kinds]: Record<keyof (typeof kinds)[About], T> & Partial<Record<Design, T>>;
};

/** What a list has for a question's kind. Where a subject has no kind for a design, that of several groups stands in. */
export function ofKind<T>(list: ByKind<T>, { about, design }: KindOf): T {
  const subject: Partial<Record<Design, T>> & { several: T } = list[about];
  return subject[design] ?? subject.several;
}

export const factsOf = (question: KindOf): Facts => ofKind(kinds, question);

/** Whether a subject has a kind of question of its own for a design. */
export const hasKind = (about: Subject, design: Design): boolean => {
  const subject: Partial<Record<Design, Facts>> = kinds[about];
  return subject[design] !== undefined;
};
