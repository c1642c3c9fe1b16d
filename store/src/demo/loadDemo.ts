import type { Database } from '../database';
import sharp from 'sharp';
import { importJob, isEmpty } from '../logbook';
import { preparePhoto, type PreparedPhoto } from '../photos';
import { refreshSummaries } from '../refreshSummaries';
import { appendShopEntry } from '../shop';
import { appendStockEntries } from '../stock';
import { brackwaterJobs } from './brackwater';
import { laidAt } from './laidAt';
import { drawers } from './drawers';
import { lanternLane } from './lanternLane';

/** A drawing as the picture a camera would have made of it. */
async function developed(svg: string): Promise<PreparedPhoto> {
  const prepared = await preparePhoto(await sharp(Buffer.from(svg)).png().toBuffer());
  if (!prepared.ok) throw new Error(`a drawing of the demo cannot be kept: ${prepared.problem}`);
  return prepared.photo;
}

/** When and where a demo is loaded. */
export interface DemoPlace {
  /** ISO 8601 */
  now: string;
  timeZone: string;
}

const here = (): DemoPlace => ({ now: new Date().toISOString(), timeZone: machineZone() });

/** The time zone this machine is set to. */
export const machineZone = (): string => new Intl.DateTimeFormat().resolvedOptions().timeZone;

/** Lays down the demo when no job has been opened yet, its dates before `now`. Says how many tickets it wrote. */
export async function loadDemo(db: Database, { now, timeZone }: DemoPlace = here()): Promise<number> {
  if (!(await isEmpty(db))) return 0;
  let written = 0;
  for (const { state, entries, pictures } of brackwaterJobs()) {
    const ticket = state.intake?.ticket;
    if (ticket === undefined) continue;
    const photos = await Promise.all(pictures.map(async ({ id, svg }) => ({ id, photo: await developed(svg) })));
    if ((await importJob(db, ticket, laidAt(entries, now, timeZone), photos)) === 'imported') written += 1;
  }
  for (const entry of laidAt(lanternLane(timeZone), now, timeZone)) await appendShopEntry(db, entry);
  await appendStockEntries(db, laidAt(drawers(), now, timeZone));
  // The tickets came before the shop's own work: with it their plans are others.
  await refreshSummaries(db, now);
  return written;
}

export { brackwaterJobs };
