import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import { setTimeout as pause } from 'node:timers/promises';
import type { GaugeAim, GaugeEvent, getGaugeHub } from '../src/server/gaugeHub';
import { until } from './until';

interface Device {
  place: string;
  opened: number;
  closed: number;
  heard: { onLine: (line: string) => void; onUp: (is: boolean) => void } | null;
  aims: GaugeAim[];
}
const devices: Device[] = [];
jest.unstable_mockModule('../src/server/gaugeAdapter', () => ({
  lineAdapter: (place: string) => {
    const device: Device = { place, opened: 0, closed: 0, heard: null, aims: [] };
    devices.push(device);
    return {
      open: (heard: NonNullable<Device['heard']>) => {
        device.opened += 1;
        device.heard = heard;
        return () => {
          device.closed += 1;
        };
      },
      aim: (aim: GaugeAim) => void device.aims.push(aim),
    };
  },
}));

const announced: unknown[] = [];
const hearing: { on?: (aimed: object) => void } = {};
jest.unstable_mockModule('@holotonos/store', () => ({
  announceAim: (_db: unknown, aimed: unknown) => Promise.resolve(announced.push(aimed)),
  faultLine: String,
}));
jest.unstable_mockModule('../src/server/store', () => ({
  getDb: () => null,
  onAimed: (hear: (aimed: object) => void) => {
    hearing.on = hear;
  },
}));
jest.unstable_mockModule('../src/server/jobs', () => ({
  loadJob: (ticket: string) => Promise.resolve(ticket === 'LL-1' ? { ticket, type: 'its type' } : null),
}));

let heard: GaugeEvent[] = [];
let hub: ReturnType<typeof getGaugeHub>;
const states = () => heard.flatMap((event) => (event.event === 'state' ? [event.data] : []));
const device = (i: number) => devices[i] as Device;
beforeEach(async () => {
  jest.useFakeTimers();
  heard = [];
  devices.length = 0;
  delete (globalThis as { holotonosGauges?: unknown }).holotonosGauges;
  process.env.HOLOTONOS_GAUGES = ' 127.0.0.1:1, ,127.0.0.1:2 ';
  hub = (await import('../src/server/gaugeHub')).getGaugeHub();
});
afterEach(() => {
  jest.useRealTimers();
  delete process.env.HOLOTONOS_GAUGES;
});

test('every place that is named is a device, opened when somebody listens and not before', () => {
  expect(devices.map(({ place, opened }) => [place, opened])).toEqual([
    ['127.0.0.1:1', 0],
    ['127.0.0.1:2', 0],
  ]);
  const leave = [hub.listen((event) => heard.push(event)), hub.listen(() => undefined)];
  expect(devices.map(({ opened }) => opened)).toEqual([1, 1]);
  expect(states()).toEqual([expect.objectContaining({ connected: 0, places: 2 })]);
  leave.forEach((go) => go());
});

test('who is there is told at most four times a second, however fast lines come', () => {
  const leave = hub.listen((event) => heard.push(event));
  device(0).heard?.onUp(true);
  device(1).heard?.onUp(true);
  device(1).heard?.onUp(false);
  for (let i = 0; i < 50; i += 1) device(0).heard?.onLine('rubbish');
  expect(states()).toHaveLength(1);
  jest.advanceTimersByTime(249);
  expect(states()).toHaveLength(1);
  jest.advanceTimersByTime(1);
  expect(states()).toHaveLength(2);
  expect(states()[1]).toMatchObject({ connected: 1, places: 2 });
  jest.advanceTimersByTime(1000);
  expect(states()).toHaveLength(2);
  leave();
});

test('devices are let go five seconds after the last has left; who comes before keeps them', () => {
  hub.listen(() => undefined)();
  jest.advanceTimersByTime(4999);
  expect(device(0).closed).toBe(0);
  const leave = hub.listen((event) => heard.push(event));
  jest.advanceTimersByTime(60_000);
  expect([device(0).opened, device(0).closed]).toEqual([1, 0]);
  device(0).heard?.onUp(true);
  leave();
  jest.advanceTimersByTime(5000);
  expect(devices.map(({ closed }) => closed)).toEqual([1, 1]);
  hub.listen((event) => heard.push(event))();
  expect(device(0).opened).toBe(2);
  expect(states().at(-1)?.connected).toBe(0);
});

test('every device is told where it is aimed', () => {
  const aim = { token: 't', ticket: 'LL-1' } as GaugeAim;
  hub.aim(aim);
  expect(devices.map(({ aims }) => aims)).toEqual([[aim], [aim]]);
});

test('an aim is announced, and one announced elsewhere is passed on once', async () => {
  jest.useRealTimers();
  const { aimGauges } = await import('../src/server/gaugeHub');
  const own = { token: 'mine', ticket: 'LL-1', type: 'as asked', point: { part: 'g' } } as unknown as GaugeAim;
  await aimGauges(own);
  expect(announced).toEqual([{ token: 'mine', ticket: 'LL-1', point: { part: 'g' } }]);
  hearing.on?.({ token: 'mine', ticket: 'LL-1', point: {} });
  hearing.on?.({ token: 'theirs', ticket: 'LL-1', point: { part: 'e' } });
  hearing.on?.({ token: 'lost', ticket: 'LL-404', point: {} });
  await until(() => device(0).aims.length >= 2);
  await pause(20);
  for (const { aims } of devices)
    expect(aims).toEqual([own, { token: 'theirs', ticket: 'LL-1', type: 'its type', point: { part: 'e' } }]);
});
