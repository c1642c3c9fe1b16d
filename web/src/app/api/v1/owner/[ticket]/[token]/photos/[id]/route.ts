import { photoBytes } from '@holotonos/store';
import { ownersJob } from '@/server/ownerPage';
import { answering, notFound } from '@/server/replies';
import { getDb } from '@/server/store';

/** A picture that was chosen for the owner; no other of the job. `?size=thumbnail` small. */
export const GET = (request: Request, { params }: { params: Promise<{ ticket: string; token: string; id: string }> }) =>
  answering(async () => {
    const { ticket, token, id } = await params;
    const owners = await ownersJob(ticket, token, new Date().toISOString());
    const size = new URL(request.url).searchParams.get('size') === 'thumbnail' ? 'thumbnail' : 'picture';
    const bytes = owners?.link.photos.includes(id) ? await photoBytes(getDb(), ticket, id, size) : null;
    if (!bytes) return notFound('There is no such picture.');
    // A link that is taken back shows nothing any more, so nothing is kept.
    return new Response(new Uint8Array(bytes), {
      headers: { 'Content-Type': 'image/jpeg', 'Cache-Control': 'no-store' },
    });
  });
