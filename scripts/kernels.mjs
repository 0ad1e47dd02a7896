/** Compiles kernels/ to WebAssembly, written into the core as text: `npm run kernels`, and part of every build. */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import asc from 'assemblyscript/asc';
import { format, resolveConfig } from 'prettier';
import { root } from './prepare.mjs';

const target = join(root, 'src/core/kernels/shuffle-module.ts');

/** The module's bytes, as base64. */
export async function compiled() {
  const outputs = new Map();
  const { error, stderr } = await asc.main(
    [
      'shuffle.ts',
      '--optimizeLevel',
      '3',
      '--shrinkLevel',
      '0',
      '--noAssert',
      '--runtime',
      'stub',
      '--outFile',
      'out.wasm',
    ],
    {
      readFile: (name) => (name === 'shuffle.ts' ? readFileSync(join(root, 'kernels/shuffle.ts'), 'utf8') : null),
      writeFile: (name, contents) => outputs.set(name, contents),
      listFiles: () => [],
    },
  );
  if (error) throw new Error(`The kernels could not be compiled: ${error.message}\n${stderr.toString()}`);
  return Buffer.from(outputs.get('out.wasm')).toString('base64');
}

/** Writes the module where it has changed. */
export async function writeKernels() {
  const text = `/** Written by \`npm run kernels\` from kernels/shuffle.ts. */\nexport const shuffleModule = '${await compiled()}';\n`;
  const pretty = await format(text, { ...(await resolveConfig(target)), parser: 'typescript' });
  let before = '';
  try {
    before = readFileSync(target, 'utf8');
  } catch {
    // There is none yet.
  }
  if (before !== pretty) writeFileSync(target, pretty);
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  if (process.argv.includes('--print')) console.log(await compiled());
  else await writeKernels();
}
