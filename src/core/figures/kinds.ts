/** What figures an answer can be shown as, the usual one first. */
import { leastOf, mostOf } from '../numeric/extremes';
import { analysisOf } from '../analyses/registry';
import type { Answer } from '../answer/answer';
import { changesOf } from '../scenes/changes-look';
import { effectAxis } from '../scenes/effect-axis';
import { canStack } from '../scenes/stacked-shares';
import { meanOf } from '../answer/group-part';
import { defaultFigureStyle } from './default-style';
import type { FigureKind, FigureStyle } from './figure-style';

export const kindNames: Readonly<Record<FigureKind, string>> = {
  means: 'means with error bars',
  boxes: 'boxes',
  histograms: 'histograms',
  quantiles: 'quantile plots',
  covariate: 'readings against the covariate',
  lines: 'subjects’ lines',
  interaction: 'lines through cell means',
  shares: 'shares',
  stacked: 'stacked shares',
  tiles: 'tiles',
  differences: 'differences',
  beside: 'groups and differences',
  changes: 'changes',
  distribution: 'the reference distribution',
};

/**
 * Kinds drawn as on the question's page, and what of groups they show: each in its place by name, colour and marker; the
 * same without a place; or the name alone.
 */
const asOnPage = {
  beside: 'place',
  covariate: 'look',
  histograms: 'place',
  quantiles: 'place',
  changes: 'place',
  differences: 'name',
  tiles: 'none',
  distribution: 'none',
} as const satisfies Partial<Record<FigureKind, 'place' | 'look' | 'name' | 'none'>>;
export type LaidKind = keyof typeof asOnPage;
export const isLaid = (kind: FigureKind): kind is LaidKind => kind in asOnPage;
export const showsGroups = (kind: FigureKind): boolean => !isLaid(kind) || asOnPage[kind] !== 'none';
export const places = (kind: FigureKind): boolean => !isLaid(kind) || asOnPage[kind] === 'place';
export const paints = (kind: FigureKind): boolean => places(kind) || (isLaid(kind) && asOnPage[kind] === 'look');

/** Kinds this answer can be drawn as. */
export function kindsFor(answer: Answer): FigureKind[] {
  const { question, comparison, reported, layout } = answer;
  const found = comparison.ok ? comparison.value : undefined;
  const follows = found?.follow?.ok && found.follow.value.some((p) => p.effects.length > 0);
  const shaped = question.about === 'value' && !reported && answer.groups.some((g) => g.n > 0);
  const has: Partial<Record<FigureKind, boolean>> = {
    // Of ranks of readings below a limit there are none.
    means: answer.groups.length === 0 || answer.groups.some((g) => meanOf(g) !== undefined),
    boxes: !reported,
    covariate: found?.covariate !== undefined,
    lines:
      layout !== undefined ||
      found?.pairing !== undefined ||
      found?.complete !== undefined ||
      found?.everyone !== undefined,
    interaction: layout !== undefined,
    stacked: found?.counts !== undefined && canStack(found.counts),
  };
  return [
    ...analysisOf(question).figures.filter((kind) => has[kind] ?? true),
    ...((shaped || question.about === 'share') && !found?.covariate && effectAxis(answer) ? (['beside'] as const) : []),
    ...(shaped ? (['histograms', 'quantiles'] as const) : []),
    ...(changesOf(answer) ? (['changes'] as const) : []),
    ...((found?.p !== undefined && found.effect?.interval) || follows ? (['differences'] as const) : []),
    ...(found?.reference && found.reference.length > 0 ? (['distribution'] as const) : []),
  ];
}

/** What a figure shows: the kind chosen, where the answer can still be shown so. */
export function kindOf(answer: Answer, style: Pick<FigureStyle, 'kind'>): FigureKind {
  const all = kindsFor(answer);
  return style.kind && all.includes(style.kind) ? style.kind : (all[0] ?? 'means');
}

/**
 * How a figure of this answer is drawn when it is made. Columns stand on 0: where all means lie far from it and near one
 * another, columns would hide what differs, and points are drawn; so are geometric means, whose axis has no 0.
 */
export function usualStyle(answer: Answer): FigureStyle {
  const means = answer.groups.flatMap((g) => meanOf(g) ?? []);
  const [low, high] = [leastOf(means), mostOf(means)];
  const far = means.length > 0 && low > 0 && high - low < 0.15 * high;
  const wide = answer.groups.length > 5 || (answer.layout?.a.levels.length ?? 0) > 4;
  return {
    ...defaultFigureStyle,
    ...(far || answer.logs ? { marks: 'points' } : {}),
    ...(wide ? { widthMm: 174 } : {}),
  };
}
