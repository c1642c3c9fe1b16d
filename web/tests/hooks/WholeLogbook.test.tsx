/** @jest-environment jsdom */
import { afterEach, describe, expect, test } from '@jest/globals';
import type { Entry } from '@holotonos/core';
import { fetchDouble, settle } from './bench';

const { act, cleanup, fireEvent, render, screen } = await import('@testing-library/react');
const { WholeLogbook } = await import('../../src/job/WholeLogbook');

const entries = Array.from({ length: 25 }, (_, i) => ({ seq: i + 1 }) as Entry);
const real = globalThis.fetch;
afterEach(() => {
  cleanup();
  globalThis.fetch = real;
});
/** The server, ten entries a part; fails as often as it is told. */
function server(failures: Response[] = []) {
  const { asked, double } = fetchDouble((url) => {
    const failure = failures.shift();
    if (failure) return failure;
    const after = Number(/after=(\d+)/.exec(url)?.[1]);
    const part = entries.slice(after, after + 10);
    return { ok: true, json: () => Promise.resolve({ entries: part }) } as unknown as Response;
  });
  globalThis.fetch = double;
  return asked;
}
let drawn: number[] = [];
const shown = (first: Entry[], total: number) => {
  drawn = [];
  return render(
    <WholeLogbook ticket="LL 1/2" first={first} total={total}>
      {(all) => {
        drawn.push(all.length);
        return <p>whole with {all.length}</p>;
      }}
    </WholeLogbook>,
  );
};
const text = () => document.body.textContent ?? '';

describe('a logbook', () => {
  test('that came whole is shown at once, and nothing is asked', () => {
    const asked = server();
    shown(entries, entries.length);
    expect([text(), asked]).toEqual(['whole with 25', []]);
  });
  test('that is longer is fetched in parts, in order, and nothing is shown of half of it', async () => {
    const asked = server();
    shown(entries.slice(0, 4), 25);
    expect(text()).toContain('Reading the logbook: 4 of 25 entries');
    expect(screen.getByRole('progressbar').getAttribute('value')).toBe('4');
    for (let part = 0; part < 3; part += 1) await act(settle);
    expect(text()).toBe('whole with 25');
    // Never with a part of it.
    expect(drawn).toEqual([25]);
    expect(asked.map(({ url }) => url)).toEqual([
      '/api/v1/jobs/LL%201%2F2/entries?after=4',
      '/api/v1/jobs/LL%201%2F2/entries?after=14',
      '/api/v1/jobs/LL%201%2F2/entries?after=24',
    ]);
  });
  test('whose rest does not come says so, keeps what there is, and goes on when asked', async () => {
    const failure = {
      ok: false,
      json: () => Promise.resolve({ message: 'The database does not answer.' }),
    } as unknown as Response;
    const empty = { ok: true, json: () => Promise.resolve({ entries: [] }) } as unknown as Response;
    const asked = server([failure, empty]);
    shown(entries.slice(0, 14), 25);
    await act(settle);
    expect(screen.getByRole('alert').textContent).toBe('The database does not answer.');
    await act(settle);
    expect(asked).toHaveLength(1);
    fireEvent.click(screen.getByRole('button', { name: 'Go on reading' }));
    await act(settle);
    expect(screen.getByRole('alert').textContent).toBe('The rest of it did not come.');
    fireEvent.click(screen.getByRole('button', { name: 'Go on reading' }));
    await act(settle);
    await act(settle);
    expect(text()).toBe('whole with 25');
  });
  test('that is left while it is read asks for no more', async () => {
    const asked = server();
    const { unmount } = shown(entries.slice(0, 1), 25);
    unmount();
    await act(settle);
    expect(asked).toHaveLength(1);
  });
});
