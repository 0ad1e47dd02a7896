import { register } from 'node:module';
import fc from 'fast-check';

/** Property tests draw the same examples everywhere, so that a red run can be repeated; `FC_SEED` draws others. */
fc.configureGlobal({ seed: Number(process.env['FC_SEED'] ?? 20261123) });

/** Styles mean nothing here: a component that brings its own can be loaded all the same. */
const withoutStyles = `export const load = (url, context, next) =>
  url.endsWith('.css') ? { format: 'module', source: '', shortCircuit: true } : next(url, context);`;
register(`data:text/javascript,${encodeURIComponent(withoutStyles)}`);
