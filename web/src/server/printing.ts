import 'server-only';
import { createHash } from 'node:crypto';
import { serialize } from 'node:v8';
import { LRUCache } from 'lru-cache';
import type { Pool } from 'workerpool';
import type { SheetName, SheetProps } from '@/print/sheets';
import { isFull, threads } from './threads';

/** How long drawing a sheet may take, ms. The longest record takes two seconds. */
const mostMs = 30_000;
/** Sheets that may wait to be drawn. */
const mostWaiting = 8;

/** What the thread runs: one file where there is a build, which `web/serve.mjs` names; else the sources. */
const script = () => process.env.HOLOTONOS_PRINTING ?? 'web/src/workers/printingFromSource.mjs';

const kept = globalThis as { holotonosPrinter?: Pool };
const printer = () => (kept.holotonosPrinter ??= threads(script(), 1, mostWaiting));

/** Sheets drawn last: what is drawn from the same is the same. So many, for a record with all its photographs is megabytes. */
const made = new LRUCache<string, Promise<Uint8Array>>({ max: 12 });

/**
 * Draws a sheet as a PDF, beside the requests. The same sheet is drawn once: who asks for it again has the one there is, and
 * who asks while it is drawn waits for that.
 *
 * @returns its bytes, which are not to be changed; null when too many wait already
 * @throws Error when it cannot be drawn, or not in time
 */
export async function printed<Name extends SheetName>(name: Name, props: SheetProps<Name>): Promise<Uint8Array | null> {
  const key = createHash('sha256').update(name).update(serialize(props)).digest('hex');
  const before = made.get(key);
  if (before) return before;
  if (isFull(printer())) return null;
  const sheet: Promise<Uint8Array> = Promise.resolve(printer().exec('print', [name, props]).timeout(mostMs));
  made.set(key, sheet);
  // What could not be drawn is tried again.
  sheet.catch(() => made.delete(key));
  return sheet;
}
