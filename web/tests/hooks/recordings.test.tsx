/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import {
  applyOptions,
  compassOf,
  hiddenInstrument,
  instrumentType,
  pitchesOf,
  playedSound,
  type InstrumentType,
} from '@holotonos/core';
import { Listener, notesIn, type SteadyNote } from '@holotonos/core/listening';

const rate = 48_000;
/** What the thread of the page does with a recording; the test says how it ends. */
let thread: (samples: Float32Array, at: number, tell: (part: number) => void) => Promise<SteadyNote[] | null>;
const stopped = jest.fn();
jest.unstable_mockModule('../../src/workers/solverThread', () => ({
  solverThread: () => ({
    solver: {
      notesIn: (...asked: Parameters<typeof thread>) => thread(...asked),
      stop: (name: string) => Promise.resolve(stopped(name)),
    },
  }),
}));
jest.unstable_mockModule('comlink', () => ({ proxy: <T,>(call: T) => call }));
const { act, cleanup, renderHook } = await import('@testing-library/react');
const { useRecording } = await import('../../src/app/jobs/[ticket]/sound/_sound/useRecording');
const { openPlayer } = await import('../../src/app/jobs/[ticket]/sound/_sound/openPlayer');

const scale = playedSound(
  [440, 494].map((frequency) => ({ frequency, seconds: 0.9 })),
  { family: 'oboe', rate, above: 30, seed: 4 },
);
/** What a browser makes of a file: the sound, or nothing it knows. */
let decoded: Float32Array | null;
const fileOf = () =>
  Object.assign(new File([new Uint8Array(8)], 'scale.wav'), {
    arrayBuffer: () => Promise.resolve(new ArrayBuffer(8)),
  });

beforeEach(() => {
  decoded = scale;
  stopped.mockClear();
  thread = (samples, at) => {
    const steps = notesIn(samples, at);
    for (;;) {
      const step = steps.next();
      if (step.done) return Promise.resolve(step.value);
    }
  };
  Object.assign(globalThis, {
    OfflineAudioContext: class {
      decodeAudioData = () =>
        decoded
          ? Promise.resolve({ getChannelData: () => decoded, sampleRate: rate })
          : Promise.reject(new DOMException('', 'EncodingError'));
    },
  });
});
afterEach(() => {
  cleanup();
  Reflect.deleteProperty(globalThis, 'OfflineAudioContext');
});

describe('a recording', () => {
  const taken = async (file = fileOf()) => {
    const shown = renderHook(() => useRecording());
    await act(async () => {
      shown.result.current.take(file);
      await new Promise((next) => setTimeout(next, 300));
    });
    return shown;
  };
  test('is gone through, and its notes are there to be taken; then it can be put away', async () => {
    const { result } = await taken();
    expect(result.current.notes?.map(({ frequency }) => Math.round(frequency))).toEqual([440, 494]);
    expect([result.current.name, result.current.progress, result.current.problem]).toEqual(['scale.wav', null, null]);
    act(() => result.current.clear());
    expect(result.current.notes).toBeNull();
  });
  test('that no browser knows is said by its name', async () => {
    decoded = null;
    const { result } = await taken();
    expect([result.current.notes, result.current.progress]).toEqual([null, null]);
    expect(result.current.problem).toMatch(/^scale\.wav is no recording this browser can read/);
  });
  test('in which nothing is held says so', async () => {
    decoded = new Float32Array(rate);
    const { result } = await taken();
    expect(result.current.problem).toMatch(/Nothing in scale\.wav is held/);
  });
  test('shows how far it has come, and can be stopped; nothing is taken of it', async () => {
    let end: (notes: null) => void = () => undefined;
    thread = (_samples, _at, tell) => {
      tell(0.4);
      return new Promise((done) => {
        end = done;
      });
    };
    const { result } = await taken();
    expect(result.current.progress).toBe(0.4);
    act(() => result.current.stop());
    expect(stopped).toHaveBeenCalledWith('notesIn');
    await act(async () => {
      end(null);
      await Promise.resolve();
    });
    expect([result.current.progress, result.current.notes]).toEqual([null, null]);
    expect(result.current.problem).toMatch(/Stopped\. Nothing was taken/);
  });
  test('of more than a quarter of an hour is refused before anything is read', async () => {
    const large = fileOf();
    Object.defineProperty(large, 'size', { value: 91 * 1024 * 1024 });
    const { result } = await taken(large);
    expect(result.current.problem).toMatch(/more than a quarter of an hour/);
    expect(result.current.progress).toBeNull();
  });
});

test('the stand-in player blows what is asked, as the hidden instrument has it, and falls silent when it is shut off', async () => {
  const type = applyOptions(instrumentType('oboe') as InstrumentType, []);
  const compass = compassOf(type);
  const wanted = ['a4-1', 'b4-1'].map((id) => compass.find((note) => note.id === id) ?? null);
  const truth = pitchesOf(type, hiddenInstrument('LL-202', type));
  const listener = new Listener(rate);
  const heard: number[] = [];
  let asked = 0;
  jest.useFakeTimers();
  try {
    const source = await openPlayer(
      'LL-202',
      type,
      () => wanted[asked] ?? null,
    )((piece) => {
      for (const { ended } of listener.take(piece)) if (ended) heard.push(ended.frequency);
    });
    expect(source.rate).toBe(rate);
    for (asked = 0; asked < wanted.length; asked += 1) jest.advanceTimersByTime(1600);
    // Nothing is asked any more: silence, and then not even that.
    jest.advanceTimersByTime(1600);
    const before = heard.length;
    source.close();
    jest.advanceTimersByTime(5000);
    expect(heard).toHaveLength(before);
  } finally {
    jest.useRealTimers();
  }
  const [a, b] = [heard[0] ?? 0, heard.at(-1) ?? 0];
  const centsOf = (frequency: number, i: number) => 1200 * Math.log2(frequency / (wanted[i]?.near ?? 1));
  expect(Math.abs(centsOf(a, 0) - (truth.get('a4-1') ?? 99))).toBeLessThan(1.5);
  expect(Math.abs(centsOf(b, 1) - (truth.get('b4-1') ?? 99))).toBeLessThan(1.5);
});
