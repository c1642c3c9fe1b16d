import 'server-only';

/** Keeps proxies from closing a quiet stream, ms. */
const beatMs = 20_000;
/**
 * So long a stream stays open, ms. Then the browser asks for another by itself, and the door looks anew who asks: whoever has
 * signed out, or whose key was taken back, hears no longer than that.
 */
const livesMs = 10 * 60_000;

export interface Telling {
  /** one server-sent event */
  send: (event: string, data: object) => void;
  /** ends the stream from this side */
  end: () => void;
}

/**
 * A stream of server-sent events for as long as the page listens.
 *
 * @param open begins to tell, and gives what is to be done when nobody listens any more
 */
export function eventStream(
  request: Request,
  open: (telling: Telling) => (() => void) | Promise<() => void>,
): Response {
  const encoder = new TextEncoder();
  /** `gone`: nobody is there any more to whom the stream could be closed */
  let end = (_gone: boolean) => undefined as void;
  const stream = new ReadableStream<Uint8Array>({
    async start(controller) {
      let listening = true;
      let stop = () => undefined as void;
      const write = (text: string) => listening && controller.enqueue(encoder.encode(text));
      const beat = setInterval(() => write(': still here\n\n'), beatMs);
      const life = setTimeout(() => end(false), livesMs);
      end = (gone) => {
        if (!listening) return;
        listening = false;
        clearInterval(beat);
        clearTimeout(life);
        stop();
        if (!gone) controller.close();
      };
      request.signal.addEventListener('abort', () => end(false));
      stop = await open({
        send: (event, data) => write(`event: ${event}\ndata: ${JSON.stringify(data)}\n\n`),
        end: () => end(false),
      });
      // Whoever hung up while this was being opened is let go at once.
      if (!listening) stop();
    },
    cancel: () => end(true),
  });
  return new Response(stream, { headers: { 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store' } });
}
