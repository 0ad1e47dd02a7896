import type { Answer } from './answer';

/** Whether no group holds anything yet: there is nothing to draw, only places for it. */
export const isBare = ({ groups }: Pick<Answer, 'groups'>): boolean =>
  groups.length > 0 && groups.every(({ n }) => n === 0);
