import fc from 'fast-check';

/** Property tests draw the same examples everywhere, so that a red run can be repeated; `FC_SEED` draws others. */
fc.configureGlobal({ seed: Number(process.env['FC_SEED'] ?? 20261123) });
