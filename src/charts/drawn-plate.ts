import { type Plate, type PlatePart, plate, plateLegend } from '../core/figures/plate';
import { hidden } from '../core/figures/renamed';
import type { Drawing } from '../core/drawing/drawing';
import type { Text } from '../core/words/text';
import { layout } from './layout';

/** A figure laid out, those beside it with it, and what its legend says. */
export interface DrawnPlate extends Pick<Plate, 'widthMm' | 'heightMm' | 'remarks'> {
  drawing: Drawing;
  legend: Text;
}

export function drawnPlate(first: PlatePart, others: readonly PlatePart[] = []): DrawnPlate {
  const [one, ...rest] = [hidden(first), ...others.map(hidden)] as [PlatePart, ...PlatePart[]];
  const { scene, parts, ...made } = plate(one, rest);
  return { ...made, drawing: layout(scene), legend: plateLegend([one, ...rest], { parts }) };
}
