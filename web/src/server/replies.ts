import 'server-only';
import type { Problem } from '@holotonos/core';

/** What a body may weigh, bytes. */
export const mostBodyBytes = 8 * 1024 * 1024;

const reply = (status: number, body: object): Response => Response.json(body, { status });

export const notFound = (message: string): Response => reply(404, { error: 'not-found', message });
export const invalid = (problems: readonly Problem[]): Response => reply(400, { error: 'invalid-input', problems });
export const conflict = (message: string): Response => reply(409, { error: 'conflict', message });
export const tooLarge = (): Response =>
  reply(413, { error: 'too-large', message: `A document may weigh ${mostBodyBytes / 1024 / 1024} MB at most.` });
export const unavailable = (): Response =>
  reply(503, {
    error: 'unavailable',
    message: 'The database does not answer. Nothing was written; try again in a moment.',
  });

export type ReadText = { ok: true; text: string } | { ok: false; response: Response };

/** The text of a request, read no further than the limit. */
export async function readText(request: Request): Promise<ReadText> {
  if (Number(request.headers.get('content-length') ?? 0) > mostBodyBytes) return { ok: false, response: tooLarge() };
  const reader = request.body?.getReader();
  const decoder = new TextDecoder();
  let text = '';
  let bytes = 0;
  for (;;) {
    const piece = await reader?.read();
    if (!piece || piece.done) return { ok: true, text: text + decoder.decode() };
    bytes += piece.value.byteLength;
    if (bytes > mostBodyBytes) {
      await reader?.cancel();
      return { ok: false, response: tooLarge() };
    }
    text += decoder.decode(piece.value, { stream: true });
  }
}

/** A request's JSON, or the reply that says what is wrong with it. */
export async function readJson(
  request: Request,
): Promise<{ ok: true; data: unknown } | { ok: false; response: Response }> {
  const read = await readText(request);
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
