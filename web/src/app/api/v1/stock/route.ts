import type { NewStockEntry } from '@holotonos/core';
import { appendStockEntry } from '@holotonos/store';
import { signed } from '@/server/asker';
import { answering, conflict, invalid, readJson } from '@/server/replies';
import { loadStock } from '@/server/stock';
import { getDb } from '@/server/store';

const now = () => loadStock(new Date().toISOString());

/** What lies in the drawers, and what the open tickets will take out of them. */
export const GET = () => answering(async () => Response.json(await now()));

/** Writes an entry into the logbook of the drawers and answers with what lies there then. */
export const POST = (request: Request) =>
  answering(async () => {
    const read = await readJson(request);
    if (!read.ok) return read.response;
    const by = signed(request, read.data, 'stock');
    if (!by.ok) return by.response;
    const written = await appendStockEntry(getDb(), by.data as NewStockEntry);
    if (written.status === 'refused') return invalid(written.problems);
    if (written.status === 'conflict') return conflict('An entry with the same id says something else.');
    return Response.json(await now(), { status: written.known ? 200 : 201 });
  });
