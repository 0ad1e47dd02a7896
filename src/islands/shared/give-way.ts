declare const scheduler: { yield?: () => Promise<void> } | undefined;

/** Lets everything else have its turn first, however much there is: for what nobody waits for. */
export const stepBack = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

/** Lets the hand and the screen have their turn, and goes on at once after it. */
export const giveWay = (): Promise<void> =>
  (typeof scheduler === 'undefined' ? undefined : scheduler.yield?.()) ?? stepBack();
