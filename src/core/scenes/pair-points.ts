/** The differences within pairs, as points beside their mean: what a paired test looks at. */
import type { Answer } from '../answer/answer';
import { differencesOf } from '../answer/pairing';
import type { Point } from '../drawing/scene';
import { valued } from '../words/sentences';
import { readingText } from './told-values';
import { nth } from '../numeric/nth';

/** Each pair's difference, named by its subject and leading to its two readings; none where readings are not paired, or told as ratios. */
export function pairPoints({ question, comparison, unit, groups }: Answer): Point[] {
  const found = comparison.ok ? comparison.value : undefined;
  const { pairing, effect } = found ?? {};
  if (!pairing || !effect || effect.ratio || question.about !== 'value') return [];
  const columns = groups.map((g) => g.column);
  return differencesOf(pairing).map((at, i) => {
    const pair = pairing.pairs[i];
    const cells = [pair?.a, pair?.b].flatMap((reading, k) =>
      (reading?.rows ?? (reading ? [reading.row] : [])).map((row) => ({ column: nth(columns, k), row })),
    );
    return { at, title: `${pair?.subject ?? ''}: ${valued(readingText(at), unit)}`, cells };
  });
}
