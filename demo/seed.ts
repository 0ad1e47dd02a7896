/** Puts the demo study into the database DIVIDE_DB names, unless it holds a study already. */
import { openDb } from '../src/store/open';
import { allStudies, createStudy } from '../src/store/studies';
import { demoStudy } from './skerrow';

const db = openDb(process.env['DIVIDE_DB'] ?? ':memory:', process.env['DIVIDE_ROOT'] ?? process.cwd());
if (allStudies(db).length === 0) createStudy(db, demoStudy(), new Date().toISOString());
