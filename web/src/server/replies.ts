import 'server-only';
import { randomUUID } from 'node:crypto';
import { isPlainText, type Problem } from '@holotonos/core';
import { faultLine, kindOfFault } from '@holotonos/store';

/** What a body may weigh, bytes. */
export const mostBodyBytes = 8 * 1024 * 1024;

const reply = (status: number, body: object): Response => Response.json(body, { status });

export const notFound = (message: string): Response => reply(404, { error: 'not-found', message });
export const invalid = (problems: readonly Problem[]): Response => reply(400, { error: 'invalid-input', problems });
export const conflict = (message: string): Response => reply(409, { error: 'conflict', message });
export const tooLarge = (most: number): Response =>
  reply(413, { error: 'too-large', message: `${most / 1024 / 1024} MB at most can be taken.` });
/** The database is known not to answer: the one case in which trying again unchanged makes sense. */
export const unavailable = (): Response =>
  reply(503, {
    error: 'unavailable',
    message: 'The database does not answer. Nothing was written; try again in a moment.',
  });
const full = (): Response =>
  reply(507, {
    error: 'disk-full',
    message: 'The disk of the database is full. Nothing was written; it will be taken once there is room.',
  });

/** Something nobody has foreseen, under a number that stands in the log too. */
export function broken(error: unknown): Response {
  const reference = randomUUID().slice(0, 8);
  console.error(`[${reference}] ${faultLine(error)}`);
  return reply(500, {
    error: 'fault',
    reference,
    message: `Something went wrong here that should not have (reference ${reference}). Nothing was written.`,
  });
}

/** The reply to what a handler threw. */
export function replyTo(error: unknown): Response {
  switch (kindOfFault(error)) {
    case 'away':
      console.error(faultLine(error));
      return unavailable();
    case 'full':
      console.error(faultLine(error));
      return full();
    case 'refused':
      console.error(faultLine(error));
      return invalid([{ path: '', message: 'holds something that the database cannot keep' }]);
    case 'fault':
      return broken(error);
  }
}

type Read<T> = ({ ok: true } & T) | { ok: false; response: Response };

/** The bytes of a request, read no further than the limit. */
export async function readBytes(request: Request, most = mostBodyBytes): Promise<Read<{ bytes: Buffer }>> {
  const refused = { ok: false as const, response: tooLarge(most) };
  if (Number(request.headers.get('content-length') ?? 0) > most) return refused;
  const reader = request.body?.getReader();
  const pieces: Uint8Array[] = [];
  let length = 0;
  for (;;) {
    const piece = await reader?.read();
    if (!piece || piece.done) return { ok: true, bytes: Buffer.concat(pieces) };
    length += piece.value.byteLength;
    if (length > most) {
      await reader?.cancel();
      return refused;
    }
    pieces.push(piece.value);
  }
}

/** The text of a request, read no further than the limit. */
export async function readText(request: Request, most = mostBodyBytes): Promise<Read<{ text: string }>> {
  const read = await readBytes(request, most);
  return read.ok ? { ok: true, text: new TextDecoder().decode(read.bytes) } : read;
}

/** A request's JSON, or the reply that says what is wrong with it. */
export async function readJson(request: Request, most = mostBodyBytes): Promise<Read<{ data: unknown }>> {
  const read = await readText(request, most);
  if (!read.ok) return read;
  try {
    return { ok: true, data: JSON.parse(read.text) };
  } catch (error) {
    return { ok: false, response: invalid([{ path: '', message: `is not JSON: ${(error as Error).message}` }]) };
  }
}

/** Runs a handler; whatever it throws becomes a reply in words, and a 503 only when the database does not answer. */
export async function answering(handler: () => Promise<Response>): Promise<Response> {
  try {
    return await handler();
  } catch (error) {
    return replyTo(error);
  }
}

/** Who says so, from `?author=`: a name, or the reply that says what is wrong with it. */
export function authorOf(request: Request): { ok: true; author: string } | { ok: false; response: Response } {
  const author = new URL(request.url).searchParams.get('author')?.trim() || 'imported';
  return isPlainText(author) && author.length <= 80
    ? { ok: true, author }
    : { ok: false, response: invalid([{ path: '/author', message: 'must be a name of 80 characters at most' }]) };
}

/** Names a download. */
export const asFile = (name: string, type: string) => ({
  'Content-Type': type,
  'Content-Disposition': `attachment; filename="${name}"`,
  'Cache-Control': 'no-store',
});
