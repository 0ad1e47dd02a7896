/** Puts the demo study into the database DIVIDE_DB names, unless it holds a study already. */
import { startDemo } from '../src/server/demo-study';
import { openDb } from '../src/store/open';
import { allStudies } from '../src/store/studies';

const db = openDb(process.env['DIVIDE_DB'] ?? ':memory:', process.env['DIVIDE_ROOT'] ?? process.cwd());
if (allStudies(db).length === 0) startDemo(db, new Date().toISOString());
