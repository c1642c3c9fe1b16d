/** What the server says of a file while it takes it, line by line, and at last. */
export interface FileLine {
  doing?: 'waiting' | 'checking' | 'writing';
  /** how many files go first, this one included */
  place?: number;
  rows?: number;
  /** of the last line */
  status?: string;
  message?: string;
  problems?: { path: string; message: string }[];
}

export const noAnswer = 'The server does not answer. Nothing was taken; try again in a moment.';

/** The lines of a streamed answer, as they come. */
async function* linesOf(response: Response): AsyncGenerator<string> {
  const reader = response.body?.pipeThrough(new TextDecoderStream()).getReader();
  let pending = '';
  for (;;) {
    const piece = await reader?.read();
    if (!piece || piece.done) break;
    const lines = (pending + piece.value).split('\n');
    pending = lines.pop() ?? '';
    yield* lines;
  }
  yield pending;
}

/**
 * Sends a file that the server takes whole or not at all, and gives what came of it. Never throws: that nobody answered is
 * an outcome too.
 *
 * @param type what the file is sent as, whatever this machine takes it for
 * @param onLine is told how far it is, where the server says so
 */
export async function sendFile<T extends object>(
  url: string,
  file: Blob,
  type: string,
  { signal, onLine }: { signal?: AbortSignal; onLine?: (line: FileLine) => void } = {},
): Promise<{ ok: true; answer: T } | { ok: false; lines: string[] }> {
  try {
    const response = await fetch(url, {
      method: 'POST',
      headers: { 'Accept': 'application/x-ndjson, application/json', 'Content-Type': type },
      body: file,
      ...(signal && { signal }),
    });
    let last: FileLine = { message: noAnswer };
    for await (const text of linesOf(response)) {
      if (text === '') continue;
      const line = JSON.parse(text) as FileLine;
      if (line.doing) onLine?.(line);
      else last = line;
    }
    if (response.ok && (last.status ?? 'stored') === 'stored' && last.message !== noAnswer)
      return { ok: true, answer: last as T };
    const problems = last.problems?.map(({ path, message }) => `${path || 'The file'}: ${message}`);
    return { ok: false, lines: problems ?? [last.message ?? 'It was refused.'] };
  } catch {
    return { ok: false, lines: [signal?.aborted ? 'Stopped as asked.' : noAnswer] };
  }
}

/** How far a file is, in words. */
export const progressWords = ({ doing, place = 1, rows = 0 }: FileLine): string =>
  doing === 'waiting'
    ? `Waiting: number ${place} in the queue`
    : `${doing === 'writing' ? 'Writing' : 'Checking'}: ${rows} rows`;
