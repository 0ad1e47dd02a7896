import { isSeen } from '../core/readings/table-edit';
import * as v from 'valibot';

/** A study's title. */
export const Title = v.pipe(
  v.string(),
  v.trim(),
  v.minLength(1, 'A study needs a title: type what it is about.'),
  v.maxLength(200, 'A title may have at most 200 characters.'),
  v.check(isSeen, 'A title of invisible characters cannot be told from none: type one that shows.'),
);

/** The revision a change started from. */
export const Revision = v.pipe(v.number(), v.integer(), v.minValue(0));

/** What a page calls a change of its own, so that one whose reply was lost can be sent once more. */
export const Given = v.pipe(v.string(), v.maxLength(40));

/** Most bytes of a request that carries a whole table: 200,000 rows by twenty columns fit. */
export const tableBodyLimit = 192 * 1024 * 1024;

/** Most bytes of a backup that is brought back. */
export const backupLimit = 1024 * 1024 * 1024;
