import { typeById } from '@holotonos/store';
import { answering, asFile, notFound } from '@/server/replies';
import { getDb } from '@/server/store';

/** A type as a document: the shop's newest, or the one that ships. */
export const GET = (_request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answering(async () => {
    const { id } = await params;
    const type = await typeById(getDb(), id);
    if (!type) return notFound(`There is no type ${id}.`);
    return new Response(JSON.stringify(type, null, 1), { headers: asFile(`${type.id}.type.json`, 'application/json') });
  });
