/** What is in a ZIP archive, every part of it checked against the sum it was packed with. */
import { ERR_UNSAFE_FILENAME, Uint8ArrayReader, Uint8ArrayWriter, ZipReader, configure } from '@zip.js/zip.js';
import { DomainError, demand } from '../core/numeric/domain-error';

// What unpacks is a worker or a thread already.
configure({ useWebWorkers: false });

/** The parts of an archive by their names. */
export type Unpacked = Readonly<Record<string, Uint8Array>>;

const mega = (bytes: number): string => `${Math.round(bytes / 1024 / 1024)} MB`;

/**
 * Unpacks an archive. Sizes are read from its index before anything is unpacked, and hold while it is.
 * @param limits most bytes unpacked, and most parts
 * @param wants which parts to unpack; all where not given
 * @throws DomainError in words, also where a single byte is not what was packed
 */
export async function unpacked(
  bytes: Uint8Array,
  limits: { bytes: number; files: number },
  wants: (name: string) => boolean = () => true,
): Promise<Unpacked> {
  const reader = new ZipReader(new Uint8ArrayReader(bytes), { checkSignature: true, checkOverlappingEntry: true });
  const files: Record<string, Uint8Array> = {};
  try {
    const entries = await reader.getEntries();
    const total = entries.reduce((sum, e) => sum + e.uncompressedSize, 0);
    demand(
      total <= limits.bytes && entries.length <= limits.files,
      `Unpacked it would take ${mega(total)} in ${entries.length} files, and at most ${mega(limits.bytes)} in ${limits.files} are taken in.`,
    );
    for (const entry of entries) {
      const { filename } = entry;
      demand(files[filename] === undefined, `It holds two files called “${filename.slice(0, 80)}”.`);
      if (entry.directory || !wants(filename)) continue;
      files[filename] = await entry.getData(new Uint8ArrayWriter());
    }
  } catch (error) {
    if (error instanceof DomainError) throw error;
    const reason = error instanceof Error ? error.message.slice(0, 120) : 'unknown fault';
    if (reason.startsWith(ERR_UNSAFE_FILENAME))
      throw new DomainError('It holds a file whose name points outside of it: nothing of it was taken in.');
    throw new DomainError(
      `It cannot be unpacked (${reason}): it is damaged or cut short. Fetch or copy it again from where it was made.`,
    );
  } finally {
    await reader.close();
  }
  return files;
}
