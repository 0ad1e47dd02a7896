/** `npm run recheck -- study.zip`: computes everything in a bundle again, prints what agrees, and ends with 1 where something does not. */
import { readFileSync } from 'node:fs';
import { DomainError } from '../src/core/numeric/domain-error';
import { recheck } from '../src/server/recheck';
import { root } from './prepare.mjs';

const [file] = process.argv.slice(2);
if (file === undefined) {
  console.error('Give the path of a bundled study: npm run recheck -- study.zip');
  process.exit(1);
}
try {
  const parts = await recheck(readFileSync(file), root);
  for (const { part, agrees, why } of parts) console.log(agrees ? `agrees   ${part}` : `DIFFERS  ${part}: ${why}`);
  const differing = parts.filter((p) => !p.agrees).length;
  console.log(`${parts.length - differing} agree, ${differing} differ`);
  process.exit(differing === 0 ? 0 : 1);
} catch (error) {
  if (!(error instanceof DomainError) && !(error instanceof Error && 'code' in error)) throw error;
  console.error(`“${file}” cannot be checked. ${error.message}`);
  process.exit(1);
}
