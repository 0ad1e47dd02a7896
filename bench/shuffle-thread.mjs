/** Loads what one thread of the two measured does: a worker's own loader does not know TypeScript. */
import { register } from 'tsx/esm/api';
register();
await import('./two-cores.ts');
