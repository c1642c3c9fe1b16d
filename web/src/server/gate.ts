// Runs at the door, before Next sees a request: bundled into web/.next/gate.mjs, so it may lean on nothing of Next's.
import { admit, routeNeeds, type Asker, type Keeping } from '@holotonos/core';
import { addressHeader, allow, noteAudit, openStore } from '@holotonos/store';
import { askerOf, authOf, authPaths, keepingOf, secretOf, toNodeHandler, type Auth } from '@holotonos/store/auth';
import { randomBytes, timingSafeEqual } from 'node:crypto';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { askerHeader, keepingHeader, tokenCookie, tokenHeader } from './gateHeaders';

/** A request that goes no further: what is answered, or where a browser is sent instead. */
export type Stop =
  | { status: number; body: { error: string; message: string }; retryAfter?: number }
  | { location: string }
  /** it was answered here */
  | 'answered';

/** How long a process may believe that the shop is still kept as it was. */
const believedMs = 1000;
/** Writing and uploading more often than any hand can. */
const limits = {
  write: { most: 600, windowMs: 60_000 },
  upload: { most: 90, windowMs: 60_000 },
  link: { most: 240, windowMs: 60_000 },
  // All hands of a shop together: more than fifty benches can write, whoever has taken over how many of them.
  shop: { most: 6000, windowMs: 60_000 },
} as const;

const stop = (status: number, error: string, message: string, retryAfter?: number): Stop => ({
  status,
  body: { error, message },
  ...(retryAfter !== undefined && { retryAfter }),
});

/** Where a request comes from: beyond this machine a proxy says so, and only a proxy on this machine is believed. */
export function addressOf(request: Pick<IncomingMessage, 'headers' | 'socket'>, beyond: boolean): string {
  const near = request.socket.remoteAddress ?? '';
  const told = request.headers['x-forwarded-for'];
  const last = (Array.isArray(told) ? told.join(',') : (told ?? '')).split(',').at(-1)?.trim() ?? '';
  return beyond && last !== '' && /^(?:::ffff:)?127\.|^::1$/.test(near) ? last : near;
}

/** Who asks, in a form that may stand in a header: names are not all of letters that may. */
export const packAsker = (asker: Asker): string => Buffer.from(JSON.stringify(asker)).toString('base64url');

/** As long as the ones that are given out; another is none. */
const tokenShape = /^[\w-]{32}$/;
const tokenIn = new RegExp(`(?:^|; )${tokenCookie.replace('.', '\\.')}=([^;]*)`);
/** What the browser carries; null where it was given nothing yet. */
function carriedToken({ cookie = '' }: IncomingMessage['headers']): string | null {
  const [, token = ''] = tokenIn.exec(cookie) ?? [];
  return tokenShape.test(token) ? token : null;
}
/** Does the page say what its browser carries? Only a page of this server can read that. */
function saysToken(headers: IncomingMessage['headers']): boolean {
  const [carried, said] = [carriedToken(headers), headers[tokenHeader]];
  return (
    carried !== null &&
    typeof said === 'string' &&
    tokenShape.test(said) &&
    timingSafeEqual(Buffer.from(carried), Buffer.from(said))
  );
}

export interface GateOptions {
  databaseUrl: string;
  /** the server was told names of its own: others than this machine reach it */
  beyond: boolean;
}

/**
 * The one place where it is looked at who may do what. Resolves to what stops a request, or null when it goes on; then it
 * carries who asks.
 */
export function openGate({ databaseUrl, beyond }: GateOptions) {
  const { db } = openStore(databaseUrl, 3);
  let auth: Promise<Auth> | null = null;
  // Asked for again where it failed: the database may have been away.
  const library = () =>
    (auth ??= secretOf(db)
      .then((secret) => authOf(db, { secret, beyond }))
      .catch((error: unknown) => {
        auth = null;
        throw error;
      }));
  let known: { keeping: Keeping; at: number } | null = null;
  async function keeping(): Promise<Keeping> {
    if (known && Date.now() - known.at < believedMs) return known.keeping;
    try {
      known = { keeping: await keepingOf(db, beyond), at: Date.now() };
    } catch (error) {
      // Open or shut, it stays as it was last seen; a door that has never seen it stays shut.
      if (!known) throw error;
    }
    return known.keeping;
  }

  /** Gives a browser what its pages have to say back, where it carries nothing yet. */
  function giveToken(request: IncomingMessage, response: ServerResponse): void {
    if (carriedToken(request.headers) !== null) return;
    const token = randomBytes(24).toString('base64url');
    response.appendHeader(
      'set-cookie',
      `${tokenCookie}=${token}; Path=/; SameSite=Strict; Max-Age=34560000${beyond ? '; Secure' : ''}`,
    );
  }

  /** Counts one more of something; what stops it where that is more often than any hand can. */
  async function tooOften(kind: keyof typeof limits, of: string): Promise<Stop | null> {
    const { most, windowMs } = limits[kind];
    const wait = await allow(db, of, most, windowMs);
    return wait === 0 ? null : stop(429, 'too-often', `Too often in a short time: go on in ${wait} s.`, wait);
  }

  async function ofLibrary(request: IncomingMessage, response: ServerResponse, path: string): Promise<Stop> {
    if (!authPaths.includes(path.slice('/api/auth'.length))) return stop(404, 'not-found', 'There is no such address.');
    await toNodeHandler(await library())(request, response);
    // The first owner shuts the shop: nobody waits a second for that.
    known = null;
    return 'answered';
  }

  async function admitted(request: IncomingMessage, response: ServerResponse): Promise<Stop | null> {
    const { method = 'GET', url = '/', headers } = request;
    for (const ours of [askerHeader, keepingHeader]) Reflect.deleteProperty(headers, ours);
    const address = addressOf(request, beyond);
    headers[addressHeader] = address;
    const [path = '/'] = url.split('?', 1);
    if (path.startsWith('/api/auth/')) return await ofLibrary(request, response, path);
    const needs = routeNeeds(method, path);
    if (/^\/(?:api\/v1\/)?owner\//.test(path)) {
      // Whoever tries links out is slower than there are links.
      const stopped = await tooOften('link', `links from ${address}`);
      if (stopped) return stopped;
    }
    if (needs === 'nothing' && path !== '/sign-in') return null;
    const kept = await keeping();
    headers[keepingHeader] = kept;
    if (kept === 'open') return null;
    const writes = method !== 'GET' && method !== 'HEAD';
    if (!writes && !path.startsWith('/api/')) giveToken(request, response);
    const asker = await askerOf(await library(), headers.cookie, beyond);
    if (asker) headers[askerHeader] = packAsker(asker);
    switch (admit(method, path, asker, kept)) {
      case 'sign-in':
        return path.startsWith('/api/')
          ? stop(401, 'sign-in', 'Nobody is signed in here. Say who you are first.')
          : { location: `/sign-in?back=${encodeURIComponent(url)}` };
      case 'not-yours':
        return path.startsWith('/api/')
          ? stop(403, 'not-yours', `That is not for ${asker?.name ?? 'you'} to do. An owner of the shop says who may.`)
          : { location: `/sign-in?not=${encodeURIComponent(path)}` };
      case 'in':
        break;
    }
    if (asker && writes) {
      if (!saysToken(headers)) {
        // The page was loaded before there were keys, or the browser has thrown away what it carried: the next try has it.
        giveToken(request, response);
        return stop(
          428,
          'token',
          'This did not come from a page of this shop. Try again; if it stays so, load the page anew.',
        );
      }
      const kind = method === 'PUT' ? 'upload' : 'write';
      const stopped =
        (await tooOften(kind, `${kind} of ${asker.id}`)) ?? (await tooOften('shop', 'writes of the shop'));
      if (stopped) return stopped;
    }
    if (asker && needs === 'export') await noteAudit(db, { what: 'exported', who: asker.name, about: path, address });
    return null;
  }

  return {
    /** Never throws: with the database away it says so. */
    async gate(request: IncomingMessage, response: ServerResponse): Promise<Stop | null> {
      try {
        return await admitted(request, response);
      } catch (error) {
        console.error(`At the door: ${error instanceof Error ? error.message : 'a fault without a name'}`);
        return stop(503, 'unavailable', 'The database does not answer. Nothing was written; try again in a moment.', 5);
      }
    },
  };
}
