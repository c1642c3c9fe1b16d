import { randomUUID } from 'node:crypto';
import { bookPackage, importBook } from '@holotonos/store';
import { loadJob } from '@/server/jobs';
import { importedReply, takeInTurn } from '@/server/largeFiles';
import { answering, asFile, authorOf, notFound } from '@/server/replies';
import { getDb } from '@/server/store';

type Context = { params: Promise<{ ticket: string }> };

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
    const by = authorOf(request);
    if (!by.ok) return by.response;
    const options = { author: by.author, signed: by.signed, now: new Date().toISOString(), mintId: randomUUID };
    return takeInTurn(request, async (file, told) =>
      importedReply(await importBook(getDb(), ticket, await file.bytes(), { ...options, ...told }), ticket),
    );
  });
