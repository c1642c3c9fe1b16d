/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import type { GaugeReading, MeasuringPoint } from '@holotonos/core';
import { answered, fetchDouble, jobDouble, settle, type JobDouble } from './bench';

let job: JobDouble;
let devices = { connected: 1, places: 1, taken: 0, bad: 0, flooded: 0, lastProblem: '' };
let speak: (reading: GaugeReading) => void = () => undefined;
jest.unstable_mockModule('../../src/job/JobContext', () => ({ useJob: () => job }));
jest.unstable_mockModule('../../src/figure/useGauges', () => ({
  useGauges: (onReading: (reading: GaugeReading) => void) => {
    speak = onReading;
    return devices;
  },
}));
const { act, renderHook } = await import('@testing-library/react');
const { useFigure } = await import('../../src/figure/useFigure');

const gap = (clock: number): MeasuringPoint => ({ group: 'pad', part: 'e', measure: 'gap', clock });
const said = (change: Partial<GaugeReading> = {}): GaugeReading =>
  ({
    gauge: 'feeler-film',
    name: 'Feeler film set',
    kind: 'feeler',
    value: 0.03,
    unit: 'mm',
    shown: '0.03 mm',
    aim: null,
    ...change,
  }) as GaugeReading;

let fetched = fetchDouble(() => answered());
const realFetch = globalThis.fetch;
let focused = true;
beforeEach(() => {
  job = jobDouble();
  devices = { ...devices, connected: 1 };
  focused = true;
  localStorage.clear();
  fetched = fetchDouble(() => answered());
  globalThis.fetch = fetched.double;
  jest.spyOn(document, 'hasFocus').mockImplementation(() => focused);
});
afterEach(() => {
  globalThis.fetch = realFetch;
});

async function figure(first: MeasuringPoint | null) {
  const taken: MeasuringPoint[] = [];
  const focus = jest.fn();
  const field = { focus, value: '' };
  const input = { current: field as unknown as HTMLInputElement };
  let drawn = 0;
  const hook = renderHook(
    ({ point }) => {
      drawn += 1;
      return useFigure(point, input, (at) => taken.push(at));
    },
    { initialProps: { point: first } },
  );
  const draw = async (point: MeasuringPoint | null = first) => {
    hook.rerender({ point });
    await act(settle);
  };
  await act(settle);
  return {
    get now() {
      return hook.result.current;
    },
    get drawn() {
      return drawn;
    },
    taken,
    field,
    focus,
    draw,
    types: async (text: string) => {
      field.value = text;
      act(() => hook.result.current.edited());
      await act(settle);
    },
    does: async (work: (figure: ReturnType<typeof useFigure>) => unknown) => {
      act(() => void work(hook.result.current));
      await act(settle);
    },
    hears: async (reading: GaugeReading) => {
      act(() => speak(reading));
      await act(settle);
    },
  };
}
const readings = () =>
  job.written.filter(({ kind }) => kind === 'reading').map(({ body }) => body as Record<string, unknown>);
const aims = () =>
  fetched.asked.map(({ init }) => JSON.parse(String(init?.body)) as { token: string; point: { clock: number } });

describe('a figure that is typed', () => {
  test('is read in the unit of the job, written with its gauge, and the next point is asked for', async () => {
    const shown = await figure(gap(45));
    await shown.types(' 0,02 ');
    await shown.does((f) => f.take());
    expect(readings()).toMatchObject([{ point: gap(45), value: 0.02, typed: '0,02', gauge: { id: 'feeler-film' } }]);
    expect(shown.taken).toEqual([gap(45)]);
    expect([shown.field.value, shown.now.problem, shown.now.said]).toEqual(['', null, '0,02 taken']);
  });
  test('that is none is said, stays as it was typed, and the complaint goes with the next key', async () => {
    const shown = await figure(gap(45));
    await shown.types('much');
    await shown.does((f) => f.take());
    expect([readings(), shown.taken, shown.field.value]).toEqual([[], [], 'much']);
    expect(shown.now.problem).toBeTruthy();
    await shown.types('muc');
    expect(shown.now.problem).toBeNull();
  });
  test('draws nothing anew while it is typed, key by key', async () => {
    const shown = await figure(gap(45));
    const { drawn } = shown;
    for (const text of ['0', '0.', '0.0', '0.02']) await shown.types(text);
    expect([shown.drawn, shown.field.value]).toEqual([drawn, '0.02']);
    await shown.does((f) => f.take());
    expect(readings()).toMatchObject([{ value: 0.02 }]);
  });
  test('is not taken where nothing is asked, nor on a job that takes nothing', async () => {
    const idle = await figure(null);
    await idle.types('0.02');
    await idle.does((f) => f.take());
    const shut = await figure(gap(0));
    job.closed = true;
    await shut.types('0.02');
    await shut.does((f) => f.take());
    expect([readings(), shut.taken, shut.field.value]).toEqual([[], [], '0.02']);
  });
  test('is taken with the gauge that was chosen, for as long as the same is measured', async () => {
    const shown = await figure(gap(0));
    const other = shown.now.choices.find(({ id }) => id !== shown.now.gauge?.id);
    if (!other) throw new Error('there are two gauges for a gap');
    await shown.does((f) => f.setGauge(other.id));
    expect(shown.focus).toHaveBeenCalled();
    await shown.draw(gap(45));
    expect(shown.now.gauge?.id).toBe(other.id);
    await shown.draw({ group: 'spring', part: 'e-key', measure: 'force', clock: 0 } as MeasuringPoint);
    expect(shown.now.gauge?.id).not.toBe(other.id);
  });
});

describe('a device', () => {
  test('is pointed at what is asked, once, and again when something else is', async () => {
    const shown = await figure(gap(45));
    expect(fetched.asked.map(({ url, init }) => [url, init?.method])).toEqual([['/api/v1/gauges/aim', 'POST']]);
    expect(aims()[0]).toMatchObject({ ticket: 'T-1', point: gap(45) });
    expect(shown.now.aimed).toBe(aims()[0]?.token);
    await shown.draw({ ...gap(45) });
    expect(aims()).toHaveLength(1);
    await shown.draw(gap(90));
    expect(aims().map(({ point }) => point.clock)).toEqual([45, 90]);
    expect(shown.now.aimed).toBe(aims()[1]?.token);
  });
  test('that nobody hears is not pointed anywhere', async () => {
    devices = { ...devices, connected: 0 };
    const shown = await figure(gap(45));
    expect(aims()).toEqual([]);
    devices = { ...devices, connected: 1 };
    await shown.draw(gap(45));
    expect(aims()).toHaveLength(1);
    const idle = await figure(null);
    expect([aims().length, idle.now.aimed]).toEqual([1, '']);
  });
  test('answers for the point it was pointed at, once', async () => {
    const shown = await figure(gap(45));
    const token = aims()[0]?.token ?? null;
    await shown.hears(said({ aim: token }));
    expect(readings()).toMatchObject([{ point: gap(45), value: 0.03, typed: '0.03 mm' }]);
    expect(shown.now.said).toBe('0.03 mm taken');
    // A second press of the same aim answers a question that is answered.
    await shown.hears(said({ aim: token }));
    expect(readings()).toHaveLength(1);
    expect(shown.now.said).toMatch(/but for another place.*press again/);
  });
  test('at the same point again is pointed anew after each figure', async () => {
    const shown = await figure(gap(45));
    await shown.hears(said({ aim: aims()[0]?.token ?? null }));
    await shown.draw({ ...gap(45) });
    expect(aims()).toHaveLength(2);
    await shown.hears(said({ aim: aims()[1]?.token ?? null }));
    expect(readings()).toHaveLength(2);
  });
  test('is still heard when something else was written to the job meanwhile', async () => {
    const shown = await figure(gap(45));
    const [before] = aims();
    job.write('note', { text: 'from the other bench' });
    await shown.draw({ ...gap(45) });
    expect(aims()).toHaveLength(1);
    await shown.hears(said({ aim: before?.token ?? null }));
    expect(readings()).toHaveLength(1);
  });
  test('that was pointed by nobody is heard by the page in front only', async () => {
    const shown = await figure(gap(45));
    focused = false;
    await shown.hears(said());
    expect([readings(), shown.now.said]).toEqual([[], expect.stringMatching(/another place/)]);
    focused = true;
    await shown.hears(said());
    expect(readings()).toHaveLength(1);
  });
  test('that cannot read what is asked is not taken, and says so', async () => {
    const shown = await figure(gap(45));
    const { token = null } = aims()[0] ?? {};
    await shown.hears(said({ aim: token, unit: 'mL/min', shown: '3 mL/min', name: 'Leak tester' } as never));
    expect(shown.now.said).toBe('Leak tester says 3 mL/min, which is not what is asked here. It was not taken.');
    await shown.hears(said({ aim: token, gauge: 'stranger', kind: 'sundial', name: 'Sundial' } as never));
    expect(shown.now.said).toMatch(/^Sundial says .* not what is asked/);
    const idle = await figure(null);
    await idle.hears(said({ aim: token }));
    expect(idle.now.said).toMatch(/nothing is asked for/);
    expect(readings()).toEqual([]);
  });
  test('aims go out in order, and one that was overtaken is not sent', async () => {
    let answer: (response: Response) => void = () => undefined;
    fetched = fetchDouble(() => new Promise<Response>((done) => (answer = done)));
    globalThis.fetch = fetched.double;
    const shown = await figure(gap(0));
    await shown.draw(gap(45));
    await shown.draw(gap(90));
    expect([aims().length, shown.now.aimed]).toEqual([1, '']);
    answer(answered());
    await shown.draw(gap(90));
    expect(aims().map(({ point }) => point.clock)).toEqual([0, 90]);
    expect(shown.now.aimed).toBe('');
    answer(answered());
    await shown.draw(gap(90));
    expect(shown.now.aimed).toBe(aims()[1]?.token);
  });
  test('that still holds an earlier question is not pointed at the same point asked again', async () => {
    const shown = await figure(gap(135));
    const [before] = aims();
    expect(shown.now.aimed).toBe(before?.token);
    let answer: (response: Response) => void = () => undefined;
    fetched = fetchDouble(() => new Promise<Response>((done) => (answer = done)));
    globalThis.fetch = fetched.double;
    await shown.draw(gap(90));
    await shown.draw(gap(135));
    // Nothing has reached the device since: it would answer under the token of the first asking.
    expect(shown.now.aimed).toBe('');
    await shown.hears(said({ aim: before?.token ?? null }));
    expect(readings()).toEqual([]);
    answer(answered());
    await shown.draw(gap(135));
    expect([aims().at(-1)?.point.clock, shown.now.aimed]).toEqual([135, '']);
    answer(answered());
    await shown.draw(gap(135));
    expect(shown.now.aimed).toBe(aims().at(-1)?.token);
    await shown.hears(said({ aim: shown.now.aimed }));
    expect(readings()).toHaveLength(1);
  });
  test('is not known to be pointed when the server refuses or does not answer', async () => {
    for (const answer of [() => answered(503), () => Promise.reject(new TypeError('gone'))]) {
      fetched = fetchDouble(answer);
      globalThis.fetch = fetched.double;
      expect((await figure(gap(45))).now.aimed).toBe('');
    }
  });
});

describe('the air of the room', () => {
  test('is told by a device, kept in the browser, and written with figures of wood only', async () => {
    job = jobDouble({ instrument: 'oboe' });
    const point = { group: 'pad', part: job.type.holes[0]?.id ?? '', measure: 'gap', clock: 0 } as MeasuringPoint;
    const shown = await figure(point);
    expect(shown.now.asksAir).toBe(true);
    await shown.hears(said({ unit: '%', value: 48 } as never));
    await shown.hears(said({ unit: '°C', value: 19.5 } as never));
    expect(shown.now.air).toEqual({ humidity: 48, temperature: 19.5 });
    await shown.types('0.02');
    await shown.does((f) => f.take());
    expect(readings().at(-1)).toMatchObject({ humidity: 48, temperature: 19.5 });
    // Another page of this browser begins with it; metal does not ask.
    job = jobDouble();
    const metal = await figure(gap(0));
    expect([metal.now.asksAir, metal.now.air.humidity]).toEqual([false, 48]);
    await metal.types('0.02');
    await metal.does((f) => f.take());
    expect(readings().at(-1)).not.toHaveProperty('humidity');
  });
  test('a damaged note of it is no note', async () => {
    localStorage.setItem('holotonos-air', '{');
    expect((await figure(gap(0))).now.air).toEqual({ humidity: null, temperature: null });
  });
});
