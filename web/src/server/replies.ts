import 'server-only';
import type { Problem } from '@holotonos/core';

/** What a body may weigh, bytes. */
export const mostBodyBytes = 8 * 1024 * 1024;

const reply = (status: number, body: object): Response => Response.json(body, { status });

export const notFound = (message: string): Response => reply(404, { error: 'not-found', message });
export const invalid = (problems: readonly Problem[]): Response => reply(400, { error: 'invalid-input', problems });
export const conflict = (message: string): Response => reply(409, { error: 'conflict', message });
export const tooLarge = (most: number): Response =>
  reply(413, { error: 'too-large', message: `${most / 1024 / 1024} MB at most can be taken.` });
export const unavailable = (): Response =>
  reply(503, {
    error: 'unavailable',
    message: 'The database does not answer. Nothing was written; try again in a moment.',
  });

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

/** Runs a handler; a database that does not answer becomes a plain 503. */
export async function answering(handler: () => Promise<Response>): Promise<Response> {
  try {
    return await handler();
  } catch (error) {
    console.error(error);
    return unavailable();
  }
}

/** Names a download. */
export const asFile = (name: string, type: string) => ({
  'Content-Type': type,
  'Content-Disposition': `attachment; filename="${name}"`,
  'Cache-Control': 'no-store',
});
