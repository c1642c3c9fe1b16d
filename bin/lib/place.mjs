// Where the clusters of a checkout lie, and how they are found again when the checkout has moved.
import { createHash } from 'node:crypto';
import { existsSync, lstatSync, mkdirSync, readdirSync, realpathSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { parentOf, processesIn } from './processes.mjs';
import { Plain, run } from './run.mjs';
import { readState, writeState } from './stateFile.mjs';

/** Where an administrator's clusters lie when the database's own user cannot enter the checkout. Nothing cleans it. */
export const systemPlaces = '/var/lib/holotonos';
/** Where earlier versions laid them; newer systems clean that after thirty days. */
const formerPlaces = '/var/tmp';

/** May any user walk down to this folder? */
export function isEnterable(folder) {
  for (let at = folder; at !== dirname(at); at = dirname(at)) {
    if (existsSync(at) && (statSync(at).mode & 0o001) === 0) return false;
  }
  return true;
}

const idOf = (checkout) => createHash('sha256').update(checkout).digest('hex').slice(0, 12);
const checkoutOf = (place) => readState(join(place, 'checkout.json'))?.checkout ?? null;
const own = (place, checkout) => writeState(join(place, 'checkout.json'), { checkout });

/**
 * The folder that holds the clusters of a checkout.
 *
 * Where the database's user can enter the checkout's data folder it is that folder, and moves with it. Else it is a
 * folder of its own below /var/lib/holotonos that names its checkout: it is found again when the checkout was moved, or
 * its data folder deleted, or it was cloned again to the same path. A copy of a checkout gets a place of its own.
 *
 * @param say is told, in words, whatever was found and moved
 * @param system where places of the system lie; another one in tests
 */
export function placeOf({
  dataDir,
  checkout,
  say = () => undefined,
  system = systemPlaces,
  former = formerPlaces,
  inside,
}) {
  if (inside ?? isEnterable(dataDir)) return dataDir;
  const here = realpathSync(checkout);
  const pointer = join(dataDir, 'place.json');
  const pointed = readState(pointer)?.place ?? null;
  const settle = (place) => {
    if (pointed !== place) writeState(pointer, { place });
    return place;
  };
  mkdirSync(system, { recursive: true, mode: 0o755 });
  if (pointed !== null && existsSync(pointed)) {
    const owner = checkoutOf(pointed);
    if (owner === here) return pointed;
    // Two checkouts that point to one place: the one it names has it.
    if (owner === null || readState(join(owner, '.data/place.json'))?.place !== pointed) {
      own(pointed, here);
      say(`This checkout was moved here; its data stay in ${pointed}.`);
      return pointed;
    }
    say(`This is a copy of ${owner}, which keeps its data. This one gets a database of its own.`);
  }
  const known = readdirSync(system)
    .map((name) => join(system, name))
    .find((place) => checkoutOf(place) === here);
  if (known) {
    say(`The data of an earlier checkout in this folder were found in ${known} and are used.`);
    return settle(known);
  }
  let place = join(system, idOf(here));
  for (let n = 2; existsSync(place); n += 1) place = join(system, `${idOf(here)}-${n}`);
  // An earlier version wrote down where its cluster was, and named the folder after the checkout's own.
  const written = readState(join(dataDir, 'postgres.json'))?.folder;
  const old = written?.startsWith(`${former}/`) ? dirname(written) : join(former, `holotonos-${idOf(here)}`);
  if (existsSync(old) && isOurFormer(old)) {
    stopClustersIn(old);
    run('mv', ['-T', old, place], { failure: `The data in ${old} could not be moved to ${place}` });
    say(`The data were moved from ${old}, where newer systems clean up, to ${place}.`);
  } else mkdirSync(place, { mode: 0o755 });
  own(place, here);
  return settle(place);
}

/** Ends the database servers that run in a folder: what moves must lie still. */
function stopClustersIn(place) {
  for (const name of readdirSync(place)) {
    const data = join(place, name, 'data');
    const servers = existsSync(data) ? processesIn(data) : [];
    // The interrupt is PostgreSQL's own sign for ending at once but in order; its children know nothing of it.
    for (const pid of servers) if (!servers.includes(parentOf(pid))) process.kill(pid, 'SIGINT');
    for (let tries = 0; tries < 600 && servers.length > 0 && processesIn(data).length > 0; tries += 1) waitHere(50);
  }
}

const waitHere = (ms) => Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, ms);

/** Anybody may make a folder among temporary files, so only one that the administrator has made is believed. */
function isOurFormer(folder) {
  const found = lstatSync(folder);
  if (found.isDirectory() && found.uid === process.getuid?.()) return true;
  throw new Plain(`${folder} belongs to somebody else and is not taken for old data. Move it away and start again.`);
}
