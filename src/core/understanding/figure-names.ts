/** Names of figures that stand behind what they are of, "length mean" and "length SD": as they are written elsewhere. */
import type { Worked } from './limits-apart';
import type { Incoming } from './seen';
import { meanName, spreadKind } from './vocabulary';

/** "length mean", "mass_SD", "mean2": what a figure is of, and the figure. */
const behind = /^(.*\S)[\s_.:,-]+([\p{L}.]+)$/u;
const numbered = /^(\p{L}[\p{L}.]*?)[\s_.]?(\d)$/u;

interface Called {
  of: string;
  figure: string;
}

function calledOf(name: string): Called | undefined {
  const [, of = '', figure = ''] = behind.exec(name.trim()) ?? [];
  if (/\p{L}/u.test(of) && isFigure(figure) && !isFigure(of)) return { of, figure };
  const [, word = '', which = ''] = numbered.exec(name.trim()) ?? [];
  return isFigure(word) ? { of: which, figure: word } : undefined;
}
const isMean = (word: string): boolean => meanName.test(word) && word.length > 1;
const isFigure = (word: string): boolean => isMean(word) || (spreadKind(word) ?? null) !== null;

/** Columns of figures with what they are of behind them; as they are where no mean and no spread are called so. */
export function figureNames(columns: readonly Incoming[]): Worked {
  const called = columns.map((c) => calledOf(c.name));
  const of = (is: (figure: string) => boolean): Set<string> =>
    new Set(called.flatMap((c) => (c && is(c.figure) ? [c.of.toLowerCase()] : [])));
  const [means, spreads] = [of(isMean), of((figure) => !isMean(figure))];
  const both = new Set([...means].filter((name) => spreads.has(name)));
  if (both.size === 0) return { columns: [...columns], notes: [] };
  return {
    columns: columns.map((c, k) => {
      const own = called[k];
      if (!own || !both.has(own.of.toLowerCase())) return c;
      return { ...c, name: isMean(own.figure) ? `${own.figure} ${own.of}` : `${own.figure} of ${own.of}` };
    }),
    notes: [],
  };
}
