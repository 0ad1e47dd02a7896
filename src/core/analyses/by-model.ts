/** Groups compared by a model of their readings: two by the t of their difference, several by F and what follows it. */
import { chosenParts } from '../answer/chosen-parts';
import type { Comparison } from '../answer/comparison';
import { demandTwo, fromF } from '../answer/from-f';
import { fromT, subtracted } from '../answer/from-t';
import { type GroupPart, partOf } from '../answer/group-part';
import { twoOf } from '../answer/two-of';
import { type TTest, tTest } from '../procedures/t-test';
import { choicesOf } from '../question/choices';
import type { Question } from '../question/question';
import type { Table } from '../readings/table';
import type { OfReadings } from './analysis';
import { type ModelWords, severalWords, twoWords } from './by-model-words';

/** What a model of the readings tells of its groups. */
export interface GroupModel {
  /** A weighted sum of the groups' means, its weights summing to 0. */
  effect: (weights: readonly number[]) => TTest;
  /** Whether the groups differ at all. */
  test: () => { f: number; df: readonly [number, number]; p: number };
  /** What it tells besides. */
  told: Partial<Comparison>;
}

type Shared = Pick<OfReadings, 'look' | 'figures' | 'working' | 'used' | 'checked' | 'checks'>;
type Alternatives = NonNullable<OfReadings['alternatives']>;

export interface ByModel extends Required<Shared> {
  words: ModelWords;
  /** @throws DomainError in words */
  fit: (question: Question, table: Table, groups: readonly GroupPart[], brief: boolean) => GroupModel;
}

const shared = ({ look, figures, working, used, checked, checks }: ByModel) => ({
  from: 'readings' as const,
  look,
  figures,
  working,
  used,
  checked,
  checks,
});

export const twoByModel = (model: ByModel, alternatives: Alternatives): OfReadings => ({
  ...shared(model),
  words: twoWords(model.words),
  groups: ({ a, b }, all) => [partOf(all, a), partOf(all, b)],
  compare: (question, table, parts, brief) => {
    const [a, b] = twoOf(parts);
    const { effect, told } = model.fit(question, table, [a, b], brief);
    const { estimate, se, df } = effect([1, -1]);
    const test = tTest(estimate, se, df, question.level, choicesOf(question).value);
    return { ...fromT(question, subtracted(a, b), [a.id, b.id], test, []), ...told };
  },
  alternatives,
});

export const severalByModel = (model: ByModel, alternatives: Alternatives): OfReadings => ({
  ...shared(model),
  words: severalWords(model.words),
  groups: chosenParts,
  compare: (question, table, groups, brief) => {
    demandTwo(groups);
    const { effect, test, told } = model.fit(question, table, groups, brief);
    return { ...fromF(question, groups, test(), effect, brief), ...told };
  },
  alternatives,
});
