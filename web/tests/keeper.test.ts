import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { beforeEach, describe, expect, test } from '@jest/globals';

const source = readFileSync(join(import.meta.dirname, '../public/keeper.js'), 'utf8');
const origin = 'http://bench.local';

type Answer = (url: string) => Response | Promise<Response>;
type Told = Record<string, unknown>;

/** The world of a service worker: its caches, its network, and what is sent to it. */
function world() {
  const shelves = new Map<string, Map<string, Response>>();
  const nameOf = (asked: string | { url: string }) => (typeof asked === 'string' ? asked : asked.url);
  const caches = {
    open: (name: string) => {
      const shelf = shelves.get(name) ?? new Map<string, Response>();
      shelves.set(name, shelf);
      return Promise.resolve({
        match: (asked: string | Request) => Promise.resolve(shelf.get(nameOf(asked))?.clone()),
        put: (asked: string | Request, response: Response) => Promise.resolve(void shelf.set(nameOf(asked), response)),
        delete: (asked: string | Request) => Promise.resolve(shelf.delete(nameOf(asked))),
        keys: () => Promise.resolve([...shelf.keys()]),
      });
    },
    match: (asked: string | Request) =>
      Promise.resolve(
        [...shelves.values()]
          .map((shelf) => shelf.get(nameOf(asked)))
          .find(Boolean)
          ?.clone(),
      ),
    delete: (name: string) => Promise.resolve(shelves.delete(name)),
  };
  let answer: Answer = () => Promise.reject(new TypeError('nobody there'));
  const asked: string[] = [];
  const fetch = (request: string | URL | { url: string }) => {
    const url = typeof request === 'string' ? request : request instanceof URL ? request.href : request.url;
    asked.push(url);
    return Promise.resolve().then(() => answer(url));
  };
  const listeners = new Map<string, (event: Told) => void>();
  const self = {
    location: new URL(origin),
    addEventListener: (name: string, listener: (event: Told) => void) => listeners.set(name, listener),
    skipWaiting: () => undefined,
    clients: { claim: () => Promise.resolve() },
  };
  /** Addresses in a worker are those of its own site. */
  class SiteRequest {
    url: string;
    constructor(name: string) {
      this.url = new URL(name, origin).href;
    }
  }
  new Function('self', 'caches', 'fetch', 'Request', source)(self, caches, fetch, SiteRequest);

  const sent = async (name: string, event: Told) => {
    const works: Promise<unknown>[] = [];
    let reply: Promise<Response | null> = Promise.resolve(null);
    listeners.get(name)?.({
      ...event,
      waitUntil: (work: Promise<unknown>) => works.push(work),
      respondWith: (given: Promise<Response>) => (reply = given),
    });
    const response = await reply;
    for (let done = 0; done < works.length; done += 1) await works[done];
    return response;
  };
  return {
    shelves,
    asked,
    answers: (now: Answer) => (answer = now),
    open: (path: string, more: Told = {}) =>
      sent('fetch', { request: { method: 'GET', mode: 'navigate', url: `${origin}${path}`, ...more } }),
    tell: (data: unknown) => sent('message', { data }),
    kept: () => [...(shelves.get('holotonos-pages-1')?.keys() ?? [])].map((name) => name.slice(origin.length)),
  };
}
const html = (text: string, headers = {}) =>
  new Response(text, { headers: { 'Content-Type': 'text/html; charset=utf-8', ...headers } });
const away: Answer = () => Promise.reject(new TypeError('nobody there'));

let here: ReturnType<typeof world>;
beforeEach(() => {
  here = world();
});

describe('what a browser keeps of the pages of jobs', () => {
  test('a page comes from the server as long as it answers, and is there again when it does not', async () => {
    here.answers(() => html('first'));
    expect(await (await here.open('/jobs/LL-201/measure?part=e'))?.text()).toBe('first');
    here.answers(() => html('second'));
    expect(await (await here.open('/jobs/LL-201/measure?part=f'))?.text()).toBe('second');
    here.answers(away);
    expect(await (await here.open('/jobs/LL-201/measure'))?.text()).toBe('second');
    here.answers(() => new Response('bad gateway', { status: 502 }));
    expect(await (await here.open('/jobs/LL-201/measure'))?.text()).toBe('second');
    // A fault of a server that is there is shown as what it is.
    here.answers(() => new Response('broken', { status: 500 }));
    expect((await here.open('/jobs/LL-201/measure'))?.status).toBe(500);
  });
  test('what was never kept says so in words, and what to do', async () => {
    const response = await here.open('/jobs/LL-9');
    expect(response?.status).toBe(503);
    expect(await response?.text()).toMatch(/not kept in this browser.*Nothing that was written is lost/s);
  });
  test('only pages of jobs and the bench are kept, and nothing that is written or asked as data', async () => {
    here.answers(() => html('page'));
    await here.open('/');
    expect(await here.open('/shop/people')).toBeNull();
    expect(await here.open('/jobs/LL-201', { method: 'POST' })).toBeNull();
    expect(await here.open('/api/v1/jobs/LL-201/entries', { mode: 'cors' })).toBeNull();
    expect(await here.open('/jobs/LL-201', { url: 'http://elsewhere.local/jobs/LL-201' })).toBeNull();
    here.answers(() => Response.json({}));
    await here.open('/jobs/LL-202');
    expect(here.kept()).toEqual(['/']);
  });
  test('whoever has to sign in first finds nothing kept, nor does anybody after the bench was locked', async () => {
    here.answers(() => html('mine'));
    await here.open('/jobs/LL-201');
    await here.tell({ forget: true });
    expect(here.kept()).toEqual([]);
    await here.open('/jobs/LL-201');
    here.answers(() => Object.defineProperty(new Response(null), 'type', { value: 'opaqueredirect' }));
    await here.open('/');
    here.answers(away);
    expect((await here.open('/jobs/LL-201'))?.status).toBe(503);
  });
  test('built parts are asked for once', async () => {
    here.answers((url) => new Response(url));
    const part = { mode: 'no-cors' };
    await here.open('/_next/static/chunks/a.js', part);
    here.answers(away);
    expect(await (await here.open('/_next/static/chunks/a.js', part))?.text()).toBe(
      `${origin}/_next/static/chunks/a.js`,
    );
    expect(here.asked).toHaveLength(1);
  });
  test('pages are kept ahead, with the parts they name, until the server is gone', async () => {
    here.answers((url) =>
      url.includes('/_next/')
        ? new Response(`built ${url.slice(origin.length)} with "static/chunks/worker-1.js"`)
        : html('<script src="/_next/static/chunks/plan-1.js"></script><link href="/_next/static/css/app.css">'),
    );
    await here.tell({ keep: ['/jobs/LL-201/plan', '/shop', 'http://elsewhere.local/jobs/x', '/jobs/LL-201'] });
    expect(here.kept()).toEqual(['/jobs/LL-201/plan', '/jobs/LL-201']);
    here.answers(away);
    expect(await (await here.open('/_next/static/chunks/plan-1.js', { mode: 'no-cors' }))?.text()).toBe(
      'built /_next/static/chunks/plan-1.js with "static/chunks/worker-1.js"',
    );
    // What a part names is wanted sooner or later: it is there too.
    expect((await here.open('/_next/static/chunks/worker-1.js', { mode: 'no-cors' }))?.ok).toBe(true);
    await here.tell({ keep: ['/jobs/LL-202', '/jobs/LL-203'] });
    expect(here.asked.at(-1)).toBe(`${origin}/jobs/LL-202`);
  });
  test('what is kept is bounded: what nobody opened for longest goes', async () => {
    here.answers(() => html('page'));
    for (let i = 0; i < 85; i += 1) {
      await here.open(`/jobs/T-${i}`);
      if (i === 60) await here.open('/jobs/T-0');
    }
    expect(here.kept()).toHaveLength(80);
    expect(here.kept()).toContain('/jobs/T-0');
    expect(here.kept()).not.toContain('/jobs/T-5');
  });
});
