/**
 * Checks every procedure against independent references: `npm run reference -- FILE`.
 * Prints a line a procedure: cases, worst relative error, misses; exits 1 on a miss.
 */
import { existsSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { checkCases } from './check';

const file = process.argv[2] ?? fileURLToPath(new URL('cases.json', import.meta.url));
if (!existsSync(file)) {
  console.error(`There is no file ${file}: give the path of a JSON file of reference cases.`);
  process.exit(1);
}
const lines = checkCases(readFileSync(file, 'utf8'));
const width = Math.max(...lines.map((line) => line.procedure.length));
for (const line of lines) {
  const head = `${line.procedure.padEnd(width)}  ${String(line.cases).padStart(3)} cases`;
  console.log(
    line.built
      ? `${head}  worst relative error ${line.worst.toExponential(1)}  misses ${line.misses.length}`
      : `${head}  no procedure yet`,
  );
  for (const miss of line.misses) console.log(`    ${miss}`);
}
process.exitCode = lines.some((line) => line.misses.length > 0) ? 1 : 0;
