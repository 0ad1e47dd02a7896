/**
 * Colours of our own. Groups step through eight lightnesses, neighbours far apart, so that they stay distinct in grey
 * and under each common colour-vision deficiency; each also has its own marker shape. The style sheet repeats these
 * values as variables, and a test holds the two together.
 */
import type { Ink } from './scene';

export type Theme = 'page' | 'night';

export const groupColours: Record<Theme, readonly string[]> = {
  page: ['#7c3581', '#7d9748', '#424700', '#637ec5', '#00376c', '#936533', '#57001f', '#006d6a'],
  night: ['#de90e0', '#ddf8a2', '#9d9f52', '#d4dcff', '#698dd0', '#f7c08a', '#bc5e70', '#50cfca'],
};

export const inks: Record<Theme, Record<'ink' | 'muted' | 'line' | 'paper' | 'accent', string>> = {
  page: { ink: '#1d1f1c', muted: '#5a5d55', line: '#d6d1c3', paper: '#fbf9f4', accent: '#1f5a3c' },
  night: { ink: '#e9e6dd', muted: '#a6aaa0', line: '#3a403d', paper: '#151819', accent: '#86cba1' },
};

/** A mark's colour in a file: on white paper. */
export const onPaper = (ink: Ink): string =>
  typeof ink !== 'string'
    ? (groupColours.page[ink.group % groupColours.page.length] ?? inks.page.ink)
    : ink === 'paper'
      ? '#ffffff'
      : inks.page[ink];
