import { createServer as createHttp, type IncomingMessage, type ServerResponse } from 'node:http';
import { createServer as createTcp, type Socket } from 'node:net';
import { createInterface } from 'node:readline';
import { page } from './page';
import { Bench, standIns, type Aim } from './standIns';

export interface Gauges {
  /** where readings are served as lines of JSON */
  linePort: number;
  /** where the page with the buttons is */
  pagePort: number;
  close: () => Promise<void>;
}

const floodLines = 3000;
const floodPerTick = 10;
/** Ticks of a flood, ms: ten lines each make a thousand a second. */
const floodTickMs = 10;
const mostBody = 4096;

const listen = (
  server: { listen: (port: number, host: string, done: () => void) => unknown; address: () => unknown },
  port: number,
) =>
  new Promise<number>((resolve, reject) => {
    (server as unknown as NodeJS.EventEmitter).once('error', reject);
    server.listen(port, '127.0.0.1', () => resolve((server.address() as { port: number }).port));
  });

const bodyOf = async (request: IncomingMessage): Promise<Record<string, unknown>> => {
  let text = '';
  for await (const piece of request) {
    text += String(piece);
    if (text.length > mostBody) throw new Error('That is more than a button says.');
  }
  return text === '' ? {} : (JSON.parse(text) as Record<string, unknown>);
};

/**
 * Serves the stand-ins on loopback: readings as lines of JSON over TCP to whoever listens, and a page with a button for
 * each. What comes back up the line points the gauges at a place: `{"aim":{token,ticket,type,point}}`.
 *
 * @param seed the noise of the gauges follows from it
 */
export async function serveGauges(ports: { line: number; page: number }, seed = 7): Promise<Gauges> {
  const bench = new Bench(seed);
  const listeners = new Set<Socket>();
  const unplugged = new Set<string>();
  const tell = (line: string) => {
    for (const socket of listeners) socket.write(`${line}\n`);
  };

  const lines = createTcp((socket) => {
    listeners.add(socket);
    socket.on('close', () => listeners.delete(socket));
    socket.on('error', () => socket.destroy());
    // What comes up the line is checked by shape only: it is the application's own word on loopback.
    createInterface({ input: socket, crlfDelay: Infinity }).on('line', (text) => {
      try {
        const { aim } = JSON.parse(text) as { aim?: Aim | null };
        if (aim !== undefined) bench.point(aim);
      } catch {
        // A stand-in has nobody to complain to.
      }
    });
  });

  const flood = (line: string) => {
    let sent = 0;
    const timer = setInterval(() => {
      for (let i = 0; i < floodPerTick; i += 1) tell(line);
      sent += floodPerTick;
      if (sent >= floodLines) clearInterval(timer);
    }, floodTickMs);
  };

  const act = (name: string, action: string, value: number | undefined): string => {
    const standIn = standIns.find(({ gauge }) => gauge === name);
    if (!standIn)
      throw new Error(`There is no stand-in called “${name}”: ${standIns.map(({ gauge }) => gauge).join(', ')}.`);
    if (action === 'unplug') {
      if (!unplugged.delete(name)) unplugged.add(name);
      return unplugged.has(name) ? `${standIn.name} is unplugged` : `${standIn.name} is plugged in`;
    }
    if (unplugged.has(name)) throw new Error(`${standIn.name} is unplugged.`);
    if (action === 'garbage') {
      tell(`{"gauge":"${name}","kind":"${standIn.kind}","value":12.`);
      return 'Sent a line that breaks off';
    }
    const sent = bench.press(standIn, value);
    if (action === 'flood') {
      flood(sent[0] ?? '');
      return 'Sending a thousand lines a second';
    }
    for (const line of sent) tell(line);
    return sent.join('\n');
  };

  const state = () => ({
    aim: bench.aim && { token: bench.aim.token, ticket: bench.aim.ticket, point: bench.aim.point },
    listening: listeners.size,
    gauges: standIns.map((standIn) => ({
      ...standIn,
      fits: bench.fits(standIn),
      plugged: !unplugged.has(standIn.gauge),
    })),
  });

  const answer = async (request: IncomingMessage, response: ServerResponse) => {
    const reply = (status: number, type: string, body: string) =>
      response.writeHead(status, { 'Content-Type': `${type}; charset=utf-8`, 'Cache-Control': 'no-store' }).end(body);
    const json = (status: number, body: object) => reply(status, 'application/json', JSON.stringify(body));
    try {
      const { pathname } = new URL(request.url ?? '/', 'http://stand-ins');
      const site = request.headers['sec-fetch-site'];
      if (request.method === 'POST' && pathname === '/press') {
        // A page of another site must not press buttons on somebody's bench.
        if (site !== undefined && site !== 'same-origin' && site !== 'none')
          return json(403, { message: 'Not from another site.' });
        const { gauge, action = 'send', value } = await bodyOf(request);
        const figure = value === undefined || value === '' ? undefined : Number(value);
        if (figure !== undefined && !Number.isFinite(figure)) throw new Error(`“${String(value)}” is not a figure.`);
        return json(200, { said: act(String(gauge), String(action), figure) });
      }
      if (pathname === '/state') return json(200, state());
      if (pathname === '/') return reply(200, 'text/html', page);
      return json(404, { message: 'There is nothing here.' });
    } catch (error) {
      return json(400, { message: (error as Error).message });
    }
  };
  const pages = createHttp((request, response) => void answer(request, response));

  const linePort = await listen(lines, ports.line);
  const pagePort = await listen(pages, ports.page);
  return {
    linePort,
    pagePort,
    close: async () => {
      for (const socket of listeners) socket.destroy();
      pages.closeAllConnections();
      await Promise.all([new Promise((done) => lines.close(done)), new Promise((done) => pages.close(done))]);
    },
  };
}
