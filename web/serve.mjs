// The web process: Next behind the one door where what is no request is refused. node web/serve.mjs PORT
import { createServer } from 'node:http';
import { dirname } from 'node:path';
import { fileURLToPath } from 'node:url';
import next from 'next';
import { refusalOf } from './edge.mjs';

const port = Number(process.argv[2] ?? 4600);
const hostname = '127.0.0.1';
const app = next({ dev: false, dir: dirname(fileURLToPath(import.meta.url)), hostname, port });
await app.prepare();
const handle = app.getRequestHandler();

/** Answers in words; what still comes of the body is let run out, so that the answer is read. */
function answer(request, response, { status, body }) {
  request.resume();
  response.writeHead(status, { 'Content-Type': 'application/json', 'X-Content-Type-Options': 'nosniff' });
  response.end(JSON.stringify(body));
}

const server = createServer((request, response) => {
  const refusal = refusalOf({ method: request.method ?? '', url: request.url ?? '' });
  if (refusal) return answer(request, response, refusal);
  handle(request, response).catch((error) => {
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
