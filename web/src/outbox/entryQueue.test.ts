import { beforeEach, describe, expect, test } from '@jest/globals';
import type { Entry, NewEntry } from '@holotonos/core';
import { EntryQueue, nothingWaits, type Aside, type QueueWays, type Sent } from './entryQueue';

const note = (n: number, text = `note ${n}`): NewEntry => ({
  id: `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`,
  kind: 'note',
  body: { text },
  author: 'Juno Tam',
  benchTime: '2026-11-23T09:00:00.000Z',
});
const written = (entry: NewEntry): Sent => ({
  status: 'acknowledged',
  taken: { ...entry, seq: 1, receivedAt: entry.benchTime } as Entry,
});

/** A browser and a server in memory. */
class World implements QueueWays {
  kept: NewEntry[] = [];
  asides: Aside[] = [];
  sent: string[] = [];
  pauses: number[] = [];
  /** what the server says to an entry, by its text; taken when nothing stands here */
  answers = new Map<string, Sent | (() => Sent)>();
  load = () => Promise.resolve({ waiting: [...this.kept], aside: [...this.asides] });
  keep = (_: string, entry: NewEntry) => {
    this.kept.push(entry);
    return Promise.resolve();
  };
  release = (_: string, id: string) => {
    this.kept = this.kept.filter((entry) => entry.id !== id);
    return Promise.resolve();
  };
  keepAside = (_: string, aside: Aside) => {
    this.asides.push(aside);
    return Promise.resolve();
  };
  releaseAside = (_: string, id: string) => {
    this.asides = this.asides.filter(({ entry }) => entry.id !== id);
    return Promise.resolve();
  };
  send = (_: string, entry: NewEntry) => {
    const { text } = entry.body as { text: string };
    this.sent.push(text);
    const answer = this.answers.get(text) ?? written(entry);
    return Promise.resolve(typeof answer === 'function' ? answer() : answer);
  };
  pause = (ms: number) => {
    this.pauses.push(ms);
    return Promise.resolve();
  };
}
const settled = () => new Promise((resolve) => setTimeout(resolve, 20));
const refused: Sent = { status: 'refused', problems: [{ path: '/body/text', message: 'is no good' }] };

let world: World;
beforeEach(() => {
  world = new World();
});

test('a queue with nothing in it is like any other, also once it has looked', async () => {
  let changes = 0;
  const queue = new EntryQueue('LL-1', world);
  queue.subscribe(() => (changes += 1));
  expect(queue.state).toBe(nothingWaits);
  await settled();
  expect(queue.state).toBe(nothingWaits);
  expect(changes).toBe(0);
});

describe('entries on their way', () => {
  test('go one by one in order, are taken into the book, and let go of', async () => {
    const queue = new EntryQueue('LL-1', world);
    const taken: string[] = [];
    queue.onTaken(({ id }) => taken.push(id));
    for (const n of [1, 2, 3]) queue.add(note(n));
    expect(queue.state.waiting.map(({ id }) => id)).toEqual([1, 2, 3].map((n) => note(n).id));
    await settled();
    expect(world.sent).toEqual(['note 1', 'note 2', 'note 3']);
    expect(taken).toEqual([1, 2, 3].map((n) => note(n).id));
    expect([queue.state, world.kept]).toEqual([{ waiting: [], reachable: true, aside: [] }, []]);
  });
  test('written while another is being set aside, or taken into the book, are sent all the same', async () => {
    const queue = new EntryQueue('LL-1', world);
    world.answers.set('note 1', refused);
    world.keepAside = async (_, aside) => {
      queue.add(note(2));
      await settled();
      world.asides.push(aside);
    };
    queue.onTaken(({ id }) => id === note(2).id && queue.add(note(3)));
    queue.add(note(1));
    await settled();
    await settled();
    expect(world.sent).toEqual(['note 1', 'note 2', 'note 3']);
    expect(queue.state).toMatchObject({ waiting: [], aside: [{ entry: note(1) }] });
    expect(world.kept).toEqual([]);
  });
  test('are in the book before they are out of the queue, so that none is on no screen for a moment', async () => {
    const queue = new EntryQueue('LL-1', world);
    let waitingWhenTaken = -1;
    queue.onTaken(() => (waitingWhenTaken = queue.state.waiting.length));
    queue.add(note(1));
    await settled();
    expect(waitingWhenTaken).toBe(1);
  });
  test('are kept before they are sent', async () => {
    let keptFirst = false;
    world.keep = async (_, entry) => {
      await settled();
      world.kept.push(entry);
    };
    const send = world.send;
    world.send = (ticket, entry) => {
      keptFirst = world.kept.length === 1;
      return send(ticket, entry);
    };
    const queue = new EntryQueue('LL-1', world);
    queue.add(note(1));
    await settled();
    await settled();
    expect([keptFirst, world.kept]).toEqual([true, []]);
  });
  test('are sent also where the browser cannot keep them', async () => {
    world.keep = () => Promise.reject(new Error('private window'));
    world.load = () => Promise.reject(new Error('private window'));
    const queue = new EntryQueue('LL-1', world);
    queue.add(note(1));
    await settled();
    expect(world.sent).toEqual(['note 1']);
    expect(queue.state.waiting).toEqual([]);
  });
  test('wait for somebody to say who is there, and say that; what is refused then came through all the same', async () => {
    const said: (boolean | undefined)[][] = [];
    const queue = new EntryQueue('LL-1', world);
    let tries = 0;
    world.answers.set('note 1', () => {
      tries += 1;
      return tries === 1 ? { status: 'unreachable' } : tries === 2 ? { status: 'unreachable', asksWho: true } : refused;
    });
    world.pause = async (ms) => {
      said.push([queue.state.reachable, queue.state.asksWho]);
      world.pauses.push(ms);
    };
    queue.add(note(1));
    await settled();
    expect(said).toEqual([
      [false, false],
      [false, true],
    ]);
    expect(queue.state).toMatchObject({ waiting: [], reachable: true, aside: [{ entry: note(1) }] });
  });
  test('nobody is told any more once they have gone', async () => {
    const queue = new EntryQueue('LL-1', world);
    const told = { changed: 0, taken: 0 };
    const [leave, stop] = [queue.subscribe(() => (told.changed += 1)), queue.onTaken(() => (told.taken += 1))];
    queue.add(note(1));
    await settled();
    expect(told.taken).toBe(1);
    expect(told.changed).toBeGreaterThan(0);
    const before = { ...told };
    leave();
    stop();
    queue.add(note(2));
    await settled();
    expect(told).toEqual(before);
  });
  test('wait while nothing answers, longer each time but never very long, and say so', async () => {
    let tries = 0;
    world.answers.set('note 1', () => {
      tries += 1;
      return tries <= 8 ? { status: 'unreachable' } : written(note(1));
    });
    const queue = new EntryQueue('LL-1', world);
    const reachable: boolean[] = [];
    queue.subscribe(() => reachable.push(queue.state.reachable));
    queue.add(note(1));
    queue.add(note(2));
    await settled();
    expect(world.pauses).toEqual([500, 1000, 2000, 4000, 8000, 15000, 15000, 15000]);
    expect(world.sent.at(-1)).toBe('note 2');
    expect([reachable.includes(false), queue.state.reachable]).toEqual([true, true]);
  });
  test('that an earlier visit left waiting go first, each once', async () => {
    world.kept = [note(1), note(2)];
    const queue = new EntryQueue('LL-1', world);
    queue.add(note(3));
    await settled();
    expect(world.sent).toEqual(['note 1', 'note 2', 'note 3']);
  });
});

describe('an entry the server will not take', () => {
  test('is set aside with the reason, kept, and the rest go on', async () => {
    world.answers.set('note 1', refused);
    const queue = new EntryQueue('LL-1', world);
    queue.add(note(1));
    queue.add(note(2));
    await settled();
    expect(world.sent).toEqual(['note 1', 'note 2']);
    expect(queue.state.waiting).toEqual([]);
    expect(queue.state.aside).toEqual([{ entry: note(1), problems: [{ path: '/body/text', message: 'is no good' }] }]);
    expect([world.kept, world.asides]).toEqual([[], queue.state.aside]);
  });
  test('is there again after a reload, and does not block what waits', async () => {
    world.asides = [{ entry: note(1), problems: [] }];
    world.kept = [note(2)];
    const queue = new EntryQueue('LL-1', world);
    await settled();
    expect(queue.state.aside).toHaveLength(1);
    expect(world.sent).toEqual(['note 2']);
  });
  test('is sent again as it is, or changed under another id', async () => {
    world.asides = [
      { entry: note(1), problems: [] },
      { entry: note(2), problems: [] },
    ];
    const queue = new EntryQueue('LL-1', world);
    await settled();
    await queue.again(note(1).id);
    await queue.again(note(2).id, note(3, 'changed'));
    await queue.again('never heard of');
    await settled();
    expect(world.sent).toEqual(['note 1', 'changed']);
    expect([queue.state.aside, world.asides]).toEqual([[], []]);
  });
  test('is let go for good', async () => {
    world.asides = [{ entry: note(1), problems: [] }];
    const queue = new EntryQueue('LL-1', world);
    await settled();
    await queue.letGo(note(1).id);
    expect([world.sent, queue.state.aside, world.asides]).toEqual([[], [], []]);
  });
});

describe('what becomes of an entry first', () => {
  test('it is written: nothing is wrong with it', async () => {
    const queue = new EntryQueue('LL-1', world);
    queue.add(note(1));
    expect(await queue.outcome(note(1).id)).toBeNull();
    expect(queue.state.waiting).toEqual([]);
  });
  test('nobody answers: it waits, and whoever wrote it goes on', async () => {
    let answers = false;
    world.answers.set('note 1', () => (answers ? written(note(1)) : { status: 'unreachable' }));
    world.pause = settled as QueueWays['pause'];
    const queue = new EntryQueue('LL-1', world);
    queue.add(note(1));
    expect(await queue.outcome(note(1).id)).toBeNull();
    expect(queue.state.waiting).toEqual([note(1)]);
    // One behind it waits at once, though it was not even tried.
    queue.add(note(2));
    expect(await queue.outcome(note(2).id)).toBeNull();
    expect(world.sent).not.toContain('note 2');
    answers = true;
    await settled();
    await settled();
    await settled();
    expect(queue.state.waiting).toEqual([]);
  });
  test('nobody says anything for long: it waits all the same, and is taken when the answer comes', async () => {
    let answer: (sent: Sent) => void = () => undefined;
    world.send = (_, entry) => {
      world.sent.push((entry.body as { text: string }).text);
      return new Promise((resolve) => (answer = resolve));
    };
    const queue = new EntryQueue('LL-1', world, 30);
    queue.add(note(1));
    await new Promise((soon) => setTimeout(soon, 10));
    expect(queue.state).toMatchObject({ reachable: true });
    expect(await queue.outcome(note(1).id)).toBeNull();
    expect(queue.state).toMatchObject({ waiting: [note(1)], reachable: false, heldUp: true });
    answer(written(note(1)));
    await settled();
    expect([world.sent, queue.state]).toMatchObject([['note 1'], { waiting: [], reachable: true, heldUp: false }]);
    // Answered in time, nobody is told of a silence.
    queue.add(note(2));
    await new Promise((soon) => setTimeout(soon, 10));
    answer(written(note(2)));
    await settled();
    await settled();
    expect(queue.state).toMatchObject({ reachable: true, heldUp: false });
  });
  test('it is refused: what is wrong goes to whoever wrote it, and it is set aside for nobody else', async () => {
    world.answers.set('note 1', refused);
    const queue = new EntryQueue('LL-1', world);
    queue.add(note(1));
    expect(await queue.outcome(note(1).id)).toEqual([{ path: '/body/text', message: 'is no good' }]);
    await settled();
    expect([queue.state.aside, world.asides, world.kept]).toEqual([[], [], []]);
  });
});

test('whoever listens no more is told no more', async () => {
  const queue = new EntryQueue('LL-1', world);
  let told = 0;
  const stop = queue.subscribe(() => (told += 1));
  const stopTaken = queue.onTaken(() => (told += 1));
  stop();
  stopTaken();
  queue.add(note(1));
  await settled();
  expect(told).toBe(0);
});
