/** Keeps a bundle of the demo study as a sample of the version that is written now: `npx tsx tests/bundles/keep.ts`. */
import { writeFileSync } from 'node:fs';
import { bundleVersion } from '../../src/formats/study-bundle';
import { bundleOf } from '../../src/server/bundle';
import { startDemo } from '../../src/server/demo-study';
import { openDb } from '../../src/store/open';

const db = openDb(':memory:', process.cwd());
const id = startDemo(db, '2026-01-01T00:00:00.000Z');
writeFileSync(`tests/bundles/version-${bundleVersion}.zip`, await bundleOf(db, id));
