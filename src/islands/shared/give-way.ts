declare const scheduler: { yield?: () => Promise<void> } | undefined;

/** Lets everything else have its turn first, however much there is: for what nobody waits for. */
export const stepBack = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

/** The same, but for a page that is being left: there may be no other turn for what is still to be sent. */
export const stepBackUnlessLeft = (): Promise<void> =>
  new Promise((resolve) => {
    const leaving = ['beforeunload', 'pagehide'] as const;
    const go = (): void => {
      clearTimeout(turn);
      for (const event of leaving) window.removeEventListener(event, go);
      resolve();
    };
    const turn = setTimeout(go);
    for (const event of leaving) window.addEventListener(event, go);
  });

/** Lets the hand and the screen have their turn, and goes on at once after it. */
export const giveWay = (): Promise<void> =>
  (typeof scheduler === 'undefined' ? undefined : scheduler.yield?.()) ?? stepBack();
