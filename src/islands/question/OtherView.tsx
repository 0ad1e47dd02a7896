import { useMemo } from 'react';
import { DrawingView } from '../../charts/DrawingView';
import { layout } from '../../charts/layout';
import type { Answer } from '../../core/answer/answer';
import { viewScene } from '../../core/scenes/shapes-of-groups';
import type { View } from '../../core/scenes/views';

interface Props {
  answer: Answer;
  view: Exclude<View, 'points'>;
  width: number;
}

/** The readings as boxes, histograms or quantile plots: fetched when one of them is asked for. */
export default function OtherView({ answer, view, width }: Props) {
  const drawing = useMemo(() => layout(viewScene(answer, view, width)), [answer, view, width]);
  return <DrawingView drawing={drawing} />;
}
