import { getGaugeHub } from '@/server/gaugeHub';

export const dynamic = 'force-dynamic';

/** Keeps proxies from closing a quiet stream, ms. */
const beatMs = 20_000;

/** Server-sent events: `reading` for each figure a device sends, `state` for who is there and what was kept out. */
export function GET(request: Request): Response {
  const encoder = new TextEncoder();
  let end = () => undefined as void;
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      let open = true;
      const send = (text: string) => open && controller.enqueue(encoder.encode(text));
      const beat = setInterval(() => send(': still here\n\n'), beatMs);
      const stop = getGaugeHub().listen(({ event, data }) =>
        send(`event: ${event}\ndata: ${JSON.stringify(data)}\n\n`),
      );
      end = () => {
        if (!open) return;
        open = false;
        clearInterval(beat);
        stop();
        controller.close();
      };
      request.signal.addEventListener('abort', () => end());
    },
    cancel: () => end(),
  });
  return new Response(stream, { headers: { 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store' } });
}
