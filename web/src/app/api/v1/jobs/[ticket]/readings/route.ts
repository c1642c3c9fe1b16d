import { randomUUID } from 'node:crypto';
import { appendAll, readingsFromCsv, readingsToCsv } from '@holotonos/store';
import { loadJob } from '@/server/jobs';
import { answering, asFile, conflict, invalid, notFound, readText } from '@/server/replies';
import { getDb } from '@/server/store';

type Context = { params: Promise<{ ticket: string }> };

export const GET = (_request: Request, { params }: Context) =>
  answering(async () => {
    const { ticket } = await params;
    const job = await loadJob(ticket);
    if (!job) return notFound(`There is no ticket ${ticket}.`);
    return new Response(readingsToCsv(job.state), {
      headers: asFile(`${job.ticket}-readings.csv`, 'text/csv; charset=utf-8'),
    });
  });

/** Takes readings from CSV: all of them, or none and every problem named. */
export const POST = (request: Request, { params }: Context) =>
  answering(async () => {
    const { ticket } = await params;
    const read = await readText(request);
    if (!read.ok) return read.response;
    const author = new URL(request.url).searchParams.get('author') ?? 'imported';
    const csv = readingsFromCsv(read.text, author, new Date().toISOString(), randomUUID);
    if (!csv.ok) return invalid(csv.problems);
    const added = await appendAll(getDb(), ticket, csv.entries);
    switch (added.status) {
      case 'stored':
        return Response.json({ added: added.added, known: csv.entries.length - added.added });
      case 'refused':
        return invalid(
          added.problems.map(({ path, message }) => ({
            path: path.replace(/^\/(\d+)/, (_, i) => `line ${Number(i) + 2}, `),
            message,
          })),
        );
      case 'no-job':
        return notFound(`There is no ticket ${ticket}.`);
      case 'conflict':
        return conflict('A reading with the same id says something else.');
    }
  });
