import type { NewEntry } from '@holotonos/core';
import { appendEntry } from '@holotonos/store';
import { randomBytes, randomUUID } from 'node:crypto';
import { hashOfToken } from '@/server/ownerPage';
import { answering, authorOf, conflict, invalid, notFound, readJson } from '@/server/replies';
import { getDb } from '@/server/store';

/** Makes a link for the owner and answers with it: the only time it is seen. */
export const POST = (request: Request, { params }: { params: Promise<{ ticket: string }> }) =>
  answering(async () => {
    const { ticket } = await params;
    const by = authorOf(request);
    if (!by.ok) return by.response;
    const read = await readJson(request);
    if (!read.ok) return read.response;
    const { until, photos } = (read.data ?? {}) as { until?: unknown; photos?: unknown };
    const token = randomBytes(32).toString('base64url');
    const link = randomUUID();
    const appended = await appendEntry(getDb(), ticket, {
      id: randomUUID(),
      kind: 'owner-link',
      author: by.author,
      benchTime: new Date().toISOString(),
      body: { link, tokenHash: hashOfToken(token), until, photos },
    } as NewEntry);
    if (appended.status === 'no-job') return notFound(`There is no ticket ${ticket}.`);
    if (appended.status === 'refused') return invalid(appended.problems);
    if (appended.status !== 'stored') return conflict('It could not be written. Try again.');
    return Response.json({ link, path: `/owner/${encodeURIComponent(ticket)}/${token}` }, { status: 201 });
  });
