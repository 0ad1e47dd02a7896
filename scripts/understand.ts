/** `npm run understand -- FILE`: what Divide understands of tables as people paste them, one JSON object a line. */
import { readFileSync } from 'node:fs';
import * as v from 'valibot';
import { understoodCase } from '../src/server/understood-case';

const Cases = v.object({ cases: v.array(v.object({ id: v.string(), text: v.string() })) });

const [file] = process.argv.slice(2);
if (file === undefined) {
  console.error('Give a file of tables: npm run understand -- tables.json');
  process.exit(1);
}
const given: unknown = JSON.parse(readFileSync(file, 'utf8'));
for (const { id, text } of v.parse(Cases, given).cases) console.log(JSON.stringify({ id, ...understoodCase(text) }));
