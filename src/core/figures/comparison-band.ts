/** Brackets and letters over a figure: the comparisons that were made, in a band of their own above the values. */
import { there } from '../numeric/there';
import type { Answer } from '../answer/answer';
import { pRelation } from '../words/numbers';
import { label, rule } from '../drawing/marks';
import type { Mark } from '../drawing/scene';
import { textWidth } from '../drawing/text-width';
import { type Made, comparisonsMade, lettersMade } from './comparisons-made';
import type { FigureStyle } from './figure-style';
import type { Slot } from './slots';

/** Asterisks by the custom of the trade; the legend says what they stand for. */
export const asterisks = (p: number): string => (p < 0.001 ? '***' : p < 0.01 ? '**' : p < 0.05 ? '*' : 'n.s.');

export interface Band {
  /** Height in points; 0 where there is nothing to show. */
  height: number;
  /** Marks in levels from 0 up; x in the figure's own axis. */
  marks: Mark[];
  levels: number;
  remarks: string[];
  /** What was drawn, for the legend. */
  shown: 'brackets' | 'letters' | 'none';
}

const nothing = (remarks: string[] = []): Band => ({ height: 0, marks: [], levels: 0, remarks, shown: 'none' });

/** What comparisons are shown as, unless the style says: letters where brackets would pile up. */
export function comparedAs(answer: Answer, style: FigureStyle, made: readonly Made[]): 'brackets' | 'letters' | 'none' {
  if (style.compared) return style.compared;
  const significant = made.filter((m) => m.significant).length;
  return significant > 4 && lettersMade(answer).length > 0 ? 'letters' : 'brackets';
}

/** @param place turns the figure's own axis into points @param width of the whole figure, which no label may leave */
export function comparisonBand(
  answer: Answer,
  style: FigureStyle,
  slots: readonly Slot[],
  {
    fontSize,
    measured,
    place,
    width,
    most,
  }: {
    fontSize: number;
    measured: number;
    place: (x: number) => number;
    width: number;
    most: number;
  },
): Band {
  const made = comparisonsMade(answer, slots);
  const letters = lettersMade(answer).filter((l) => slots.some((s) => s.id === l.id));
  const as = comparedAs(answer, style, made);
  const at = (id: string): number =>
    there(
      slots.find((s) => s.id === id),
      'place of a group',
    ).at;
  const asLetters = (remarks: string[] = []): Band => ({
    height: fontSize * 1.5,
    levels: 1,
    marks: letters.map((l) => label(l.letters, at(l.id), 0.25, { anchor: 'middle', name: 'letters' })),
    remarks,
    shown: 'letters',
  });
  if (as === 'none') return nothing();
  if (as === 'letters')
    return letters.length > 0
      ? asLetters()
      : nothing(['Letters belong to comparisons of all pairs of groups, and this question made none.']);
  const wanted = (style.bracketsFor ?? 'significant') === 'all' ? made : made.filter((m) => m.significant);
  const drawn = wanted.length === 0 && made.length === 1 ? made : wanted;
  if (drawn.length === 0) return nothing();
  // The narrowest first, each on the lowest level where neither it nor its p touches another.
  const taken: [number, number][][] = [];
  const brackets = drawn
    .map((m) => {
      const [x1, x2] = [at(m.a), at(m.b)].sort((p, q) => p - q) as [number, number];
      const text = style.pAs === 'asterisks' ? asterisks(m.p) : `p ${pRelation(m.p)}`;
      const half = textWidth(text, measured) / 2;
      const middle = Math.min(width - half - 1, Math.max(half + 1, (place(x1) + place(x2)) / 2));
      const ends: [number, number] = [Math.min(place(x1), middle - half) - 2, Math.max(place(x2), middle + half) + 2];
      return { ...m, x1, x2, text, middle, ends };
    })
    .sort((p, q) => p.x2 - p.x1 - (q.x2 - q.x1) || p.x1 - q.x1)
    .map((b) => {
      let level = 0;
      while (taken[level]?.some(([low, high]) => b.ends[0] < high && b.ends[1] > low)) level += 1;
      (taken[level] ??= []).push(b.ends);
      return { ...b, level };
    });
  const each = fontSize * 1.75;
  if (taken.length * each > most)
    return letters.length > 0
      ? asLetters([
          `${brackets.length} brackets do not fit above a figure of this height: letters are shown. Make it higher, or show only those that differ significantly.`,
        ])
      : nothing([
          `${brackets.length} brackets do not fit above a figure of this height: make it higher, or show only those that differ significantly.`,
        ]);
  return {
    height: taken.length * each,
    levels: taken.length,
    marks: brackets.flatMap(({ a, b, x1, x2, text, middle, level }): Mark[] => {
      const name = `bracket-${a}|${b}`;
      const y = level + 0.3;
      return [
        rule(x1, y, x2, y, { name }),
        rule(x1, y, x1, y - 0.18, { name }),
        rule(x2, y, x2, y - 0.18, { name }),
        label(text, (x1 + x2) / 2, y, {
          dx: middle - (place(x1) + place(x2)) / 2,
          dy: -fontSize * 0.3,
          anchor: 'middle',
          name,
        }),
      ];
    }),
    remarks: [],
    shown: 'brackets',
  };
}
