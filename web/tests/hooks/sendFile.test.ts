import { afterEach, describe, expect, test } from '@jest/globals';
import { progressWords, sendFile, type FileLine } from '../../src/files/sendFile';
import { fetchDouble } from './bench';

const real = globalThis.fetch;
afterEach(() => {
  globalThis.fetch = real;
});
const sends = async (answer: () => Response | Promise<Response>, signal?: AbortSignal) => {
  const { asked, double } = fetchDouble(answer);
  globalThis.fetch = double;
  const heard: FileLine[] = [];
  const outcome = await sendFile<{ added: number }>('/there', new Blob(['x'], { type: 'text/plain' }), 'text/csv', {
    onLine: (line) => heard.push(line),
    ...(signal && { signal }),
  });
  return { outcome, heard, asked };
};
const streamed = (...pieces: string[]) =>
  new Response(
    new ReadableStream({
      start(controller) {
        for (const piece of pieces) controller.enqueue(new TextEncoder().encode(piece));
        controller.close();
      },
    }),
    { headers: { 'Content-Type': 'application/x-ndjson' } },
  );

describe('a file that is sent', () => {
  test('goes out as what it is said to be, and asks for lines', async () => {
    const { asked, outcome } = await sends(() => Response.json({ added: 3 }));
    expect(asked[0]).toMatchObject({
      url: '/there',
      init: {
        method: 'POST',
        headers: { 'Accept': 'application/x-ndjson, application/json', 'Content-Type': 'text/csv' },
      },
    });
    expect(outcome).toEqual({ ok: true, answer: { added: 3 } });
  });
  test('is followed line by line, however the lines are cut; the last is the outcome', async () => {
    const { heard, outcome } = await sends(() =>
      streamed(
        '{"doing":"waiting","place":2}\n{"doing":"chec',
        'king","rows":500}\n',
        '\n{"status":"stored","added":7}\n',
      ),
    );
    expect(heard).toEqual([
      { doing: 'waiting', place: 2 },
      { doing: 'checking', rows: 500 },
    ]);
    expect(outcome).toEqual({ ok: true, answer: { status: 'stored', added: 7 } });
  });
  test.each([
    [
      () =>
        streamed(
          '{"status":"refused","problems":[{"path":"line 4","message":"is bad"},{"path":"","message":"is worse"}]}',
        ),
      ['line 4: is bad', 'The file: is worse'],
    ],
    [() => streamed('{"status":"failed","message":"reference 12"}\n'), ['reference 12']],
    [() => Response.json({ message: 'Too many wait.' }, { status: 429 }), ['Too many wait.']],
    [() => Response.json({}, { status: 400 }), ['It was refused.']],
    [() => streamed(), [expect.stringMatching(/does not answer/)]],
    [() => streamed('{"doing":"checking","rows":1}\n'), [expect.stringMatching(/does not answer/)]],
    [() => streamed('{"status":"sto'), [expect.stringMatching(/does not answer/)]],
    [() => Promise.reject(new TypeError('gone')), [expect.stringMatching(/does not answer.*Nothing was taken/)]],
  ])('is not taken: %#', async (answer, lines) => {
    expect((await sends(answer as () => Response)).outcome).toEqual({ ok: false, lines });
  });
  test('is stopped when asked', async () => {
    const stop = new AbortController();
    stop.abort();
    const { outcome } = await sends(() => Promise.reject(new DOMException('x', 'AbortError')), stop.signal);
    expect(outcome).toEqual({ ok: false, lines: ['Stopped as asked.'] });
  });
});

test('how far it is, in words', () => {
  expect(progressWords({ doing: 'waiting', place: 3 })).toBe('Waiting: number 3 in the queue');
  expect(progressWords({ doing: 'checking', rows: 500 })).toBe('Checking: 500 rows');
  expect(progressWords({ doing: 'writing', rows: 1000 })).toBe('Writing: 1000 rows');
});
