import { jobByTicket } from '@holotonos/store';
import { eventStream } from '@/server/eventStream';
import { answering, notFound } from '@/server/replies';
import { getAnnouncer, getDb } from '@/server/store';

export const dynamic = 'force-dynamic';

/** Server-sent events: one for each entry written to this job, by whichever process. The client fetches what is new. */
export const GET = (request: Request, { params }: { params: Promise<{ ticket: string }> }) =>
  answering(async () => {
    const { ticket } = await params;
    const job = await jobByTicket(getDb(), ticket);
    if (!job) return notFound(`There is no ticket ${ticket}.`);
    return eventStream(request, async ({ send, end }) => {
      const stop = await getAnnouncer().listen(job.id, () => send('entry', {}), end);
      send('ready', {});
      return stop;
    });
  });
