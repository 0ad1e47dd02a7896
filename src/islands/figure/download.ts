import type { Drawing } from '../../core/scenes/drawing';
import { pixels, withResolution } from '../../formats/png';
import { svgFile } from '../../formats/svg';
import fontUrl from '@fontsource-variable/source-sans-3/files/source-sans-3-latin-wght-normal.woff2?url';

let font: Promise<string> | undefined;

/** The figure's font as base64, fetched once. */
function fontData(): Promise<string> {
  font ??= fetch(fontUrl)
    .then((r) => r.arrayBuffer())
    .then((buffer) => btoa(Array.from(new Uint8Array(buffer), (byte) => String.fromCharCode(byte)).join('')));
  return font;
}

/** The figure as an SVG file with its font inside. */
export async function svgBlob(drawing: Drawing, size: { widthMm: number; heightMm: number }): Promise<Blob> {
  return new Blob([svgFile(drawing, { ...size, font: await fontData() })], { type: 'image/svg+xml' });
}

/** The figure as a PNG of so many dots an inch, painted from the same SVG. */
export async function pngBlob(
  drawing: Drawing,
  size: { widthMm: number; heightMm: number },
  dpi: number,
): Promise<Blob> {
  const url = URL.createObjectURL(await svgBlob(drawing, size));
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
