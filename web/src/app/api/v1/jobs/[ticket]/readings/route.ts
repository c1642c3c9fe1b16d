import { randomUUID } from 'node:crypto';
import { importReadings, readingsToCsv, type CsvDialect, type ImportOptions } from '@holotonos/store';
import { measureGroups, type MeasureGroup } from '@holotonos/core';
import { loadJob } from '@/server/jobs';
import { importedReply, inTurn, receive } from '@/server/largeFiles';
import { answering, asFile, authorOf, invalid, notFound, replyTo } from '@/server/replies';
import { getDb } from '@/server/store';

type Context = { params: Promise<{ ticket: string }> };

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

/**
 * Takes readings from CSV: all of them, or none and every problem named. Large files are taken one after the other. Asked
 * for `application/x-ndjson` it says line by line how many files go first and how far it is, and the last line is the
 * outcome; whoever hangs up stops it, and nothing is written.
 */
export const POST = (request: Request, { params }: Context) =>
  answering(async () => {
    const { ticket } = await params;
    const query = new URL(request.url).searchParams;
    const by = authorOf(request);
    if (!by.ok) return by.response;
    const dialect = dialectOf(query);
    if (dialect && 'problem' in dialect) return invalid([{ path: '', message: dialect.problem }]);
    const received = await receive(request);
    if (!received.ok) return received.response;
    const { file } = received;
    const options = {
      author: by.author,
      now: new Date().toISOString(),
      mintId: randomUUID,
      ...(dialect && { dialect }),
    };
    const take = async (more: Pick<ImportOptions, 'signal' | 'onProgress'>, onPlace?: (place: number) => void) => {
      try {
        const work = () => importReadings(getDb(), ticket, file.pieces(), { ...options, ...more });
        return await inTurn(work, { ...more, ...(onPlace && { onPlace }) });
      } finally {
        await file.release();
      }
    };
    if (!request.headers.get('accept')?.includes('application/x-ndjson'))
      return importedReply(await take({ signal: request.signal }), ticket);

    const encoder = new TextEncoder();
    const stop = new AbortController();
    request.signal.addEventListener('abort', () => stop.abort());
    const stream = new ReadableStream<Uint8Array>({
      async start(controller) {
        const say = (data: object) => {
          if (!stop.signal.aborted) controller.enqueue(encoder.encode(`${JSON.stringify(data)}\n`));
        };
        try {
          const outcome = await take({ signal: stop.signal, onProgress: say }, (place) => {
            if (place > 0) say({ doing: 'waiting', place });
          });
          say({ status: outcome.status, ...((await importedReply(outcome, ticket).json()) as object) });
        } catch (error) {
          say({ status: 'failed', ...((await replyTo(error).json()) as object) });
        }
        if (!stop.signal.aborted) controller.close();
      },
      cancel: () => stop.abort(),
    });
    return new Response(stream, { headers: { 'Content-Type': 'application/x-ndjson', 'Cache-Control': 'no-store' } });
  });
