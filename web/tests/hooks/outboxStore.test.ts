import 'fake-indexeddb/auto';
import { afterAll, beforeEach, describe, expect, jest, test } from '@jest/globals';
import type { Entry, NewEntry } from '@holotonos/core';
import { randomUUID } from 'node:crypto';
import { fetchDouble } from './bench';
import { until } from '../until';

const real = globalThis.fetch;
/** What the browser writes at once. */
const atOnce: Record<string, string> = Object.defineProperties({} as Record<string, never>, {
  getItem: { value: (key: string) => atOnce[key] ?? null },
  setItem: { value: (key: string, text: string) => void (atOnce[key] = text) },
  removeItem: { value: (key: string) => Reflect.deleteProperty(atOnce, key) },
});
Object.defineProperty(globalThis, 'localStorage', { configurable: true, value: atOnce });
const queues = new Set<{ state: { waiting: readonly unknown[] } }>();
/** Nothing is left trying when the tests are over. */
afterAll(async () => {
  globalThis.fetch = fetchDouble(() => Response.json({}, { status: 400 })).double;
  await until(() => [...queues].every(({ state }) => state.waiting.length === 0));
  globalThis.fetch = real;
});

/** A page that was just loaded: the module is new, the browser's store is what the last page left. */
async function page(answer: () => Response | Promise<Response>) {
  jest.resetModules();
  const { asked, double } = fetchDouble(answer);
  globalThis.fetch = double;
  const { queueOf } = await import('../../src/outbox/queues');
  const opened = (of: string) => {
    const queue = queueOf(of);
    queues.add(queue);
    return queue;
  };
  return { queueOf: opened, asked };
}
const note = (text: string): NewEntry =>
  ({
    id: randomUUID(),
    kind: 'note',
    body: { text },
    author: 'Juno Tam',
    benchTime: '2026-11-23T09:00:00.000Z',
  }) as NewEntry;
const settle = () => new Promise((wait) => setTimeout(wait, 40));
const away = () => Promise.reject(new TypeError('nobody there'));
const taken = (asked: readonly { init?: RequestInit }[]) => () => {
  const entry = JSON.parse(String(asked.at(-1)?.init?.body)) as NewEntry;
  return Response.json({ entry: { ...entry, seq: 1 } }, { status: 201 });
};

/** With another store than the browser's own. */
async function withStore(store: object, work: () => Promise<void>): Promise<void> {
  const kept = globalThis.indexedDB;
  Object.defineProperty(globalThis, 'indexedDB', { configurable: true, value: store });
  try {
    await work();
  } finally {
    Object.defineProperty(globalThis, 'indexedDB', { configurable: true, value: kept });
  }
}

let ticket = '';
beforeEach(() => {
  ticket = `T-${randomUUID().slice(0, 8)}`;
});

describe('what this browser keeps of entries on their way', () => {
  test('outlives the page, in order, for its own ticket only, and is let go once acknowledged', async () => {
    const first = await page(away);
    const [a, b, other] = [note('a'), note('b'), note('other')];
    first.queueOf(ticket).add(a);
    first.queueOf(ticket).add(b);
    first.queueOf(`${ticket}x`).add(other);
    expect(first.queueOf(ticket)).toBe(first.queueOf(ticket));
    await settle();

    const second = await page(away);
    await until(() => second.queueOf(ticket).state.waiting.length === 2);
    expect(second.queueOf(ticket).state.waiting).toEqual([a, b]);
    await until(() => second.queueOf(`${ticket}x`).state.waiting.length === 1);

    // The pages before it still try: what they send for the other ticket finds nobody.
    const third = await page(() => (third.asked.at(-1)?.url.includes(`/${ticket}/`) ? taken(third.asked)() : away()));
    const heard: unknown[] = [];
    third.queueOf(ticket).onTaken((entry) => heard.push(entry.body));
    await until(() => heard.length === 2);
    expect(heard).toEqual([{ text: 'a' }, { text: 'b' }]);
    await settle();

    const fourth = await page(away);
    fourth.queueOf(ticket);
    await settle();
    expect(fourth.queueOf(ticket).state.waiting).toEqual([]);
    await until(() => fourth.queueOf(`${ticket}x`).state.waiting.length === 1);
    expect(fourth.queueOf(`${ticket}x`).state.waiting).toEqual([other]);
  });
  test('what was refused is set aside, outlives the page with its reason, and can be let go for good', async () => {
    const problems = [{ path: '/body/text', message: 'must not be empty' }];
    const first = await page(() => Response.json({ problems }, { status: 400 }));
    const bad = note('');
    first.queueOf(ticket).add(bad);
    await until(() => first.queueOf(ticket).state.aside.length === 1);
    await settle();

    const second = await page(away);
    await until(() => second.queueOf(ticket).state.aside.length === 1);
    expect(second.queueOf(ticket).state).toMatchObject({ waiting: [], aside: [{ entry: bad, problems }] });
    await second.queueOf(ticket).letGo(bad.id);

    const third = await page(away);
    third.queueOf(ticket);
    await settle();
    expect(third.queueOf(ticket).state.aside).toEqual([]);
  });
  test('a page that is left before the browser has written anything loses nothing, in order, once', async () => {
    const [a, b, c] = [note('a'), note('b'), note('c')];
    const first = await page(away);
    first.queueOf(ticket).add(a);
    await settle();
    // From here on the page is gone before its store has done anything.
    await withStore({ open: () => new Proxy({}, { get: () => undefined, set: () => true }) }, async () => {
      const second = await page(away);
      for (const entry of [b, c]) second.queueOf(ticket).add(entry);
      await settle();
    });
    // Another ticket's page does not send them, and no damaged line stands in the way.
    atOnce['holotonos-jotted x'] = '{"ticket":';
    const other = await page(away);
    other.queueOf(`${ticket}x`);
    await settle();
    expect(other.queueOf(`${ticket}x`).state.waiting).toEqual([]);

    const third = await page(() => (third.asked.at(-1)?.url.includes(`/${ticket}/`) ? taken(third.asked)() : away()));
    const heard: unknown[] = [];
    third.queueOf(ticket).onTaken((entry) => heard.push(entry.body));
    await until(() => heard.length === 3);
    expect(heard).toEqual([{ text: 'a' }, { text: 'b' }, { text: 'c' }]);
    await settle();
    expect(Object.keys(atOnce)).toEqual(['holotonos-jotted x']);
    const fourth = await page(away);
    fourth.queueOf(ticket);
    await settle();
    expect(fourth.queueOf(ticket).state.waiting).toEqual([]);
  });
  test('a browser that keeps nothing still sends', async () => {
    const refuses = () => {
      throw new Error('private');
    };
    await withStore({ open: refuses }, async () => {
      const only = await page(() => taken(only.asked)());
      const heard: unknown[] = [];
      only.queueOf(ticket).onTaken((entry) => heard.push(entry.seq));
      only.queueOf(ticket).add(note('a'));
      await until(() => heard.length === 1);
      expect(only.queueOf(ticket).state.waiting).toEqual([]);
    });
  });
});

describe('a store an older version left', () => {
  test.each([
    [1, ['outbox']],
    [2, ['outbox', 'aside']],
  ] as const)('of version %i is brought up to date, and what waits in it is sent', async (version, names) => {
    const older = new IDBFactory();
    const waits = note('from before');
    await new Promise<void>((done, fail) => {
      const request = older.open('holotonos', version);
      request.onerror = () => fail(new Error('the older store did not open'));
      request.onupgradeneeded = () => {
        for (const name of names) {
          const keys = name === 'outbox' ? { keyPath: 'order', autoIncrement: true } : { keyPath: 'entry.id' };
          request.result.createObjectStore(name, keys).createIndex('ticket', 'ticket');
        }
        request.transaction?.objectStore('outbox').add({ ticket, entry: waits });
      };
      request.onsuccess = () => {
        request.result.close();
        done();
      };
    });
    await withStore(older, async () => {
      const bad = note('');
      let takes = true;
      const now = await page(() => (takes ? taken(now.asked)() : Response.json({ problems: [] }, { status: 400 })));
      const heard: unknown[] = [];
      now.queueOf(ticket).onTaken((entry) => heard.push(entry.body));
      await until(() => heard.length === 1);
      expect(heard).toEqual([waits.body]);
      takes = false;
      now.queueOf(ticket).add(bad);
      await until(() => now.queueOf(ticket).state.aside.length === 1);
      await settle();
      const { keptLogs } = await import('../../src/outbox/kept');
      expect(await keptLogs()).toContain(ticket);
      const { keepSeen, seenAfter } = await import('../../src/outbox/seen');
      await keepSeen(ticket, [{ ...waits, seq: 7, receivedAt: waits.benchTime } as Entry]);
      expect((await seenAfter(ticket, 6)).map(({ seq }) => seq)).toEqual([7]);
    });
  });
});

describe('what this browser has seen written since a page was made', () => {
  const seen = (seq: number): Entry =>
    ({ ...note(`entry ${seq}`), seq, receivedAt: '2026-11-23T09:00:01.000Z' }) as Entry;
  const store = async () => {
    jest.resetModules();
    return import('../../src/outbox/seen');
  };

  test('is there again after a reload, in order, from where the page ends, for its own ticket', async () => {
    const first = await store();
    await first.keepSeen(ticket, [seen(5), seen(6)]);
    await first.keepSeen(ticket, [seen(7)]);
    await first.keepSeen(`${ticket}x`, [seen(5)]);
    const second = await store();
    expect((await second.seenAfter(ticket, 4)).map(({ seq }) => seq)).toEqual([5, 6, 7]);
    expect((await second.seenAfter(ticket, 5)).map(({ seq }) => seq)).toEqual([6, 7]);
    // What a page has itself is kept no longer.
    expect(await second.seenAfter(ticket, 4)).toEqual([]);
    expect((await second.seenAfter(`${ticket}x`, 4)).map(({ seq }) => seq)).toEqual([5]);
  });
  test('ends at the first gap: what lies beyond would be shown without what came before it', async () => {
    const { keepSeen, seenAfter } = await store();
    await keepSeen(ticket, [seen(5), seen(6), seen(9)]);
    expect((await seenAfter(ticket, 4)).map(({ seq }) => seq)).toEqual([5, 6]);
    await keepSeen(ticket, []);
    expect(await seenAfter(ticket, 6)).toEqual([]);
  });
  test('is bounded', async () => {
    const { keepSeen, seenAfter } = await store();
    await keepSeen(ticket, [seen(1), seen(2)]);
    await keepSeen(ticket, [seen(5001)]);
    expect((await seenAfter(ticket, 1)).map(({ seq }) => seq)).toEqual([2]);
    await keepSeen(ticket, [seen(5002)]);
    expect(await seenAfter(ticket, 1)).toEqual([]);
  });
});

describe('the practice ticket', () => {
  test('takes what is written, in order, asks no server, outlives the page, and is as it came once it is cleared', async () => {
    const { practiceTicket } = await import('../../src/job/practiceTicket');
    const open = async () => {
      const { asked } = await page(() => Response.json({}, { status: 500 }));
      return { asked, ...(await import('../../src/outbox/queues')), ...(await import('../../src/outbox/seen')) };
    };
    const first = await open();
    const heard: Entry[] = [];
    const queue = first.queueOf(practiceTicket);
    queue.onTaken((entry) => {
      heard.push(entry);
      void first.keepSeen(practiceTicket, [entry]);
    });
    for (const text of ['a', 'b', 'c']) queue.add(note(text));
    await until(() => heard.length === 3);
    expect(heard.map(({ seq, body }) => [seq, body])).toEqual([
      [2, { text: 'a' }],
      [3, { text: 'b' }],
      [4, { text: 'c' }],
    ]);
    await settle();
    // Pages of earlier tests still try; none of them is asked for this ticket.
    expect(first.asked.filter(({ url }) => url.includes(practiceTicket))).toEqual([]);

    const second = await open();
    expect((await second.seenAfter(practiceTicket, 1)).map(({ seq }) => seq)).toEqual([2, 3, 4]);
    second.queueOf(practiceTicket).onTaken((entry) => heard.push(entry));
    second.queueOf(practiceTicket).add(note('d'));
    await until(() => heard.length === 4);
    expect(heard[3]?.seq).toBe(5);
    await second.clearPractice(practiceTicket);
    expect(await second.seenAfter(practiceTicket, 1)).toEqual([]);
  });
});
