import { readJobDocument } from '@holotonos/core';
import { importJob } from '@holotonos/store';
import { answering, conflict, invalid, readJson } from '@/server/replies';
import { getDb } from '@/server/store';

const ticketPattern = /^[A-Za-z0-9][A-Za-z0-9-]{0,19}$/;

/** Takes a whole job document, under its own ticket number or `?as=`: all of it, or nothing and every problem named. */
export const POST = (request: Request) =>
  answering(async () => {
    const read = await readJson(request);
    if (!read.ok) return read.response;
    const checked = readJobDocument(read.data);
    if (!checked.ok) return invalid(checked.problems);
    const { entries, ticket: own } = checked.document;
    const ticket = new URL(request.url).searchParams.get('as') || own;
    if (!ticketPattern.test(ticket))
      return invalid([{ path: '/as', message: 'must be letters, digits and hyphens, 20 at most' }]);
    const renamed = entries.map((entry) =>
      entry.kind === 'intake' ? { ...entry, body: { ...entry.body, ticket } } : entry,
    );
    const outcome = await importJob(getDb(), ticket, renamed);
    if (outcome === 'ticket-taken')
      return conflict(`Ticket ${ticket} is here already. Give the import another number.`);
    return Response.json({ ticket, entries: entries.length }, { status: 201 });
  });
