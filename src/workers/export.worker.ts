/** Writes a table out as a file, off the main thread. */
import { expose } from 'comlink';
import { exported } from '../formats/export-table';

const calls = { exported };
export type ExportCalls = typeof calls;
expose(calls);
