/** What is asked beside a question: other answers from the same readings, each worked out when it is its turn. */
import type { Question } from '../question/question';
import type { Table } from '../readings/table';
import { eachMethod } from './alternative-methods';
import { eachLevel } from './at-levels';
import { eachDirection } from './directions';
import { eachWayOut } from './ways-out';

const askedBeside = {
  methods: eachMethod,
  levels: eachLevel,
  directions: eachDirection,
  waysOut: eachWayOut,
};

export type BesideName = keyof typeof askedBeside;
/** One answer of those asked beside under a name. */
export type Beside<K extends BesideName> = ReturnType<(typeof askedBeside)[K]> extends Generator<infer T> ? T : never;

/** One after the other. */
export const eachBeside = <K extends BesideName>(name: K, question: Question, table: Table): Generator<Beside<K>> =>
  askedBeside[name](question, table) as Generator<Beside<K>>;
