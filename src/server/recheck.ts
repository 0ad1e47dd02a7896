/** A bundle checked by anyone who has it: everything that was computed for it is computed again and compared. */
import { strFromU8 } from 'fflate';
import { type OpenedBundle, filesOf, readBundle } from '../formats/study-bundle';
import { openDb } from '../store/open';
import { createStudy } from '../store/studies';
import { bundleOf } from './bundle';

/** What came of one part of a bundle. */
export interface Rechecked {
  part: string;
  agrees: boolean;
  /** Where it differs, in words. */
  why: string;
}

/** How far two numbers may lie apart, as a share of their size: another machine rounds the last digits otherwise. */
const slack = 1e-9;

/** Where two values first differ, as a path; undefined where they agree. */
export function difference(kept: unknown, now: unknown, path = ''): string | undefined {
  if (typeof kept === 'number' && typeof now === 'number') {
    const near = Math.abs(kept - now) <= slack * Math.max(Math.abs(kept), Math.abs(now));
    return near ? undefined : `${path || 'it'} is ${kept} there, and comes to ${now}`;
  }
  if (typeof kept === 'object' && typeof now === 'object' && kept !== null && now !== null) {
    const [a, b] = [kept as Record<string, unknown>, now as Record<string, unknown>];
    for (const key of new Set([...Object.keys(a), ...Object.keys(b)])) {
      const found = difference(a[key], b[key], path ? `${path}.${key}` : key);
      if (found) return found;
    }
    return undefined;
  }
  const shown = (value: unknown): string => (value === undefined ? 'nothing' : JSON.stringify(value).slice(0, 120));
  return Object.is(kept, now) ? undefined : `${path || 'it'} is ${shown(kept)} there, and comes to ${shown(now)}`;
}

/** Where two texts first differ. */
function textDifference(kept: string, now: string): string | undefined {
  if (kept === now) return undefined;
  let at = 0;
  while (kept[at] === now[at]) at++;
  const around = (text: string): string => JSON.stringify(text.slice(Math.max(0, at - 30), at + 30));
  return `${around(kept)} there, and now ${around(now)}`;
}

/** A file's content with the ids of this study in place of those it was made with. */
const withIds = (text: string, ids: ReadonlyMap<string, string>): string =>
  text.replace(/"(?:id|table|figure|question)": "([^"]+)"/g, (all, id: string) =>
    all.replace(`"${id}"`, JSON.stringify(ids.get(id) ?? id)),
  );

/**
 * Opens a bundle, computes every answer, figure and text in it again from its readings, and compares.
 * @throws DomainError when it cannot be opened
 */
export async function recheck(bytes: Uint8Array, root: string): Promise<Rechecked[]> {
  const opened: OpenedBundle = await readBundle(bytes);
  const db = openDb(':memory:', root);
  const ids = new Map<string, string>();
  const study = createStudy(db, opened.content, new Date().toISOString(), '', ids);
  const [kept, now] = await Promise.all([filesOf(bytes), bundleOf(db, study).then(filesOf)]);
  db.$client.close();
  const computed = [...new Set([...Object.keys(kept), ...Object.keys(now)])]
    .filter((name) => /^(answers|figures)\/|^write-up\./.test(name))
    .sort();
  return [
    ...(opened.changed ?? []).map((part) => ({ part, agrees: false, why: 'is not as it was saved' })),
    ...computed.map((part): Rechecked => {
      const [was, is] = [kept[part], now[part]];
      if (!was || !is) return { part, agrees: false, why: was ? 'is not made from this study' : 'is missing' };
      const [before, after] = [withIds(strFromU8(was), ids), strFromU8(is)];
      const why = part.endsWith('.json')
        ? difference(JSON.parse(before), JSON.parse(after))
        : textDifference(before, after);
      return { part, agrees: why === undefined, why: why ?? '' };
    }),
  ];
}
