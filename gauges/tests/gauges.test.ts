import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { connect, type Socket } from 'node:net';
import { createInterface } from 'node:readline';
import { instrumentType, readGaugeLine, solveSeat, type InstrumentType, type MeasuringPoint } from '@holotonos/core';
import { serveGauges, type Gauges } from '../src';

const sax = instrumentType('alto-saxophone') as InstrumentType;
let gauges: Gauges;
let socket: Socket;
const heard: string[] = [];
beforeAll(async () => {
  gauges = await serveGauges({ line: 0, page: 0 }, 3);
  socket = connect(gauges.linePort, '127.0.0.1');
  createInterface({ input: socket }).on('line', (line) => heard.push(line));
  await new Promise((done) => socket.once('connect', done));
});
afterAll(async () => {
  socket.destroy();
  await gauges.close();
});

const press = async (gauge: string, action = 'send', value?: number, site?: string) => {
  const response = await fetch(`http://127.0.0.1:${gauges.pagePort}/press`, {
    method: 'POST',
    body: JSON.stringify({ gauge, action, value }),
    ...(site !== undefined && { headers: { 'Sec-Fetch-Site': site } }),
  });
  return { status: response.status, ...((await response.json()) as { said?: string; message?: string }) };
};
const state = async () =>
  (await (await fetch(`http://127.0.0.1:${gauges.pagePort}/state`)).json()) as {
    aim: object | null;
    gauges: { gauge: string; fits: boolean; plugged: boolean }[];
  };
const until = async (holds: () => boolean | Promise<boolean>) => {
  for (let tries = 0; tries < 200 && !(await holds()); tries += 1) await new Promise((wait) => setTimeout(wait, 25));
};
const aimAt = async (point: MeasuringPoint, token = 't') => {
  socket.write(`${JSON.stringify({ aim: { token, ticket: 'LL-201', type: sax, point } })}\n`);
  await until(async () => JSON.stringify((await state()).aim).includes(`"clock":${point.clock}`));
};
const gap = (clock: number): MeasuringPoint => ({ group: 'pad', part: 'e', measure: 'gap', clock });

describe('the stand-in gauges', () => {
  test('say nothing of a place nobody asked for', async () => {
    const answer = await press('feeler-film');
    expect(answer.status).toBe(400);
    expect(answer.message).toMatch(/asks for nothing yet/);
  });
  test('read the hidden instrument with their own noise, and repeat the aim', async () => {
    const gaps = [];
    for (const clock of [0, 45, 90, 135, 180, 225, 270, 315]) {
      await aimAt(gap(clock), `t${clock}`);
      const from = heard.length;
      await press('feeler-fine');
      await until(() => heard.length > from);
      const read = readGaugeLine(heard.at(-1) ?? '');
      if (!read.ok) throw new Error(read.problem);
      expect(read.reading).toMatchObject({ gauge: 'feeler-fine', unit: 'mm', aim: `t${clock}` });
      gaps.push({ clock, gap: read.reading.value });
    }
    // The pad of E lies over the crooked rim of the demo: it opens at two opposite sides.
    const pad = sax.pads.find(({ hole }) => hole === 'e');
    const seat = solveSeat({
      gaps,
      padDiameter: pad?.diameter ?? 0,
      axisDistance: pad?.axisDistance ?? 0,
      limits: { gap: 0.03 },
    });
    expect(seat.picture).toBe('saddle');
  });
  test('a gauge that cannot read what is asked says so; a figure can be given by hand', async () => {
    await aimAt(gap(90), 'x');
    expect((await press('leak-tester')).message).toMatch(/cannot read this/);
    const from = heard.length;
    expect((await press('feeler-film', 'send', 0.07)).status).toBe(200);
    await until(() => heard.length > from);
    expect(readGaugeLine(heard.at(-1) ?? '')).toMatchObject({ reading: { value: 0.07, aim: 'x' } });
    expect((await state()).gauges.find(({ gauge }) => gauge === 'leak-tester')?.fits).toBe(false);
  });
  test('the hygrometer reads the room, whatever is asked', async () => {
    const from = heard.length;
    await press('hygrometer');
    await until(() => heard.length >= from + 2);
    const units = heard.slice(from).map((line) => {
      const read = readGaugeLine(line);
      return read.ok ? read.reading.unit : read.problem;
    });
    expect(units.sort()).toEqual(['%', '°C']);
  });
  test('can be unplugged, send rubbish, and flood', async () => {
    expect((await press('caliper', 'unplug')).said).toMatch(/is unplugged/);
    expect((await press('caliper')).message).toMatch(/is unplugged/);
    expect((await press('caliper', 'unplug')).said).toMatch(/is plugged in/);
    const from = heard.length;
    await press('caliper', 'garbage');
    await until(() => heard.length > from);
    expect(readGaugeLine(heard.at(-1) ?? '')).toEqual({ ok: false, problem: 'is not JSON' });
    const before = heard.length;
    await press('feeler-film', 'flood');
    await until(() => heard.length - before >= 500);
    expect(heard.length - before).toBeGreaterThanOrEqual(500);
  });
  test('rubbish on the page and up the line is answered or passed over, never fallen over', async () => {
    socket.write('what\n{"aim":7\n');
    expect((await press('no-such')).message).toMatch(/There is no stand-in/);
    expect((await press('feeler-film', 'send', undefined, 'cross-site')).status).toBe(403);
    const response = await fetch(`http://127.0.0.1:${gauges.pagePort}/press`, { method: 'POST', body: '{' });
    expect(response.status).toBe(400);
    expect((await fetch(`http://127.0.0.1:${gauges.pagePort}/nothing`)).status).toBe(404);
    expect(await (await fetch(`http://127.0.0.1:${gauges.pagePort}/`)).text()).toContain('Stand-in gauges');
  });
});
