/** What the choices of a figure's style are called, in its controls and in the log. */
import type { FigureStyle } from './figure-style';

/** Of each part that is one of a few, in the order in which they are offered. */
export const styleNames = {
  marks: { columns: 'columns', points: 'points' },
  bars: { sd: 'SD', sem: 'SEM', interval: 'confidence interval' },
  font: { sans: 'sans', serif: 'serif' },
  compared: { brackets: 'brackets with p', letters: 'letters', none: 'not shown' },
  bracketsFor: { significant: 'those that differ significantly', all: 'all that were made' },
  pAs: { exact: 'p in figures', asterisks: 'asterisks' },
  names: { direct: 'at the data', key: 'in a key' },
  panelLetters: { capital: 'A, B, C', small: 'a, b, c', none: 'no letters' },
  fill: { tinted: 'tinted', solid: 'solid', none: 'outline only' },
  scatter: { packed: 'side by side', random: 'scattered by chance', line: 'on one line' },
  barSide: { both: 'to both sides', outer: 'away from 0 only' },
} as const satisfies { [Part in keyof FigureStyle]?: Record<FigureStyle[Part] & string, string> };
