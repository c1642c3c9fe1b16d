import { keepType } from '@holotonos/store';
import { answering, authorOf, invalid, readJson } from '@/server/replies';
import { getDb } from '@/server/store';
import { loadTypeChoices } from '@/server/types';

/** Every type a ticket can be opened with, by id and name. */
export const GET = () => answering(async () => Response.json({ types: await loadTypeChoices() }));

/** Keeps a type document in the shop's library, whole and sound, or says what is wrong with it. */
export const POST = (request: Request) =>
  answering(async () => {
    const read = await readJson(request);
    if (!read.ok) return read.response;
    const by = authorOf(request);
    if (!by.ok) return by.response;
    const kept = await keepType(getDb(), read.data, by.author);
    return kept.status === 'refused'
      ? invalid(kept.problems)
      : Response.json({ revision: kept.revision }, { status: 201 });
  });
