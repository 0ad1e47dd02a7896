/** Encodings a text file may be in, by the names the standard gives them. */
export const encodings = ['utf-8', 'utf-16le', 'utf-16be', 'windows-1252'] as const;
export type Encoding = (typeof encodings)[number];

/** How an encoding is told to a person. */
export const encodingName: Record<Encoding, string> = {
  'utf-8': 'UTF-8',
  'utf-16le': 'UTF-16',
  'utf-16be': 'UTF-16, big-endian',
  'windows-1252': 'Windows-1252',
};

/** How many of the bytes are looked at to tell an encoding. */
const sample = 64 * 1024;

/** Tells how a text file is encoded: by its byte-order mark, by where its zero bytes stand, else by whether it is UTF-8. */
export function encodingOf(bytes: Uint8Array): Encoding {
  const [a, b, c] = bytes;
  if (a === 0xef && b === 0xbb && c === 0xbf) return 'utf-8';
  if (a === 0xff && b === 0xfe) return 'utf-16le';
  if (a === 0xfe && b === 0xff) return 'utf-16be';
  let even = 0;
  let odd = 0;
  const end = Math.min(bytes.length, sample);
  for (let i = 0; i < end; i++)
    if (bytes[i] === 0) {
      if (i % 2) odd += 1;
      else even += 1;
    }
  if (odd > end / 6 && even < end / 50) return 'utf-16le';
  if (even > end / 6 && odd < end / 50) return 'utf-16be';
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    return 'utf-8';
  } catch {
    return 'windows-1252';
  }
}

/** The text of a file; a byte-order mark is taken off. */
export const decoded = (bytes: Uint8Array, encoding: Encoding): string => new TextDecoder(encoding).decode(bytes);
