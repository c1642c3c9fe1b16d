import { randomUUID } from 'node:crypto';
import { importReadings, readingsToCsv, type CsvDialect } from '@holotonos/store';
import { measureGroups, type MeasureGroup } from '@holotonos/core';
import { loadJob } from '@/server/jobs';
import { importedReply, takeInTurn } from '@/server/largeFiles';
import { answering, asFile, authorOf, invalid, notFound } from '@/server/replies';
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
    const options = {
      author: by.author,
      signed: by.signed,
      now: new Date().toISOString(),
      mintId: randomUUID,
      ...(dialect && { dialect }),
    };
    return takeInTurn(request, async (file, told) =>
      importedReply(await importReadings(getDb(), ticket, file.pieces(), { ...options, ...told }), ticket),
    );
  });
