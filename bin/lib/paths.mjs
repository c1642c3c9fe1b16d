import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The checkout. */
export const root = resolve(dirname(fileURLToPath(import.meta.url)), '../..');
/** Everything that is started or cached lives here; ignored by git. */
export const dataDir = join(root, '.data');
