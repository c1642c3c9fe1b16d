import type { Entry, NewEntry, Problem } from '@holotonos/core';
import type { Written } from '@holotonos/core/logbook';

/** An entry on its way, of whatever logbook. */
export type AnyNew = Written<string, unknown>;

/** What came of sending an entry. */
export type Sent<Taken = Entry> =
  | { status: 'acknowledged'; taken: Taken }
  /** the server will not take it as it is, or chokes on it: it says why */
  | { status: 'refused'; problems: Problem[] }
  /** nothing answered, its database does not or has no room, or it wants to know who is there: try again */
  | { status: 'unreachable'; asksWho?: true };

/** An entry the server will not take as it is: kept until somebody has changed it, sent it again or let it go. */
export interface Aside<New extends AnyNew = NewEntry> {
  entry: New;
  problems: Problem[];
}

/** What a queue shows of itself. A new object at every change. */
export interface QueueState<New extends AnyNew = NewEntry> {
  /** in the order they were written */
  waiting: readonly New[];
  /** false while nothing answers */
  reachable: boolean;
  /** nothing answered, and what waited then is not all through yet */
  heldUp?: boolean;
  /** what waits, waits for somebody to say who is there */
  asksWho?: boolean;
  aside: readonly Aside<New>[];
}

/** A queue with nothing in it: the very same for all, so that a page that was drawn with none is not drawn anew for its own. */
export const nothingWaits: QueueState<never> = { waiting: [], reachable: true, aside: [] };

/** What a queue needs of the world: a lasting place in this browser, the way to the server, and time. */
export interface QueueWays<New extends AnyNew = NewEntry, Taken = Entry> {
  load: (log: string) => Promise<{ waiting: New[]; aside: Aside<New>[] }>;
  keep: (log: string, entry: New) => Promise<void>;
  release: (log: string, id: string) => Promise<void>;
  keepAside: (log: string, aside: Aside<New>) => Promise<void>;
  releaseAside: (log: string, id: string) => Promise<void>;
  send: (log: string, entry: New) => Promise<Sent<Taken>>;
  pause: (ms: number) => Promise<void>;
}

const firstRetryMs = 500;
const lastRetryMs = 15_000;
/** A server that has said nothing for so long is taken to be away, though it may answer yet: a net that drops what it is given is silent. */
const silentMs = 5000;
const doubled = (ms: number) => Math.min(lastRetryMs, ms * 2);

/**
 * The entries of one logbook on their way to the server: one at a time and in order, kept until acknowledged, tried again
 * for as long as nothing answers. One that the server refuses or chokes on is set aside, and the rest go on.
 */
export class EntryQueue<New extends AnyNew = NewEntry, Taken = Entry> {
  readonly #log: string;
  readonly #ways: QueueWays<New, Taken>;
  readonly #listeners = new Set<() => void>();
  readonly #taken = new Set<(taken: Taken) => void>();
  #state: QueueState<New> = nothingWaits;
  #draining = false;
  /** entries that are still being put down in the browser */
  readonly #keeping = new Map<string, Promise<void>>();
  readonly #loaded: Promise<void>;

  readonly #silentMs: number;

  constructor(log: string, ways: QueueWays<New, Taken>, silent = silentMs) {
    this.#log = log;
    this.#silentMs = silent;
    this.#ways = ways;
    this.#loaded = this.#load();
  }

  get state(): QueueState<New> {
    return this.#state;
  }

  /** Is told at every change; gives what ends that. */
  subscribe(listener: () => void): () => void {
    this.#listeners.add(listener);
    return () => void this.#listeners.delete(listener);
  }

  /** Is given what the server answers to every entry it takes; gives what ends that. */
  onTaken(listener: (taken: Taken) => void): () => void {
    this.#taken.add(listener);
    return () => void this.#taken.delete(listener);
  }

  /** Puts an entry at the end. It is on the screen at once, and sent once it is kept. */
  add(entry: New): void {
    this.#put({ waiting: [...this.#state.waiting, entry] });
    // A browser that cannot keep it (a private window) still sends it.
    const kept = this.#ways.keep(this.#log, entry).catch(() => undefined);
    this.#keeping.set(entry.id, kept);
    void this.#loaded.then(() => this.#drain());
  }

  /**
   * What becomes of an entry first: null once it is written, or waits because nobody answers; else what was wrong with it.
   * Then it is let go of, for whoever asks has it still, in a form or under a hand.
   */
  outcome(id: string): Promise<Problem[] | null> {
    return new Promise((resolve) => {
      const look = () => {
        const { waiting, reachable, aside } = this.#state;
        const refused = aside.find(({ entry }) => entry.id === id);
        if (!refused && reachable && waiting.some((entry) => entry.id === id)) return;
        stop();
        if (refused) void this.letGo(id);
        resolve(refused?.problems ?? null);
      };
      const stop = this.subscribe(look);
      look();
    });
  }

  /** Sends one that was set aside again: as it was, or changed, and then it is another entry. */
  async again(id: string, changed?: New): Promise<void> {
    const aside = this.#state.aside.find(({ entry }) => entry.id === id);
    if (!aside) return;
    this.add(changed ?? aside.entry);
    await this.letGo(id);
  }

  /** Lets one that was set aside go for good. */
  async letGo(id: string): Promise<void> {
    this.#put({ aside: this.#state.aside.filter(({ entry }) => entry.id !== id) });
    await this.#ways.releaseAside(this.#log, id).catch(() => undefined);
  }

  #put(change: Partial<QueueState<New>>): void {
    this.#state = { ...this.#state, ...change };
    for (const listener of this.#listeners) listener();
  }

  /** What an earlier visit left waiting goes first. */
  async #load(): Promise<void> {
    const left = await this.#ways.load(this.#log).catch(() => ({ waiting: [], aside: [] }));
    const known = new Set(this.#state.waiting.map(({ id }) => id));
    const waiting = [...left.waiting.filter(({ id }) => !known.has(id)), ...this.#state.waiting];
    if (waiting.length > 0 || left.aside.length > 0) this.#put({ waiting, aside: left.aside });
    void this.#drain();
  }

  /** Sends one, and says meanwhile when nobody answers for long. */
  async #sent(entry: New): Promise<Sent<Taken>> {
    const silence = setTimeout(() => this.#put({ reachable: false, heldUp: true }), this.#silentMs);
    try {
      return await this.#ways.send(this.#log, entry);
    } finally {
      clearTimeout(silence);
    }
  }

  async #drain(): Promise<void> {
    if (this.#draining) return;
    this.#draining = true;
    let retryMs = firstRetryMs;
    for (let entry = this.#state.waiting[0]; entry; entry = this.#state.waiting[0]) {
      // Kept before it is sent, so that it is let go of after it was kept.
      await this.#keeping.get(entry.id);
      this.#keeping.delete(entry.id);
      const sent = await this.#sent(entry);
      if (sent.status === 'unreachable') {
        this.#put({ reachable: false, heldUp: true, asksWho: sent.asksWho === true });
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
        for (const listener of this.#taken) listener(sent.taken);
        this.#put({ waiting: rest(), reachable: true });
      } else {
        const aside = { entry, problems: sent.problems };
        await this.#ways.keepAside(this.#log, aside).catch(() => undefined);
        this.#put({ waiting: rest(), reachable: true, aside: [...this.#state.aside, aside] });
      }
      await this.#ways.release(this.#log, entry.id).catch(() => undefined);
    }
    this.#draining = false;
    if (this.#state.heldUp) this.#put({ heldUp: false });
  }
}
