import { jobByTicket } from '@holotonos/store';
import { answering, notFound } from '@/server/replies';
import { getAnnouncer, getDb } from '@/server/store';

export const dynamic = 'force-dynamic';

/** Keeps proxies from closing a quiet stream, ms. */
const beatMs = 20_000;

/** Server-sent events: one for each entry written to this job, by whichever process. The client fetches what is new. */
export const GET = (request: Request, { params }: { params: Promise<{ ticket: string }> }) =>
  answering(async () => {
    const { ticket } = await params;
    const job = await jobByTicket(getDb(), ticket);
    if (!job) return notFound(`There is no ticket ${ticket}.`);
    const encoder = new TextEncoder();
    let end = () => undefined as void;
    const stream = new ReadableStream<Uint8Array>({
      async start(controller) {
        let open = true;
        const send = (text: string) => open && controller.enqueue(encoder.encode(text));
        const beat = setInterval(() => send(': still here\n\n'), beatMs);
        let stop = () => undefined as void;
        end = () => {
          if (!open) return;
          open = false;
          clearInterval(beat);
          stop();
          controller.close();
        };
        request.signal.addEventListener('abort', () => end());
        stop = await getAnnouncer().listen(
          job.id,
          () => send('event: entry\ndata: {}\n\n'),
          () => end(),
        );
        if (!open) stop();
        send('event: ready\ndata: {}\n\n');
      },
      cancel: () => end(),
    });
    return new Response(stream, { headers: { 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store' } });
  });
