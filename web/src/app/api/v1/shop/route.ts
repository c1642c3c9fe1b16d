import type { NewShopEntry } from '@holotonos/core';
import { appendShopEntry, shopState } from '@holotonos/store';
import { signed } from '@/server/asker';
import { answering, conflict, invalid, readJson } from '@/server/replies';
import { getDb } from '@/server/store';

/** The shop: its gauges with their checks, its sets of limits. */
export const GET = () => answering(async () => Response.json(await shopState(getDb())));

/** Writes an entry into the shop's logbook and answers with the shop as it is then. */
export const POST = (request: Request) =>
  answering(async () => {
    const read = await readJson(request);
    if (!read.ok) return read.response;
    const by = signed(request, read.data, 'shop');
    if (!by.ok) return by.response;
    const written = await appendShopEntry(getDb(), by.data as NewShopEntry);
    if (written.status === 'refused') return invalid(written.problems);
    if (written.status === 'conflict') return conflict('An entry with the same id says something else.');
    return Response.json(await shopState(getDb()), { status: written.known ? 200 : 201 });
  });
