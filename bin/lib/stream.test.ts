import { expect, jest, test } from '@jest/globals';
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { resolve } from 'node:path';

jest.setTimeout(120_000);
const cli = resolve(import.meta.dirname, '../holotonos');

test('100 000 documents pass through as a stream, in order, in a heap too small to hold them', async () => {
  const child = spawn(process.execPath, [cli, 'solve', 'conformity', '--lines'], {
    // The documents and their answers weigh some 40 MB; what runs here needs about 30 MB by itself.
    env: { ...process.env, NODE_OPTIONS: '--max-old-space-size=64' },
    stdio: ['pipe', 'pipe', 'inherit'],
  });
  const count = 100_000;
  let lines = 0;
  let wrong = 0;
  let rest = '';
  child.stdout.setEncoding('utf8');
  child.stdout.on('data', (piece: string) => {
    const parts = (rest + piece).split('\n');
    rest = parts.pop() ?? '';
    for (const part of parts) {
      // Every reading is its own line number, so an answer out of its place shows.
      if ((JSON.parse(part) as { mean: number }).mean !== lines) wrong += 1;
      lines += 1;
    }
  });
  const ended = once(child, 'exit');
  for (let i = 0; i < count; i += 1) {
    const document = { readings: [i], gauge: { resolution: 0.01, maxPermissibleError: 0.02 }, limits: { upper: 5 } };
    if (!child.stdin.write(`${JSON.stringify(document)}\n`)) await once(child.stdin, 'drain');
  }
  child.stdin.end();
  const [code] = (await ended) as [number];
  expect([code, lines, wrong]).toEqual([0, count, 0]);
});
