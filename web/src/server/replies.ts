import 'server-only';
import { randomUUID } from 'node:crypto';
import { isPlainText, type Problem } from '@holotonos/core';
import { faultLine, kindOfFault } from '@holotonos/store';
import { askerIn } from './asker';
import { bodyAt, weightText } from '../../bodies.mjs';

const reply = (status: number, body: object): Response => Response.json(body, { status });

export const notFound = (message: string): Response => reply(404, { error: 'not-found', message });
export const invalid = (problems: readonly Problem[]): Response => reply(400, { error: 'invalid-input', problems });
export const conflict = (message: string): Response => reply(409, { error: 'conflict', message });
const tooLarge = (most: number): Response =>
  reply(413, { error: 'too-large', message: `${weightText(most)} at most can be taken here.` });
/** More is asked at once than is taken; the same can be asked again. */
export const busy = (message: string): Response => reply(429, { error: 'busy', message });
/** The database is known not to answer: the one case in which trying again unchanged makes sense. */
const unavailable = (): Response =>
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

/** Hands over a request's body piece by piece, each with where it begins, and no further than its address takes. */
export async function readPieces(
  request: Request,
  take: (piece: Uint8Array, at: number) => void | Promise<void>,
): Promise<Read<{ length: number }>> {
  const most = bodyAt(new URL(request.url).pathname).most;
  const refused = { ok: false as const, response: tooLarge(most) };
  if (Number(request.headers.get('content-length') ?? 0) > most) return refused;
  let length = 0;
  // Leaving the loop lets go of what would still come.
  for await (const piece of (request.body ?? []) as AsyncIterable<Uint8Array>) {
    if (length + piece.byteLength > most) return refused;
    await take(piece, length);
    length += piece.byteLength;
  }
  return { ok: true, length };
}

/** The bytes of a request, read no further than its address takes. */
export async function readBytes(request: Request): Promise<Read<{ bytes: Buffer }>> {
  const pieces: Uint8Array[] = [];
  const read = await readPieces(request, (piece) => void pieces.push(piece));
  return read.ok ? { ok: true, bytes: Buffer.concat(pieces) } : read;
}

/** The text of a request, read no further than its address takes. */
export async function readText(request: Request): Promise<Read<{ text: string }>> {
  const read = await readBytes(request);
  return read.ok ? { ok: true, text: new TextDecoder().decode(read.bytes) } : read;
}

/** A request's JSON, or the reply that says what is wrong with it. */
export async function readJson(request: Request): Promise<Read<{ data: unknown }>> {
  const read = await readText(request);
  return read.ok ? parsedJson(read.text) : read;
}

/** JSON text, or the reply that says what is wrong with it. */
export function parsedJson(text: string): Read<{ data: unknown }> {
  try {
    return { ok: true, data: JSON.parse(text) };
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

/** Who says so: whoever is signed in; where nobody has a key yet, from `?author=`: a name, or the reply that says what is wrong with it. */
export function authorOf(
  request: Request,
): { ok: true; author: string; signed: boolean } | { ok: false; response: Response } {
  const asker = askerIn(request.headers);
  if (asker) return { ok: true, author: asker.name, signed: true };
  const author = new URL(request.url).searchParams.get('author')?.trim() || 'imported';
  return isPlainText(author) && author.length <= 80
    ? { ok: true, author, signed: false }
    : { ok: false, response: invalid([{ path: '/author', message: 'must be a name of 80 characters at most' }]) };
}

/** Names a download. */
export const asFile = (name: string, type: string) => ({
  'Content-Type': type,
  'Content-Disposition': `attachment; filename="${name}"`,
  'Cache-Control': 'no-store',
});
