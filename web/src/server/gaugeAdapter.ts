import 'server-only';
import { connect } from 'node:net';
import type { GaugeAim } from './gaugeHub';

/**
 * The one thing a device has to be wrapped in (docs/gauges.md): it gives lines of the gauge protocol, says whether it is
 * there, and may be told what the bench asks for. An adapter for another kind of device implements this and nothing else.
 */
export interface GaugeAdapter {
  /** Begins to listen and goes on, through every loss of the device, until the function it gives is called. */
  open: (to: { onLine: (line: string) => void; onUp: (up: boolean) => void }) => () => void;
  aim: (aim: GaugeAim) => void;
}

const firstRetryMs = 250;
const lastRetryMs = 4000;
/** A device that never ends its line is cut short here, bytes. */
const mostPending = 8192;

/** Devices that serve lines over TCP at `host:port`: the stand-ins, or a bridge to real ones. */
export function lineAdapter(place: string): GaugeAdapter {
  const [host = '127.0.0.1', port = '4650'] = place.split(':');
  let send: ((text: string) => void) | null = null;
  let lastAim: GaugeAim | null = null;
  return {
    open: ({ onLine, onUp }) => {
      let open = true;
      let retryMs = firstRetryMs;
      let retry: ReturnType<typeof setTimeout> | null = null;
      let drop = () => undefined as void;
      const dial = () => {
        const socket = connect({ host, port: Number(port) });
        let pending = '';
        drop = () => void socket.destroy();
        socket.setEncoding('utf8');
        socket.on('connect', () => {
          retryMs = firstRetryMs;
          send = (text) => void socket.write(text);
          onUp(true);
          if (lastAim) send(`${JSON.stringify({ aim: lastAim })}\n`);
        });
        socket.on('data', (piece: string) => {
          const lines = (pending + piece).split('\n');
          pending = lines.pop() ?? '';
          if (pending.length > mostPending) lines.push(pending.slice(0, mostPending));
          if (pending.length > mostPending) pending = '';
          for (const line of lines) if (line.trim() !== '') onLine(line.trim());
        });
        // An error is always followed by close; there the next try is planned.
        socket.on('error', () => undefined);
        socket.on('close', () => {
          send = null;
          if (!open) return;
          onUp(false);
          retry = setTimeout(dial, retryMs);
          retryMs = Math.min(lastRetryMs, retryMs * 2);
        });
      };
      dial();
      return () => {
        open = false;
        if (retry) clearTimeout(retry);
        drop();
      };
    },
    aim: (aim) => {
      lastAim = aim;
      send?.(`${JSON.stringify({ aim })}\n`);
    },
  };
}
