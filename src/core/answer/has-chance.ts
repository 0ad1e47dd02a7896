import type { Answer } from './answer';

/** Whether a question has something to shuffle or to draw again. */
export const hasChance = ({ question: { about, design }, reported }: Answer): boolean =>
  !reported &&
  (about === undefined
    ? ['one-sample', 'two-groups', 'paired', 'several'].includes(design)
    : about === 'table'
      ? design !== 'one-sample'
      : about === 'share' && (design === 'two-groups' || design === 'several'));
