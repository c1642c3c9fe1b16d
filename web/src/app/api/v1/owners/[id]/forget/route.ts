import { forgetOwner } from '@holotonos/store';
import { answering, authorOf, notFound } from '@/server/replies';
import { getDb } from '@/server/store';
import { isUuid } from '@/server/ids';

/** Forgets an owner for good: the instruments stay, the person is gone. */
export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answering(async () => {
    const { id } = await params;
    const by = authorOf(request);
    if (!by.ok) return by.response;
    const tickets = isUuid(id) ? await forgetOwner(getDb(), id, by.author, new Date().toISOString()) : null;
    return tickets
      ? Response.json({ tickets })
      : notFound('There is no such owner here, or they are forgotten already.');
  });
