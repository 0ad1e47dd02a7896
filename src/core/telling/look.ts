import { analysisOf } from '../analyses/registry';
import type { Answer } from '../answer/answer';
import type { Scene } from '../scenes/scene';

/**
 * The picture of an answer: its groups, and beside them what differs by how much, against the divide line.
 * @param sorted whether several differences stand by size instead of in the order of the groups
 * @param stacked shows a table of counts as shares of its rows
 */
export const lookScene = (answer: Answer, width: number, sorted = false, stacked = false): Scene =>
  analysisOf(answer.question).look(answer, width, { sorted, stacked });
