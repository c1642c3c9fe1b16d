import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** Says to a browser that it will need all of a script: see decision 0050. */
const wholeScript = '//# allFunctionsCalledOnLoad\n';

/**
 * Marks the scripts of the pages as needed whole, so that a browser compiles them as they come, away from the page, and
 * keeps what it made. What is marked already stays: a build leaves a script alone that has not changed.
 */
export function markWhole(folder) {
  for (const name of readdirSync(folder)) {
    if (!name.endsWith('.js')) continue;
    const path = join(folder, name);
    const script = readFileSync(path, 'utf8');
    if (!script.startsWith(wholeScript)) writeFileSync(path, wholeScript + script);
  }
}
