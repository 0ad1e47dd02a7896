import { analysisOf } from '../analyses/registry';
import type { Answer } from '../answer/answer';
import { inOrder } from '../answer/in-order';
import type { LookOptions } from '../scenes/beside-differences';
import type { Scene } from '../drawing/scene';
import { viewScene } from '../scenes/shapes-of-groups';
import type { TableView, View } from '../scenes/views';

/**
 * The picture of an answer: its groups in the table's order, and beside them what differs by how much, against the divide
 * line.
 * @param view how the readings are looked at: as points, boxes, histograms or quantile plots; counts as tiles or stacked
 */
export const lookScene = (
  answer: Answer,
  width: number,
  options: LookOptions = { sorted: false },
  view: View | TableView = 'points',
): Scene =>
  view === 'points' || view === 'stacked'
    ? analysisOf(answer.question).look(inOrder(answer), width, { ...options, stacked: view === 'stacked' })
    : viewScene(inOrder(answer), view, width, options);
