/**
 * Checks every procedure against independent references: `npm run reference -- FILE`.
 * Prints a line a procedure: cases, worst relative error, misses; exits 1 on a miss. For the file in this folder it also
 * writes docs/accuracy.md.
 */
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { checkCases } from './check';

const own = fileURLToPath(new URL('cases.json', import.meta.url));
const file = process.argv[2] ?? own;
if (!existsSync(file)) {
  console.error(`There is no file ${file}: give the path of a JSON file of reference cases.`);
  process.exit(1);
}
/** The power of ten an error stays under; rounding differs a little between machines, its size does not. */
const magnitude = (error: number): string => (error < 1e-15 ? '< 1e-15' : `< 1e${Math.floor(Math.log10(error)) + 1}`);

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
if (file === own) {
  const table = lines.map((line) => {
    const result = line.built ? `${magnitude(line.worst)} | ${line.misses.length}` : 'no procedure yet | ';
    return `| \`${line.procedure}\` | ${line.cases} | ${result} |`;
  });
  writeFileSync(
    fileURLToPath(new URL('../../docs/accuracy.md', import.meta.url)),
    `${[
      '# Accuracy',
      '',
      'Written by `npm run reference`. Each procedure is run on cases whose numbers come from 50-digit arithmetic, from an',
      'independent numerical library, or from certified data sets; the worst relative error of any number of any case is',
      'given as the power of ten it stays under. Where the reference itself is a library (studentized range, power,',
      'Shapiro–Wilk), the error shown is as much its own.',
      '',
      '| procedure | cases | worst relative error | misses |',
      '| --- | ---: | ---: | ---: |',
      ...table,
    ].join('\n')}\n`,
  );
}
process.exitCode = lines.some((line) => line.misses.length > 0) ? 1 : 0;
