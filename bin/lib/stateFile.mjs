import { readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';

/** What a state file says, or null when it is missing, half-written or no object: then it is as good as missing. */
export function readState(file) {
  try {
    const data = JSON.parse(readFileSync(file, 'utf8'));
    return data !== null && typeof data === 'object' && !Array.isArray(data) ? data : null;
  } catch {
    return null;
  }
}

/** Writes a state file whole or not at all, for its owner's eyes only: some hold a password. */
export function writeState(file, data) {
  const aside = `${file}.${process.pid}`;
  try {
    writeFileSync(aside, `${JSON.stringify(data, null, 1)}\n`, { mode: 0o600 });
    renameSync(aside, file);
  } catch (error) {
    rmSync(aside, { force: true });
    throw error;
  }
}
