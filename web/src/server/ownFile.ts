import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';

/**
 * A file or folder that comes with the app, looked for from the working folder upward: the bundler cannot resolve files,
 * and the server may be started in the checkout or in `web/`.
 *
 * @param path under the root of the checkout
 * @returns where it is; null if it is not there
 */
export function ownFile(path: string): string | null {
  for (let folder = process.cwd(); ; folder = dirname(folder)) {
    const at = join(/* turbopackIgnore: true */ folder, path);
    if (existsSync(at)) return at;
    if (folder === dirname(folder)) return null;
  }
}
