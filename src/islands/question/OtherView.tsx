import { DrawingView } from '../../charts/DrawingView';
import type { Answer } from '../../core/answer/answer';
import type { View } from '../../core/scenes/views';
import { useView } from './use-view';

interface Props {
  answer: Answer;
  view: Exclude<View, 'points'>;
  width: number;
}

/** The readings as boxes, histograms or quantile plots: fetched when one of them is asked for. */
export default function OtherView({ answer, view, width }: Props) {
  const { view: drawing, late } = useView('other', answer, view, width);
  return drawing ? (
    <div className={late ? 'opacity-50' : ''} aria-busy={late}>
      <DrawingView drawing={drawing} />
    </div>
  ) : (
    <p className="h-40 text-sm text-muted">Drawing …</p>
  );
}
