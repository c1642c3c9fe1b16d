import { readJobDocument } from '@holotonos/core';
import { importJob, preparePhoto, ticketPattern, type PreparedPhoto } from '@holotonos/store';
import { takeInTurn } from '@/server/largeFiles';
import { answering, conflict, invalid, parsedJson } from '@/server/replies';
import { getDb } from '@/server/store';

async function take(text: string, as: string | null): Promise<Response> {
  const read = parsedJson(text);
  if (!read.ok) return read.response;
  const checked = readJobDocument(read.data);
  if (!checked.ok) return invalid(checked.problems);
  const { entries, ticket: own, photos = [] } = checked.document;
  const ticket = as || own;
  if (!ticketPattern.test(ticket))
    return invalid([{ path: '/as', message: 'must be letters, digits and hyphens, 20 at most' }]);
  const renamed = entries.map((entry) =>
    entry.kind === 'intake' ? { ...entry, body: { ...entry.body, ticket } } : entry,
  );
  const pictures: { id: string; photo: PreparedPhoto }[] = [];
  for (const [i, { id, jpeg }] of photos.entries()) {
    const prepared = await preparePhoto(Buffer.from(jpeg, 'base64'));
    if (!prepared.ok) return invalid([{ path: `/photos/${i}/jpeg`, message: prepared.problem }]);
    pictures.push({ id, photo: prepared.photo });
  }
  const outcome = await importJob(getDb(), ticket, renamed, pictures);
  if (outcome === 'ticket-taken') return conflict(`Ticket ${ticket} is here already. Give the import another number.`);
  return Response.json({ ticket, entries: entries.length }, { status: 201 });
}

/**
 * Takes a whole job document, under its own ticket number or `?as=`: all of it, or nothing and every problem named. Large
 * files are taken one after the other.
 */
export const POST = (request: Request) =>
  answering(async () => {
    const as = new URL(request.url).searchParams.get('as');
    return takeInTurn(request, async (file) => take((await file.bytes()).toString('utf8'), as));
  });
