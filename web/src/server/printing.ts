import 'server-only';
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

/**
 * Draws a sheet as a PDF, beside the requests.
 *
 * @returns its bytes; null when too many wait already
 * @throws Error when it cannot be drawn, or not in time
 */
export async function printed<Name extends SheetName>(name: Name, props: SheetProps<Name>): Promise<Uint8Array | null> {
  return isFull(printer()) ? null : await printer().exec('print', [name, props]).timeout(mostMs);
}
