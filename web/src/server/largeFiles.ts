import 'server-only';
import type { Imported } from '@holotonos/store';
import { randomUUID } from 'node:crypto';
import { mkdir, open, unlink, type FileHandle } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import PQueue from 'p-queue';
import { busy, conflict, invalid, notFound, readPieces, replyTo } from './replies';

/** Files that may be underway or waiting at once. */
const mostFiles = 32;

/** A file that has come in whole, on disk: its weight there costs no memory while it waits. */
export interface LargeFile {
  /** its pieces from the beginning */
  pieces: () => AsyncIterable<Uint8Array>;
  /** the whole of it, in memory */
  bytes: () => Promise<Buffer>;
  /** lets it go; it is gone too when the process ends */
  release: () => Promise<void>;
}

let underway = 0;

/** An open file without a name: nobody else finds it, and nothing is left of it whatever happens. */
async function nameless(): Promise<FileHandle> {
  const folder = process.env.HOLOTONOS_SPOOL ?? tmpdir();
  await mkdir(folder, { recursive: true, mode: 0o700 });
  const path = join(folder, `incoming-${randomUUID()}`);
  const handle = await open(path, 'wx+', 0o600);
  await unlink(path);
  return handle;
}

/**
 * Takes in the body of a request that may be large, no more of it than its address takes.
 *
 * @throws what the disk says; when it is full, `replyTo` makes words of it
 */
export async function receive(
  request: Request,
): Promise<{ ok: true; file: LargeFile } | { ok: false; response: Response }> {
  if (underway >= mostFiles)
    return { ok: false, response: busy(`${mostFiles} files are on their way already. Try again in a moment.`) };
  underway += 1;
  const handle = await nameless().catch((error: unknown) => {
    underway -= 1;
    throw error;
  });
  let released = false;
  const release = async () => {
    if (released) return;
    released = true;
    underway -= 1;
    await handle.close();
  };
  const read = await readPieces(request, async (piece, at) => {
    await handle.write(piece, 0, piece.byteLength, at);
  }).catch(async (error: unknown) => {
    await release();
    throw error;
  });
  if (!read.ok) {
    await release();
    return read;
  }
  const { length } = read;
  const pieces = () => handle.createReadStream({ start: 0, autoClose: false }) as AsyncIterable<Uint8Array>;
  const bytes = async () => {
    const all = Buffer.alloc(length);
    await handle.read(all, 0, length, 0);
    return all;
  };
  return { ok: true, file: { pieces, bytes, release } };
}

/** One after the other: two would fight for memory and connections, and single entries would wait for both. */
const queue = new PQueue({ concurrency: 1 });
/** Who waits, in order; each is told its place when it changes. */
const waiting: { tell: (place: number) => void }[] = [];
const tellAll = () => waiting.forEach(({ tell }, i) => tell(i + 1));

/**
 * Does the work of one large file when those before it are done.
 *
 * @param onPlace is told how many go first, this one included, each time that changes; 0 when it begins
 * @param signal gives up the place; then the work is not begun, and an AbortError is thrown
 */
export async function inTurn<T>(
  work: () => Promise<T>,
  { onPlace = () => undefined, signal }: { onPlace?: (place: number) => void; signal?: AbortSignal } = {},
): Promise<T> {
  const own = { tell: onPlace };
  const leave = () => {
    const at = waiting.indexOf(own);
    if (at < 0) return;
    waiting.splice(at, 1);
    tellAll();
  };
  waiting.push(own);
  if (queue.pending > 0) onPlace(waiting.length);
  signal?.addEventListener('abort', leave, { once: true });
  try {
    return await queue.add(
      () => {
        leave();
        onPlace(0);
        return work();
      },
      { ...(signal && { signal }) },
    );
  } finally {
    signal?.removeEventListener('abort', leave);
  }
}

/** What came of a file of readings. */
export function importedReply(outcome: Imported, ticket: string): Response {
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

/** What is told to the work on a large file: when to stop, and where to say how far it is. */
export interface Told {
  signal: AbortSignal;
  onProgress: (progress: object) => void;
}

const outcomeWords: Readonly<Record<number, string>> = { 400: 'refused', 404: 'no-job', 409: 'conflict' };

/**
 * Takes a large file in its turn and answers with what the work answers. Asked for `application/x-ndjson` it says line by
 * line how many files go first and how far it is; the last line is the outcome. Whoever hangs up stops it.
 */
export async function takeInTurn(
  request: Request,
  work: (file: LargeFile, told: Told) => Promise<Response>,
): Promise<Response> {
  const received = await receive(request);
  if (!received.ok) return received.response;
  const { file } = received;
  const run = async (told: Told, onPlace?: (place: number) => void) => {
    try {
      return await inTurn(() => work(file, told), { signal: told.signal, ...(onPlace && { onPlace }) });
    } finally {
      await file.release();
    }
  };
  if (!request.headers.get('accept')?.includes('application/x-ndjson'))
    return run({ signal: request.signal, onProgress: () => undefined });

  const encoder = new TextEncoder();
  const stop = new AbortController();
  request.signal.addEventListener('abort', () => stop.abort());
  const stream = new ReadableStream<Uint8Array>({
    async start(controller) {
      const say = (data: object) => {
        if (!stop.signal.aborted) controller.enqueue(encoder.encode(`${JSON.stringify(data)}\n`));
      };
      const reply = await run({ signal: stop.signal, onProgress: say }, (place) => {
        if (place > 0) say({ doing: 'waiting', place });
      }).catch(replyTo);
      const status = reply.ok ? 'stored' : (outcomeWords[reply.status] ?? 'failed');
      say({ status, ...((await reply.json()) as object) });
      if (!stop.signal.aborted) controller.close();
    },
    cancel: () => stop.abort(),
  });
  return new Response(stream, { headers: { 'Content-Type': 'application/x-ndjson', 'Cache-Control': 'no-store' } });
}
