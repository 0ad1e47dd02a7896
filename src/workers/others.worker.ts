/** Works the other methods out off the main thread, where readings are so many that it would be felt. */
import { othersOf } from '../core/answer/others';
import type { Question } from '../core/question/question';
import type { Table } from '../core/readings/table';

onmessage = (event: MessageEvent<{ question: Question; table: Table }>): void => {
  postMessage(othersOf(event.data.question, event.data.table));
};
