'use client';

/** What keeps pages through a reload without a server; browsers have it only where the address is a secure one. */
const keeper = (): ServiceWorkerContainer | null =>
  typeof navigator !== 'undefined' && 'serviceWorker' in navigator ? navigator.serviceWorker : null;

/** Pages are kept once a job has been open for so long: whoever only looks in needs none, ms. */
const keptAfter = 20_000;

/** Begins to keep what is opened in this browser. Where that cannot be, nothing is kept, and nothing else changes. */
export function beginKeeping(): void {
  void keeper()
    ?.register('/keeper.js')
    .catch(() => undefined);
}

const tell = (message: object): void => {
  void keeper()
    ?.ready.then(({ active }) => active?.postMessage(message))
    .catch(() => undefined);
};

/**
 * Has pages kept that may be wanted while the server is away; gives what ends that.
 *
 * @param addresses paths of this server
 */
export function keepSoon(addresses: readonly string[]): () => void {
  const timer = setTimeout(() => tell({ keep: addresses }), keptAfter);
  return () => clearTimeout(timer);
}

/** Whoever locks the bench or hands it over takes along what was kept: it was made for their eyes. */
export const forgetPages = (): void => tell({ forget: true });
