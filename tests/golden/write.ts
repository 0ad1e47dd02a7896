/** `npm run golden`: writes what Divide now says of every situation, to be read through before it is kept. */
import { writeFileSync } from 'node:fs';
import { cases } from './cases';
import { exampleFile, examples } from './examples';
import { golden, goldenFile } from './telling';

for (const kind of Object.keys(cases)) writeFileSync(goldenFile(kind), golden(kind));
writeFileSync(exampleFile, `${JSON.stringify(await examples(), null, 1)}\n`);
