import { photoBytes, savePhoto } from '@holotonos/store';
import { answering, conflict, invalid, notFound, readBytes } from '@/server/replies';
import { isUuid } from '@/server/ids';
import { getDb } from '@/server/store';

type Context = { params: Promise<{ ticket: string; id: string }> };

/** A picture of the job as JPEG, or its thumbnail with `?size=thumbnail`. It never changes under its id. */
export const GET = (request: Request, { params }: Context) =>
  answering(async () => {
    const { ticket, id } = await params;
    const size = new URL(request.url).searchParams.get('size') === 'thumbnail' ? 'thumbnail' : 'picture';
    const bytes = isUuid(id) ? await photoBytes(getDb(), ticket, id, size) : null;
    if (!bytes) return notFound('There is no such picture.');
    return new Response(new Uint8Array(bytes), {
      headers: { 'Content-Type': 'image/jpeg', 'Cache-Control': 'private, max-age=31536000, immutable' },
    });
  });

/** Keeps a picture under an id of the sender's making; harmless to send again. */
export const PUT = (request: Request, { params }: Context) =>
  answering(async () => {
    const { ticket, id } = await params;
    if (!isUuid(id)) return invalid([{ path: '/id', message: 'must be a UUID in small letters' }]);
    const read = await readBytes(request);
    if (!read.ok) return read.response;
    const saved = await savePhoto(getDb(), ticket, id, read.bytes);
    if (saved.status === 'no-job') return notFound(`There is no ticket ${ticket}.`);
    if (saved.status === 'refused') return invalid([{ path: '', message: saved.problem }]);
    if (saved.status === 'conflict') return conflict('Another picture is kept under this id.');
    return Response.json({ photo: id, width: saved.width, height: saved.height }, { status: 201 });
  });
