import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Face } from '../formats/pdf';
import { families } from '../formats/svg';

const root = (): string => process.env['DIVIDE_ROOT'] ?? process.cwd();

/** The scripts the faces are shipped in; the first that has a letter sets it. */
const scripts = ['latin', 'latin-ext', 'greek', 'cyrillic', 'vietnamese'];

const read = (path: string): Uint8Array => readFileSync(join(root(), 'node_modules', path));

const faces = new Map<string, Face>();

/** The files of a face, read once; as WOFF, for the PDF package loses letters with accents from WOFF2. */
export function faceFiles(family: keyof typeof families): Face {
  const before = faces.get(family);
  if (before) return before;
  const name = family === 'serif' ? 'source-serif-4' : 'source-sans-3';
  const files = (weight: number) =>
    scripts.map((script) => read(`@fontsource/${name}/files/${name}-${script}-${weight}-normal.woff`));
  const face = { regular: files(400), bold: files(600) };
  faces.set(family, face);
  return face;
}

/** A face as a picture file carries it. */
export function svgFace(family: keyof typeof families): { family: string; file: string } {
  const name = family === 'serif' ? 'source-serif-4' : 'source-sans-3';
  const file = read(`@fontsource-variable/${name}/files/${name}-latin-wght-normal.woff2`);
  return { family: families[family], file: Buffer.from(file).toString('base64') };
}
