/** Hypotheses as they are written: in TeX and in words. */
import type { Direction } from '../procedures/direction';
import { hypothesisName } from './hypothesis-name';

/** A hypothesis in TeX and in words. */
export interface Hypothesis {
  tex: string;
  words: string;
}

/** The hypothesis of no effect, and what stands against it. */
export interface Hypotheses {
  none: Hypothesis;
  some: Hypothesis;
}

/** The sign of what stands against equality. */
export const against: Record<Direction, string> = { either: '\\neq', greater: '>', less: '<' };

/** `\mu_{\text{Red lamp}}`. */
export const parameterOf = (letter: string, name: string): string => `${letter}_{${hypothesisName(name)}}`;

/** All groups share one parameter, or not all do. @param same that they do, in words; @param another that one does not */
export const allEqual = (letter: string, names: readonly string[], same: string, another: string): Hypotheses => ({
  none: {
    tex: `H_0\\colon ${names
      .slice(0, 6)
      .map((name) => parameterOf(letter, name))
      .join(' = ')}${names.length > 6 ? ' = \\cdots' : ''}`,
    words: same,
  },
  some: { tex: 'H_1\\colon \\text{not all are equal}', words: another },
});

/** "both", "all 5". */
export const allOf = (n: number): string => (n === 2 ? 'both' : `all ${n}`);
