import type { NewEntry } from '@holotonos/core';
import { openJob } from '@holotonos/store';
import { signed } from '@/server/asker';
import { answering, conflict, invalid, readJson } from '@/server/replies';
import { getDb } from '@/server/store';

/** Opens a job with its intake entry. */
export const POST = (request: Request) =>
  answering(async () => {
    const read = await readJson(request);
    if (!read.ok) return read.response;
    const by = signed(request, read.data, 'job');
    if (!by.ok) return by.response;
    const opened = await openJob(getDb(), by.data as NewEntry);
    switch (opened.status) {
      case 'stored':
        return Response.json({ entry: opened.entry, known: opened.known }, { status: opened.known ? 200 : 201 });
      case 'refused':
        return invalid(opened.problems);
      case 'ticket-taken':
        return conflict('That ticket number is in use. Choose another.');
      default:
        return conflict('That intake was already written with other words.');
    }
  });
