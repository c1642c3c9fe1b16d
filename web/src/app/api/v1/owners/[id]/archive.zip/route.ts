import { ownerArchive, ownerById } from '@holotonos/store';
import { answering, asFile, notFound } from '@/server/replies';
import { getDb } from '@/server/store';
import { isUuid } from '@/server/ids';

/** Everything that is kept of one owner, for them to take along. */
export const GET = (_request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answering(async () => {
    const { id } = await params;
    const owner = isUuid(id) ? await ownerById(getDb(), id) : null;
    if (!owner) return notFound('There is no such owner here, or they are forgotten.');
    const pieces = ownerArchive(getDb(), owner, new Date().toISOString());
    // Whoever stops fetching stops the reading, too.
    const stream = new ReadableStream<Uint8Array>({
      pull: async (controller) => {
        const { done, value } = await pieces.next();
        if (done) controller.close();
        else controller.enqueue(value);
      },
      cancel: async () => void (await pieces.return(undefined)),
    });
    return new Response(stream, { headers: asFile('owner.zip', 'application/zip') });
  });
