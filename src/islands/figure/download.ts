import sansUrl from '@fontsource-variable/source-sans-3/files/source-sans-3-latin-wght-normal.woff2?url';
import serifUrl from '@fontsource-variable/source-serif-4/files/source-serif-4-latin-wght-normal.woff2?url';
import type { Drawing } from '../../core/drawing/drawing';
import { pixels, withResolution } from '../../formats/png';
import { families, svgFile } from '../../formats/svg';
import { tiffFile } from '../../formats/tiff';

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
export async function svgBlob(
  drawing: Drawing,
  { widthMm, heightMm }: Size,
  family: Family,
  bare = false,
): Promise<Blob> {
  const face = { family: families[family], file: await fontData(family) };
  return new Blob([svgFile(drawing, { widthMm, heightMm, face, bare })], { type: 'image/svg+xml' });
}

/** The figure painted at so many dots an inch, from the same SVG. @param bare whether its ground is left transparent */
async function painted(drawing: Drawing, size: Size, dpi: number, family: Family, bare: boolean) {
  const url = URL.createObjectURL(await svgBlob(drawing, size, family, bare));
  try {
    const image = new Image();
    image.src = url;
    await image.decode();
    const canvas = document.createElement('canvas');
    canvas.width = pixels(size.widthMm, dpi);
    canvas.height = pixels(size.heightMm, dpi);
    const context = canvas.getContext('2d');
    if (!context) throw new Error(tooLarge);
    context.drawImage(image, 0, 0, canvas.width, canvas.height);
    return { canvas, context };
  } finally {
    URL.revokeObjectURL(url);
  }
}

const tooLarge = 'The picture is too large for this browser: choose fewer dots per inch.';

/** The figure as a PNG. @param bare whether its ground is left transparent */
export async function pngBlob(drawing: Drawing, size: Size, dpi: number, family: Family, bare = false): Promise<Blob> {
  const { canvas } = await painted(drawing, size, dpi, family, bare);
  const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'));
  if (!blob) throw new Error(tooLarge);
  return new Blob([withResolution(new Uint8Array(await blob.arrayBuffer()), dpi) as BlobPart], { type: 'image/png' });
}

/** The figure as a TIFF, uncompressed, as journals that take no PNG ask for. */
export async function tiffBlob(drawing: Drawing, size: Size, dpi: number, family: Family, bare = false): Promise<Blob> {
  const { canvas, context } = await painted(drawing, size, dpi, family, bare);
  const { width, height } = canvas;
  const { data } = context.getImageData(0, 0, width, height);
  return new Blob([await tiffFile(new Uint8Array(data.buffer), width, height, dpi)], { type: 'image/tiff' });
}
