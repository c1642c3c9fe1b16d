import { existsSync, mkdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { basename, join, resolve } from 'node:path';
import { askingTheOlderWay, forNode } from './bundling.mjs';
import { dataDir, root } from './paths.mjs';

/** Two folders below the root, as the sources are that look from where they lie. */
const folder = join(dataDir, 'programs');

/** How a file stands: who has written to it since can be told. */
const standing = (path) => {
  const { mtimeMs, size } = statSync(path);
  return `${mtimeMs} ${size}`;
};

/** Is every source as it was when this was made? */
function isFresh(file, stamp) {
  try {
    const inputs = JSON.parse(readFileSync(stamp, 'utf8'));
    return existsSync(file) && Object.entries(inputs).every(([path, was]) => standing(resolve(root, path)) === was);
  } catch {
    return false;
  }
}

/**
 * A TypeScript program as one file that starts at once; starting from a thousand sources takes seconds. Made anew when
 * one of them has changed.
 *
 * @param source from the root, such as `bin/lib/cli.ts`
 * @param into where it is kept
 * @returns its path; null where it cannot be kept, so that it has to start from its sources
 */
export async function programOf(source, into = folder) {
  const file = join(into, `${basename(source, '.ts')}.mjs`);
  const stamp = `${file}.json`;
  if (isFresh(file, stamp)) return file;
  // Only making one needs it, and it is there only after the packages are.
  const { build } = await import('esbuild');
  const fresh = `${file}.${process.pid}`;
  try {
    mkdirSync(into, { recursive: true });
    const { metafile } = await build({
      entryPoints: [resolve(root, source)],
      outfile: fresh,
      absWorkingDir: root,
      metafile: true,
      ...forNode,
      ...askingTheOlderWay,
      // They have parts that are no scripts.
      external: ['pg', 'sharp'],
      logLevel: 'silent',
    });
    const inputs = Object.fromEntries(
      Object.keys(metafile.inputs).map((path) => [path, standing(resolve(root, path))]),
    );
    renameSync(fresh, file);
    writeFileSync(stamp, JSON.stringify(inputs));
    return file;
  } catch {
    // A folder of somebody else, a full disk, a source that is just being written: its sources say what is wrong.
    if (existsSync(fresh)) rmSync(fresh);
    return null;
  }
}

/** What Node is to be called with for a program: its one file, or its source. */
export async function startOf(source, into = folder) {
  const file = await programOf(source, into);
  return file ? [file] : ['--import', 'tsx', resolve(root, source)];
}
