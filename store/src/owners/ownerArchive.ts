import { toJobDocument } from '@holotonos/core';
import { strToU8, Zip, ZipDeflate, ZipPassThrough } from 'fflate';
import type { Database } from '../database';
import { jobByTicket, jobState } from '../logbook';
import { photosOfJob } from '../photos';
import type { Owner } from './owners';

/** Pictures held at once while an archive is written. */
const picturesAtOnce = 4;

/**
 * Everything that is kept of one owner as a ZIP archive, piece by piece: who they are, each ticket as a job document, the
 * pictures as they are. Only a few pictures are held at a time.
 *
 * @param now ISO 8601
 */
export async function* ownerArchive(db: Database, owner: Owner, now: string): AsyncGenerator<Uint8Array> {
  const ready: Uint8Array[] = [];
  let broken: Error | null = null;
  const zip = new Zip((error, piece) => {
    if (error) broken = error;
    else ready.push(piece);
  });
  const pieces = function* () {
    if (broken) throw broken;
    yield* ready.splice(0);
  };
  const text = (name: string, value: object) => {
    const file = new ZipDeflate(name);
    zip.add(file);
    file.push(strToU8(JSON.stringify(value, null, 1)), true);
  };
  text('owner.json', { name: owner.name, contact: owner.contact, tickets: owner.tickets, takenOutAt: now });
  yield* pieces();
  for (const ticket of owner.tickets) {
    const job = await jobByTicket(db, ticket);
    if (!job) continue;
    const { entries, photos } = await jobState(db, job.id);
    text(`${ticket}/${ticket}.holotonos.json`, toJobDocument(ticket, entries, now, []));
    yield* pieces();
    const ids = [...photos.keys()];
    for (let at = 0; at < ids.length; at += picturesAtOnce) {
      for (const { id, picture } of await photosOfJob(db, job.id, ids.slice(at, at + picturesAtOnce))) {
        // A picture is small already.
        const file = new ZipPassThrough(`${ticket}/photos/${id}.jpg`);
        zip.add(file);
        file.push(picture, true);
      }
      yield* pieces();
    }
  }
  zip.end();
  yield* pieces();
}
