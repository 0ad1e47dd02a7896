/** Physical size in PNG files. Source: PNG Specification, Third Edition (W3C, 2025), 11.3.4.3 pHYs and 5.5 CRC. */

function crc32(bytes: Uint8Array): number {
  let crc = 0xffffffff;
  for (const byte of bytes) {
    crc ^= byte;
    for (let k = 0; k < 8; k++) crc = crc & 1 ? (crc >>> 1) ^ 0xedb88320 : crc >>> 1;
  }
  return (crc ^ 0xffffffff) >>> 0;
}

/** Puts the resolution into a PNG, after its header, so that it prints at the size it was made for. */
export function withResolution(png: Uint8Array, dpi: number): Uint8Array {
  const perMetre = Math.round(dpi / 0.0254);
  const chunk = new Uint8Array(21);
  const view = new DataView(chunk.buffer);
  view.setUint32(0, 9);
  chunk.set(new TextEncoder().encode('pHYs'), 4);
  view.setUint32(8, perMetre);
  view.setUint32(12, perMetre);
  chunk[16] = 1;
  view.setUint32(17, crc32(chunk.subarray(4, 17)));
  // The signature takes 8 bytes and the header chunk 25.
  const out = new Uint8Array(png.length + chunk.length);
  out.set(png.subarray(0, 33));
  out.set(chunk, 33);
  out.set(png.subarray(33), 33 + chunk.length);
  return out;
}

/** Pixels across for a width in millimetres at a resolution. */
export const pixels = (mm: number, dpi: number): number => Math.round((mm / 25.4) * dpi);
