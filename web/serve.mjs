// The web process: Next behind the one door where what is no request is refused. node web/serve.mjs PORT
// HOLOTONOS_NAMES: what else than localhost the server is called, separated by commas.
import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { dirname } from 'node:path';
import { fileURLToPath } from 'node:url';
import next from 'next';
import { answer } from './answer.mjs';
import { guardsOf, isBeyond, namesOf, refusalOf } from './edge.mjs';

const port = Number(process.argv[2] ?? 4600);
const hostname = '127.0.0.1';
// What the threads of the solvers and of the printer run, as built.
process.env.HOLOTONOS_SOLVING ??= fileURLToPath(new URL('.next/solving.mjs', import.meta.url));
process.env.HOLOTONOS_PRINTING ??= fileURLToPath(new URL('.next/printing.mjs', import.meta.url));
// Which core works out what the lists show, as built.
const stamp = new URL('.next/holotonos-core', import.meta.url);
if (existsSync(stamp)) process.env.HOLOTONOS_SOURCES ??= readFileSync(stamp, 'utf8');
// Large files wait on disk, in the folder of this checkout.
process.env.HOLOTONOS_SPOOL ??= fileURLToPath(new URL('../.data/spool', import.meta.url));
const names = namesOf(process.env.HOLOTONOS_NAMES);
const app = next({ dev: false, dir: dirname(fileURLToPath(import.meta.url)), hostname, port });
await app.prepare();
const handle = app.getRequestHandler();

// Who may do what, as built.
const { openGate } = await import(new URL('.next/gate.mjs', import.meta.url).href);
const beyond = isBeyond(names);
const { gate } = openGate({ databaseUrl: process.env.DATABASE_URL ?? '', beyond });

async function serve(request, response) {
  const nonce = randomBytes(16).toString('base64');
  const guards = guardsOf(nonce, beyond);
  for (const [name, value] of Object.entries(guards)) response.setHeader(name, value);
  const { method = '', url = '', headers } = request;
  const refusal = refusalOf({ method, url, headers, names });
  if (refusal) return answer(request, response, refusal);
  const stop = await gate(request, response);
  if (stop === 'answered') return;
  if (stop?.location !== undefined) {
    response.writeHead(303, { Location: stop.location }).end();
    return;
  }
  if (stop) {
    if (stop.retryAfter !== undefined) response.setHeader('Retry-After', String(stop.retryAfter));
    return answer(request, response, stop);
  }
  // This is where Next looks for the number its scripts must carry; what a client says there is its own business.
  headers['content-security-policy'] = guards['Content-Security-Policy'];
  headers['x-nonce'] = nonce;
  return handle(request, response);
}

// Whatever fails on the way, gate or page, is this request's fault and nobody else's.
const server = createServer((request, response) => {
  serve(request, response).catch((error) => {
    console.error(error instanceof Error ? `${error.name}: ${error.message}` : 'a fault without a name');
    if (response.headersSent) response.destroy();
    else answer(request, response, { status: 500, body: { error: 'fault', message: 'Something went wrong here.' } });
  });
});
server.on('clientError', (_error, socket) => {
  if (socket.writable) socket.end('HTTP/1.1 400 Bad Request\r\nConnection: close\r\n\r\n');
});
server.on('error', (error) => {
  console.error(`${hostname}:${port} cannot be served: ${error.message}`);
  process.exit(1);
});
server.listen(port, hostname, () => console.log(`Ready on http://${hostname}:${port}`));

for (const signal of ['SIGTERM', 'SIGINT'])
  process.once(signal, () => {
    server.close(() => process.exit(0));
    // Streams that stay open would keep it for ever.
    server.closeAllConnections();
    setTimeout(() => process.exit(0), 2000).unref();
  });
