import { randomUUID } from 'node:crypto';
import { importReadings, readingsToCsv, type CsvDialect, type Imported } from '@holotonos/store';
import { measureGroups, type MeasureGroup } from '@holotonos/core';
import { loadJob } from '@/server/jobs';
import { answering, asFile, authorOf, conflict, invalid, notFound, replyTo, tooLarge } from '@/server/replies';
import { getDb } from '@/server/store';

type Context = { params: Promise<{ ticket: string }> };

/** What a file of readings may weigh, bytes. */
const mostCsvBytes = 128 * 1024 * 1024;

/** The readings of a job as CSV; of one group with `?group=`. */
export const GET = (request: Request, { params }: Context) =>
  answering(async () => {
    const { ticket } = await params;
    const job = await loadJob(ticket);
    if (!job) return notFound(`There is no ticket ${ticket}.`);
    const asked = new URL(request.url).searchParams.get('group');
    const group = measureGroups.find((each) => each === asked);
    if (asked !== null && !group)
      return invalid([{ path: '/group', message: `must be one of ${measureGroups.join(', ')}` }]);
    return new Response(readingsToCsv(job.state, group satisfies MeasureGroup | undefined), {
      headers: asFile(`${job.ticket}-${group ?? 'readings'}.csv`, 'text/csv; charset=utf-8'),
    });
  });

/** How the caller says the file is written; null leaves it to be recognised, a problem is a problem. */
function dialectOf(query: URLSearchParams): CsvDialect | null | { problem: string } {
  const [delimiter, decimal] = [query.get('delimiter'), query.get('decimal')];
  if (delimiter === null && decimal === null) return null;
  if (delimiter !== ',' && delimiter !== ';' && delimiter !== '\t')
    return { problem: 'delimiter must be a comma, a semicolon or a tab' };
  if (decimal !== '.' && decimal !== ',') return { problem: 'decimal must be a point or a comma' };
  return { delimiter, decimal };
}

function reply(outcome: Imported, ticket: string): Response {
  switch (outcome.status) {
    case 'stored':
      return Response.json({ added: outcome.added, known: outcome.known });
    case 'refused':
      return invalid(outcome.problems);
    case 'no-job':
      return notFound(`There is no ticket ${ticket}.`);
    case 'stopped':
      return conflict('Stopped. Nothing was written.');
  }
}

/** The pieces of a body, no more of them than may be. */
async function* pieces(body: ReadableStream<Uint8Array>): AsyncGenerator<Uint8Array> {
  let length = 0;
  for await (const piece of body as unknown as AsyncIterable<Uint8Array>) {
    length += piece.byteLength;
    if (length > mostCsvBytes) throw new Error(`more than ${mostCsvBytes / 1024 / 1024} MB`);
    yield piece;
  }
}

/**
 * Takes readings from CSV: all of them, or none and every problem named. Asked for `application/x-ndjson` it says line by
 * line how far it is, and the last line is the outcome; whoever hangs up stops it, and nothing is written.
 */
export const POST = (request: Request, { params }: Context) =>
  answering(async () => {
    const { ticket } = await params;
    const query = new URL(request.url).searchParams;
    if (Number(request.headers.get('content-length') ?? 0) > mostCsvBytes) return tooLarge(mostCsvBytes);
    const by = authorOf(request);
    if (!by.ok) return by.response;
    const dialect = dialectOf(query);
    if (dialect && 'problem' in dialect) return invalid([{ path: '', message: dialect.problem }]);
    const bytes = pieces(request.body ?? new ReadableStream({ start: (controller) => controller.close() }));
    const options = {
      author: by.author,
      now: new Date().toISOString(),
      mintId: randomUUID,
      ...(dialect && { dialect }),
    };
    if (!request.headers.get('accept')?.includes('application/x-ndjson'))
      return reply(await importReadings(getDb(), ticket, bytes, { ...options, signal: request.signal }), ticket);

    const encoder = new TextEncoder();
    const stop = new AbortController();
    request.signal.addEventListener('abort', () => stop.abort());
    const stream = new ReadableStream<Uint8Array>({
      async start(controller) {
        const say = (data: object) => {
          if (!stop.signal.aborted) controller.enqueue(encoder.encode(`${JSON.stringify(data)}\n`));
        };
        try {
          const outcome = await importReadings(getDb(), ticket, bytes, {
            ...options,
            signal: stop.signal,
            onProgress: say,
          });
          say({ status: outcome.status, ...((await reply(outcome, ticket).json()) as object) });
        } catch (error) {
          say({ status: 'failed', ...((await replyTo(error).json()) as object) });
        }
        if (!stop.signal.aborted) controller.close();
      },
      cancel: () => stop.abort(),
    });
    return new Response(stream, { headers: { 'Content-Type': 'application/x-ndjson', 'Cache-Control': 'no-store' } });
  });
