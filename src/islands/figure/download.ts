import sansUrl from '@fontsource-variable/source-sans-3/files/source-sans-3-latin-wght-normal.woff2?url';
import serifUrl from '@fontsource-variable/source-serif-4/files/source-serif-4-latin-wght-normal.woff2?url';
import type { Drawing } from '../../core/scenes/drawing';
import { pixels, withResolution } from '../../formats/png';
import { families, svgFile } from '../../formats/svg';

type Family = keyof typeof families;
interface Size {
  widthMm: number;
  heightMm: number;
}

const files = new Map<Family, Promise<string>>();

/** The figure's font as base64, fetched once. */
function fontData(family: Family): Promise<string> {
  const before = files.get(family);
  if (before) return before;
  const file = fetch(family === 'serif' ? serifUrl : sansUrl)
    .then((r) => r.arrayBuffer())
    .then((buffer) => btoa(Array.from(new Uint8Array(buffer), (byte) => String.fromCharCode(byte)).join('')));
  files.set(family, file);
  return file;
}

/** The figure as an SVG file with its font inside. */
export async function svgBlob(drawing: Drawing, { widthMm, heightMm }: Size, family: Family): Promise<Blob> {
  const face = { family: families[family], file: await fontData(family) };
  return new Blob([svgFile(drawing, { widthMm, heightMm, face })], { type: 'image/svg+xml' });
}

/** The figure as a PNG of so many dots an inch, painted from the same SVG. */
export async function pngBlob(drawing: Drawing, size: Size, dpi: number, family: Family): Promise<Blob> {
  const url = URL.createObjectURL(await svgBlob(drawing, size, family));
  try {
    const image = new Image();
    image.src = url;
    await image.decode();
    const canvas = document.createElement('canvas');
    canvas.width = pixels(size.widthMm, dpi);
    canvas.height = pixels(size.heightMm, dpi);
    canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);
    const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'));
    if (!blob) throw new Error('The picture is too large for this browser: choose fewer dots per inch.');
    return new Blob([withResolution(new Uint8Array(await blob.arrayBuffer()), dpi) as BlobPart], { type: 'image/png' });
  } finally {
    URL.revokeObjectURL(url);
  }
}
