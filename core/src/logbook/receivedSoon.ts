import type { Envelope, Receipt } from './kind';

/**
 * Entries that are on their way, as they will look when the logbook has taken them, as far as can be told: after what it
 * has, received when they were written.
 *
 * @param seq the number of its last entry
 */
export const receivedSoon = <New extends Envelope>(entries: readonly New[], seq: number): (New & Receipt)[] =>
  entries.map((entry, i) => ({ ...entry, seq: seq + 1 + i, receivedAt: entry.benchTime }));
