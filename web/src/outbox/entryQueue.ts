import type { Entry, NewEntry, Problem } from '@holotonos/core';
import type { Sent } from './outbox';

/** An entry the server will not take as it is: kept until somebody has changed it, sent it again or let it go. */
export interface Aside {
  entry: NewEntry;
  problems: Problem[];
}

/** What a queue shows of itself. A new object at every change. */
export interface QueueState {
  /** in the order they were written */
  waiting: readonly NewEntry[];
  /** false while nothing answers */
  reachable: boolean;
  /** what waits, waits for somebody to say who is there */
  asksWho?: boolean;
  aside: readonly Aside[];
}

/** What a queue needs of the world: a lasting place in this browser, the way to the server, and time. */
export interface QueueWays {
  load: (ticket: string) => Promise<{ waiting: NewEntry[]; aside: Aside[] }>;
  keep: (ticket: string, entry: NewEntry) => Promise<void>;
  release: (ticket: string, id: string) => Promise<void>;
  keepAside: (ticket: string, aside: Aside) => Promise<void>;
  releaseAside: (ticket: string, id: string) => Promise<void>;
  send: (ticket: string, entry: NewEntry) => Promise<Sent>;
  pause: (ms: number) => Promise<void>;
}

const firstRetryMs = 500;
const lastRetryMs = 15_000;
const doubled = (ms: number) => Math.min(lastRetryMs, ms * 2);

/**
 * The entries of one ticket on their way to the server: one at a time and in order, kept until acknowledged, tried again
 * for as long as nothing answers. One that the server refuses or chokes on is set aside, and the rest go on.
 */
export class EntryQueue {
  readonly #ticket: string;
  readonly #ways: QueueWays;
  readonly #listeners = new Set<() => void>();
  readonly #taken = new Set<(entry: Entry) => void>();
  #state: QueueState = { waiting: [], reachable: true, aside: [] };
  #draining = false;
  /** entries that are still being put down in the browser */
  readonly #keeping = new Map<string, Promise<void>>();
  readonly #loaded: Promise<void>;

  constructor(ticket: string, ways: QueueWays) {
    this.#ticket = ticket;
    this.#ways = ways;
    this.#loaded = this.#load();
  }

  get state(): QueueState {
    return this.#state;
  }

  /** Is told at every change; gives what ends that. */
  subscribe(listener: () => void): () => void {
    this.#listeners.add(listener);
    return () => void this.#listeners.delete(listener);
  }

  /** Is given every entry the server has acknowledged; gives what ends that. */
  onTaken(listener: (entry: Entry) => void): () => void {
    this.#taken.add(listener);
    return () => void this.#taken.delete(listener);
  }

  /** Puts an entry at the end. It is on the screen at once, and sent once it is kept. */
  add(entry: NewEntry): void {
    this.#put({ waiting: [...this.#state.waiting, entry] });
    // A browser that cannot keep it (a private window) still sends it.
    const kept = this.#ways.keep(this.#ticket, entry).catch(() => undefined);
    this.#keeping.set(entry.id, kept);
    void this.#loaded.then(() => this.#drain());
  }

  /** Sends one that was set aside again: as it was, or changed, and then it is another entry. */
  async again(id: string, changed?: NewEntry): Promise<void> {
    const aside = this.#state.aside.find(({ entry }) => entry.id === id);
    if (!aside) return;
    this.add(changed ?? aside.entry);
    await this.letGo(id);
  }

  /** Lets one that was set aside go for good. */
  async letGo(id: string): Promise<void> {
    this.#put({ aside: this.#state.aside.filter(({ entry }) => entry.id !== id) });
    await this.#ways.releaseAside(this.#ticket, id).catch(() => undefined);
  }

  #put(change: Partial<QueueState>): void {
    this.#state = { ...this.#state, ...change };
    for (const listener of this.#listeners) listener();
  }

  /** What an earlier visit left waiting goes first. */
  async #load(): Promise<void> {
    const left = await this.#ways.load(this.#ticket).catch(() => ({ waiting: [], aside: [] }));
    const known = new Set(this.#state.waiting.map(({ id }) => id));
    const waiting = [...left.waiting.filter(({ id }) => !known.has(id)), ...this.#state.waiting];
    if (waiting.length > 0 || left.aside.length > 0) this.#put({ waiting, aside: left.aside });
    void this.#drain();
  }

  async #drain(): Promise<void> {
    if (this.#draining) return;
    this.#draining = true;
    let retryMs = firstRetryMs;
    for (let entry = this.#state.waiting[0]; entry; entry = this.#state.waiting[0]) {
      // Kept before it is sent, so that it is let go of after it was kept.
      await this.#keeping.get(entry.id);
      this.#keeping.delete(entry.id);
      const sent = await this.#ways.send(this.#ticket, entry);
      if (sent.status === 'unreachable') {
        this.#put({ reachable: false, asksWho: sent.asksWho === true });
        await this.#ways.pause(retryMs);
        retryMs = doubled(retryMs);
        continue;
      }
      retryMs = firstRetryMs;
      // Others may have been written meanwhile: what waits is looked at only when this one is taken out of it.
      const { id } = entry;
      const rest = () => this.#state.waiting.filter((each) => each.id !== id);
      if (sent.status === 'acknowledged') {
        // First into the book, then out of the queue: in between it would be in neither.
        for (const listener of this.#taken) listener(sent.entry);
        this.#put({ waiting: rest(), reachable: true });
      } else {
        const aside = { entry, problems: sent.problems };
        await this.#ways.keepAside(this.#ticket, aside).catch(() => undefined);
        this.#put({ waiting: rest(), reachable: true, aside: [...this.#state.aside, aside] });
      }
      await this.#ways.release(this.#ticket, entry.id).catch(() => undefined);
    }
    this.#draining = false;
  }
}
