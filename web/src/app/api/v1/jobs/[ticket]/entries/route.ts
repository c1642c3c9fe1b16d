import type { NewEntry } from '@holotonos/core';
import { appendEntry, jobByTicket, jobEntries, jobState } from '@holotonos/store';
import { askerIn, signed } from '@/server/asker';
import { answering, conflict, invalid, notFound, readJson } from '@/server/replies';
import { getDb } from '@/server/store';

type Context = { params: Promise<{ ticket: string }> };
const noTicket = (ticket: string) => notFound(`There is no ticket ${ticket}.`);

/** Entries one answer holds at most; `more` says whether to ask again after the last of them. */
const mostEntries = 5000;

/** The largest sequence number the database can count to. */
const mostSeq = 2 ** 31 - 1;

/** Entries after `?after=`, in order. */
export const GET = (request: Request, { params }: Context) =>
  answering(async () => {
    const { ticket } = await params;
    const job = await jobByTicket(getDb(), ticket);
    if (!job) return noTicket(ticket);
    const after = Number(new URL(request.url).searchParams.get('after') ?? 0);
    if (!Number.isInteger(after) || after < 0 || after > mostSeq)
      return invalid([{ path: '/after', message: `must be a whole number, ${mostSeq} at most` }]);
    const entries = await jobEntries(getDb(), job.id, after, mostEntries);
    return Response.json({ entries, more: entries.length === mostEntries });
  });

/** Writes one entry; answers only after commit, and the same however often it is sent. */
export const POST = (request: Request, { params }: Context) =>
  answering(async () => {
    const { ticket } = await params;
    const read = await readJson(request);
    if (!read.ok) return read.response;
    const strikes = (read.data as { kind?: unknown } | null)?.kind === 'strike' && askerIn(request.headers);
    const job = strikes ? await jobByTicket(getDb(), ticket) : null;
    const by = signed(request, read.data, 'job', job ? await jobState(getDb(), job.id) : undefined);
    if (!by.ok) return by.response;
    const appended = await appendEntry(getDb(), ticket, by.data as NewEntry);
    switch (appended.status) {
      case 'stored':
        return Response.json({ entry: appended.entry, known: appended.known }, { status: appended.known ? 200 : 201 });
      case 'refused':
        return invalid(appended.problems);
      case 'conflict':
        return conflict('An entry with this id says something else.');
      case 'no-job':
        return noTicket(ticket);
    }
  });
