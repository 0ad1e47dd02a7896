/** The licences of everything that goes to the browser, in one file beside it: the scripts themselves are sent without them. */
import { existsSync, readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './prepare.mjs';

/** A package and all it depends on, as installed. */
function gather(name, found) {
  const folder = join(root, 'node_modules', name);
  if (found.has(name) || !existsSync(join(folder, 'package.json'))) return;
  const { version, license, dependencies = {} } = JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8'));
  const texts = readdirSync(folder)
    .filter((file) => /^(licen[cs]e|notice|copying)/i.test(file))
    .map((file) => readFileSync(join(folder, file), 'utf8').trim());
  found.set(name, { version, license, texts });
  for (const dependency of Object.keys(dependencies)) gather(dependency, found);
}

/** Names, versions and licence texts; a text several packages share stands once, below their names. */
export function licences() {
  const { dependencies } = JSON.parse(readFileSync(join(root, 'package.json'), 'utf8'));
  const found = new Map();
  for (const name of Object.keys(dependencies)) gather(name, found);
  const byText = new Map();
  for (const [name, { version, license, texts }] of [...found].sort(([a], [b]) => (a < b ? -1 : 1))) {
    const text = texts.join('\n\n') || `Licence: ${license}`;
    byText.set(text, [...(byText.get(text) ?? []), `${name} ${version} (${license})`]);
  }
  return [...byText].map(([text, names]) => `${names.join('\n')}\n\n${text}\n`).join(`\n${'-'.repeat(72)}\n\n`);
}
