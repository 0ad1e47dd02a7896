/** What figures an answer can be shown as, the usual one first. */
import { leastOf, mostOf } from '../numeric/extremes';
import type { Answer } from '../answer/answer';
import { canStack } from '../scenes/stacked-shares';
import { meanOf } from '../answer/group-part';
import { defaultFigureStyle } from './default-style';
import type { FigureKind, FigureStyle } from './figure-style';

export const kindNames: Readonly<Record<FigureKind, string>> = {
  means: 'means with error bars',
  boxes: 'boxes',
  lines: 'subjects’ lines',
  interaction: 'lines through cell means',
  shares: 'shares',
  stacked: 'stacked shares',
  tiles: 'tiles',
  differences: 'differences',
  distribution: 'the reference distribution',
};

/** Kinds this answer can be drawn as. */
export function kindsFor({ question, comparison, reported, layout }: Answer): FigureKind[] {
  const found = comparison.ok ? comparison.value : undefined;
  const differences: FigureKind[] =
    found && (found.effect?.interval || (found.follow?.ok && found.follow.value.some((p) => p.effects.length > 0)))
      ? ['differences']
      : [];
  const distribution: FigureKind[] = found?.reference && found.reference.length > 0 ? ['distribution'] : [];
  const after = [...differences, ...distribution];
  if (question.about === 'share') return ['shares', ...after];
  if (question.about === 'table') {
    const counts = found?.counts;
    return counts && question.design !== 'one-sample' && canStack(counts)
      ? ['stacked', 'tiles', ...after]
      : ['tiles', ...after];
  }
  const readings: FigureKind[] = reported ? ['means'] : ['means', 'boxes'];
  if (layout)
    return [...(question.design === 'mixed' ? (['lines'] as const) : []), 'interaction', ...readings, ...after];
  const lines: FigureKind[] = found?.pairing || (found?.complete && question.design === 'repeated') ? ['lines'] : [];
  return [...lines, ...readings, ...after];
}

/** What a figure shows: the kind chosen, where the answer can still be shown so. */
export function kindOf(answer: Answer, style: Pick<FigureStyle, 'kind'>): FigureKind {
  const all = kindsFor(answer);
  return style.kind && all.includes(style.kind) ? style.kind : (all[0] ?? 'means');
}

/**
 * How a figure of this answer is drawn when it is made. Columns stand on 0: where all means lie far from it and near one
 * another, columns would hide what differs, and points are drawn.
 */
export function usualStyle(answer: Answer): FigureStyle {
  const means = answer.groups.flatMap((g) => meanOf(g) ?? []);
  const [low, high] = [leastOf(means), mostOf(means)];
  const far = !answer.question.about && means.length > 0 && low > 0 && high - low < 0.15 * high;
  const wide = answer.groups.length > 5 || (answer.layout?.a.levels.length ?? 0) > 4;
  return { ...defaultFigureStyle, ...(far ? { marks: 'points' } : {}), ...(wide ? { widthMm: 174 } : {}) };
}
