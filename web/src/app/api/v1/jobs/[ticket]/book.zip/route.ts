import { randomUUID } from 'node:crypto';
import { appendAll, bookPackage, readingsFromPackage } from '@holotonos/store';
import { loadJob } from '@/server/jobs';
import { answering, asFile, authorOf, conflict, invalid, notFound, readBytes } from '@/server/replies';
import { getDb } from '@/server/store';

type Context = { params: Promise<{ ticket: string }> };

/** What a zipped measuring book may weigh, bytes. */
const mostZipBytes = 32 * 1024 * 1024;

/** The measuring book of a job as a data package. */
export const GET = (_request: Request, { params }: Context) =>
  answering(async () => {
    const { ticket } = await params;
    const job = await loadJob(ticket);
    if (!job) return notFound(`There is no ticket ${ticket}.`);
    return new Response(Buffer.from(bookPackage(job.state, job.ticket)), {
      headers: asFile(`${job.ticket}-measuring-book.zip`, 'application/zip'),
    });
  });

/** Takes the readings of such a package into a job: all of them, or none and every problem named by file and line. */
export const POST = (request: Request, { params }: Context) =>
  answering(async () => {
    const { ticket } = await params;
    const read = await readBytes(request, mostZipBytes);
    if (!read.ok) return read.response;
    const by = authorOf(request);
    if (!by.ok) return by.response;
    const book = readingsFromPackage(read.bytes, {
      author: by.author,
      now: new Date().toISOString(),
      mintId: randomUUID,
    });
    if (!book.ok) return invalid(book.problems);
    const added = await appendAll(getDb(), ticket, book.entries);
    if (added.status === 'stored')
      return Response.json({ added: added.added, known: book.entries.length - added.added });
    if (added.status === 'refused') return invalid(added.problems);
    return added.status === 'no-job'
      ? notFound(`There is no ticket ${ticket}.`)
      : conflict('A reading with the same id says something else.');
  });
