/** What of a study's list is folded: kept by the browser in a cookie, so that the list is drawn as it was left. */
export interface Folds {
  /** Whether everything is open but what was closed by itself. */
  all: boolean;
  /** What was opened or closed by itself, by the id of its table. */
  own: Readonly<Record<string, boolean>>;
}

/** The cookie of a study's pages it is kept in. */
export const foldsCookie = 'folds';

/** A cookie holds some 4,000 letters: the last ones folded are kept. */
const most = 200;

/** As a cookie holds it: "1" where all is open, then each id after "." where it is open or "!" where it is closed. */
export const foldsText = ({ all, own }: Folds): string =>
  `${all ? 1 : 0}${Object.entries(own)
    .slice(-most)
    .map(([id, open]) => `${open ? '.' : '!'}${id}`)
    .join('')}`;

/** What a cookie holds; nothing folded by itself of one that is not there or cannot be read. */
export function foldsFrom(cookie: string | undefined): Folds {
  const [, all, rest = ''] = /^([01])((?:[.!][\w-]+)*)$/.exec(cookie ?? '') ?? [];
  const own = [...rest.matchAll(/([.!])([\w-]+)/g)].map(([, mark, id = '']) => [id, mark === '.'] as const);
  return { all: all === '1', own: Object.fromEntries(own) };
}
