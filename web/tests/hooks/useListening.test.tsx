/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { playedSound, type Blown } from '@holotonos/core';
import type { SteadyNote } from '@holotonos/core/listening';
import { act, cleanup, renderHook } from '@testing-library/react';
import { openMicrophone, useListening, type OpenSource } from '../../src/app/jobs/[ticket]/sound/_sound/useListening';

const rate = 48_000;
const sounds = (...notes: Blown[]) => playedSound(notes, { family: 'saxophone', rate, above: 30, seed: 7 });
const a4 = (more: Partial<Blown> = {}): Blown => ({ frequency: 440, seconds: 1.6, ...more });

/** A source that is opened when the test says so, and gives what the test hands it. */
function source() {
  let give: ((piece: Float32Array) => void) | null = null;
  let opened: () => void = () => undefined;
  let refused: (why: unknown) => void = () => undefined;
  const close = jest.fn();
  const open: OpenSource = (hear) => {
    give = hear;
    return new Promise((done, fail) => {
      opened = () => done({ rate, close });
      refused = fail;
    });
  };
  const settle = () => act(async () => new Promise((next) => setTimeout(next, 20)));
  return {
    open,
    close,
    answers: async () => {
      opened();
      await settle();
    },
    refuses: async (why: unknown) => {
      refused(why);
      await settle();
    },
    plays: (sound: Float32Array) =>
      act(() => {
        for (let at = 0; at < sound.length; at += 2048) give?.(sound.subarray(at, at + 2048));
      }),
  };
}

let notes: SteadyNote[];
let held: SteadyNote[];
beforeEach(() => {
  notes = [];
  held = [];
});
afterEach(cleanup);
const ears = (whole = false) =>
  renderHook(() => useListening((note) => notes.push(note), whole ? (note) => held.push(note) : undefined));

describe('listening', () => {
  test('each note that is held for a second is handed on once, with its pitch; a short one is not', async () => {
    const from = source();
    const { result } = ears();
    act(() => result.current.start(from.open));
    expect(result.current.on).toBe(false);
    await from.answers();
    expect(result.current.on).toBe(true);
    from.plays(sounds(a4(), a4({ frequency: 494, seconds: 0.6 }), a4({ frequency: 523.25 })));
    expect(notes.map(({ frequency }) => Math.round(frequency))).toEqual([440, 523]);
    // Silence after it: nothing is heard any more.
    from.plays(new Float32Array(rate));
    expect([result.current.hears, result.current.held]).toEqual([null, 0]);
  });
  test('the same note played again after a rest is another note', async () => {
    const from = source();
    const { result } = ears();
    act(() => result.current.start(from.open));
    await from.answers();
    from.plays(sounds(a4(), a4()));
    expect(notes).toHaveLength(2);
  });
  test('who asks for it is told of a note as long as it goes on, and so of a key that lifts after two seconds', async () => {
    const from = source();
    const { result } = ears(true);
    act(() => result.current.start(from.open));
    await from.answers();
    from.plays(sounds(a4({ seconds: 4, lifts: -15 })));
    expect(notes).toHaveLength(1);
    expect(Math.abs(notes[0]?.step ?? 99)).toBeLessThan(3);
    expect(held.length).toBeGreaterThan(20);
    expect(held.at(-1)?.step).toBeLessThan(-12);
    // The line that is drawn of it shows the same step.
    const { trace } = result.current;
    expect(trace.length).toBeGreaterThan(30);
    expect((trace.at(-1) ?? 0) - (trace[10] ?? 0)).toBeLessThan(-12);
  });
  test('what came in while the detector was being loaded is heard', async () => {
    const from = source();
    const { result } = ears();
    act(() => result.current.start(from.open));
    from.plays(sounds(a4()));
    expect(notes).toEqual([]);
    await from.answers();
    expect(notes).toHaveLength(1);
  });
});

describe('stopping', () => {
  test('closes the source, and what it still gives is not heard', async () => {
    const from = source();
    const { result } = ears();
    act(() => result.current.start(from.open));
    await from.answers();
    act(() => result.current.stop());
    expect(from.close).toHaveBeenCalledTimes(1);
    from.plays(sounds(a4()));
    expect([result.current.on, notes]).toEqual([false, []]);
  });
  test('before it is open closes it as soon as it is', async () => {
    const from = source();
    const { result } = ears();
    act(() => result.current.start(from.open));
    act(() => result.current.stop());
    expect(from.close).not.toHaveBeenCalled();
    await from.answers();
    expect([result.current.on, from.close.mock.calls.length]).toEqual([false, 1]);
  });
  test('leaving the page closes it, and another source closes the one before', async () => {
    const [one, other] = [source(), source()];
    const { result, unmount } = ears();
    act(() => result.current.start(one.open));
    await one.answers();
    act(() => result.current.start(other.open));
    expect(one.close).toHaveBeenCalledTimes(1);
    await other.answers();
    unmount();
    expect(other.close).toHaveBeenCalledTimes(1);
  });
});

describe('a source that cannot be opened is told in words', () => {
  test.each([
    ['NotAllowedError', /Allow the microphone, and press again/],
    ['NotFoundError', /no microphone at this machine/],
    ['AbortError', /could not be opened/],
  ])('%s', async (name, words) => {
    const from = source();
    const { result } = ears();
    act(() => result.current.start(from.open));
    await from.refuses(new DOMException('', name));
    expect(result.current.problem).toMatch(words);
    expect(result.current.on).toBe(false);
    // Pressed again, the words go.
    const again = source();
    act(() => result.current.start(again.open));
    expect(result.current.problem).toBeNull();
  });
  test('a page over a plain line from another machine has no microphone to ask for', async () => {
    expect('mediaDevices' in navigator).toBe(false);
    const { result } = ears();
    act(() => result.current.start(openMicrophone));
    await act(async () => new Promise((next) => setTimeout(next, 20)));
    expect(result.current.problem).toMatch(/no microphone/);
  });
  test('a microphone whose sound cannot be got at is let go again', async () => {
    const track = { stop: jest.fn() };
    const closed = jest.fn(() => Promise.resolve());
    Object.assign(navigator, {
      mediaDevices: { getUserMedia: () => Promise.resolve({ getTracks: () => [track] }) },
    });
    Object.assign(globalThis, {
      AudioContext: class {
        audioWorklet = { addModule: () => Promise.reject(new DOMException('', 'AbortError')) };
        close = closed;
      },
    });
    try {
      const { result } = ears();
      act(() => result.current.start(openMicrophone));
      await act(async () => new Promise((next) => setTimeout(next, 20)));
      expect([track.stop.mock.calls.length, closed.mock.calls.length]).toEqual([1, 1]);
      expect(result.current.problem).toMatch(/could not be opened/);
    } finally {
      Reflect.deleteProperty(navigator, 'mediaDevices');
      Reflect.deleteProperty(globalThis, 'AudioContext');
    }
  });
});
