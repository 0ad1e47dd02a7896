import { type Change, touches } from '../../core/study/change';
import { thisWindow } from './api';

type Hear = (change: Change | null) => void;

const hearers = new Set<Hear>();
let line: SharedWorker | undefined;
/** Whether the line stood when it was last heard of: who comes later has not heard that it was laid. */
let laid = false;

/** Listens from the first hearer on; where pages cannot share a line, they hear of nothing until they are looked at. */
function listen(): void {
  if (line || typeof SharedWorker === 'undefined') return;
  line = new SharedWorker(new URL('../../workers/changes.worker.ts', import.meta.url), { type: 'module' });
  line.port.onmessage = ({ data }: MessageEvent<Change | null>) => {
    laid = true;
    hearers.forEach((hear) => hear(data));
  };
}

/** The study whose page this is. */
const studyHere = (): string => /^\/studies\/([^/]+)/.exec(window.location.pathname)?.[1] ?? '';

/**
 * Calls when another window has changed what is kept at an address, within a second, and whenever it may have: the line to
 * the server has just been laid, or the page is looked at again.
 * @param touched which changes count; by default those of the address itself
 * @param look called with the change where it is known
 * @returns what ends it
 */
export function followAddress(
  address: string,
  look: (change?: Change) => void,
  touched: (change: Change) => boolean = (change) => touches(change, address, studyHere()),
): () => void {
  const hear: Hear = (change) => {
    if (change === null) look();
    else if (change.window !== thisWindow && touched(change)) look(change);
  };
  const seen = () => {
    if (document.visibilityState === 'visible') look();
  };
  listen();
  hearers.add(hear);
  if (laid) queueMicrotask(() => hearers.has(hear) && look());
  document.addEventListener('visibilitychange', seen);
  window.addEventListener('focus', seen);
  return () => {
    hearers.delete(hear);
    document.removeEventListener('visibilitychange', seen);
    window.removeEventListener('focus', seen);
  };
}

/** What names a thing of a study, or says that it is there. */
const named = /^\/api\/(tables|questions|figures|studies)/;

/** Calls a moment after anything of the study was changed, in this window too; several changes in a row are one. */
export function followStudy(look: () => void): () => void {
  let waiting: ReturnType<typeof setTimeout> | undefined;
  let begun = false;
  const hear: Hear = (change) => {
    // What is listed came with the page: that the line stands for the first time is no news.
    const first = change === null && !begun;
    begun = true;
    if (first || (change !== null && !named.test(change.path))) return;
    clearTimeout(waiting);
    waiting = setTimeout(look, 400);
  };
  listen();
  hearers.add(hear);
  return () => {
    clearTimeout(waiting);
    hearers.delete(hear);
  };
}

/** Who changed it, and where, as the page says it. */
export const elsewhere = (change: Change | undefined): string =>
  change?.by ? `${change.by} changed this in another window` : 'Changed in another window';
