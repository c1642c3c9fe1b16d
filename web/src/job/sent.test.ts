import { expect, test } from '@jest/globals';
import {
  foldJob,
  foldShop,
  judgeJob,
  shippedTypes,
  solveRim,
  type Answers,
  type Entry,
  type EntryKind,
  type RimInput,
} from '@holotonos/core';
import { foldOn, readAround, readEntries, sent } from './sent';

const when = '2026-11-23T09:00:00.000Z';
const entryOf = (ticket: string, seq: number, kind: EntryKind, body: object) =>
  ({
    id: `00000000-0000-4000-8000-${ticket === 'A' ? 'a' : 'b'}${String(seq).padStart(11, '0')}`,
    seq,
    kind,
    body,
    author: 'Juno Tam',
    benchTime: when,
    receivedAt: when,
  }) as unknown as Entry;
const logbook = (ticket: string): Entry[] => [
  entryOf(ticket, 1, 'intake', {
    ticket,
    owner: 'o, “[x]”',
    instrumentType: 'alto-saxophone',
    family: 'saxophone',
    practice: 'stage',
    scope: 'repair',
    unit: 'mm',
  }),
  ...['f', 'high-e'].flatMap((part, hole) =>
    [0, 45, 90, 180, 225, 315].map((clock, i) =>
      entryOf(ticket, 2 + hole * 6 + i, 'reading', {
        point: { group: 'rim', part, measure: 'height', clock },
        value: clock === 45 ? 0.12 : 0.01,
        gauge: { id: 'dial-indicator', name: 'Dial indicator', resolution: 0.002, maxPermissibleError: 0.003 },
      }),
    ),
  ),
];

test('a logbook that goes on has the entries it had, and the new ones after them, wherever it is cut', () => {
  const all = logbook('A');
  for (let cut = 1; cut <= all.length; cut += 1) {
    const before = readEntries(sent(all.slice(0, cut)));
    expect(before).toEqual(all.slice(0, cut));
    expect(readEntries(sent(all.slice(0, cut)))).toBe(before);
    const after = readEntries(sent(all));
    expect(after).toEqual(all);
    expect(before.every((entry, i) => after[i] === entry)).toBe(true);
    readEntries(sent([]));
  }
});
test('another logbook, a shorter one, and none are read for themselves', () => {
  const [first, second] = [logbook('A'), logbook('B')];
  const one = readEntries(sent(first));
  const other = readEntries(sent(second));
  expect(other).toEqual(second);
  expect(readEntries(sent(second.slice(0, 3)))).toEqual(second.slice(0, 3));
  expect(readEntries(sent([]))).toEqual([]);
  expect(readEntries(sent(first))).toEqual(one);
  // One that only begins like it goes its own way from there.
  const strayed = [...first.slice(0, 3), { ...first[3], benchTime: '2026-11-23T09:01:00.000Z' } as Entry];
  expect(readEntries(sent(strayed))).toEqual(strayed);
});
test('folding on tells the same as folding all, job by job, and leaves what was told before as it was', () => {
  const told: [number, ReturnType<typeof foldJob>][] = [];
  for (const ticket of ['A', 'B', 'A'])
    for (const cut of [1, 4, 4, 9, 2, 13]) {
      const entries = readEntries(sent(logbook(ticket).slice(0, cut)));
      const state = foldOn(entries);
      const whole = foldJob(logbook(ticket).slice(0, cut));
      expect([ticket, cut, state.points.size]).toEqual([ticket, cut, cut - 1]);
      expect(state).toEqual(whole);
      told.push([cut, state]);
    }
  for (const [cut, state] of told) expect(state.entries).toHaveLength(cut);
});
test('what was judged of a logbook is not judged again when it goes on', () => {
  const by = {};
  const asked = (cut: number) => {
    const state = foldOn(readEntries(sent(logbook('A').slice(0, cut))));
    if (!state.instrument) throw new Error('the intake names an instrument');
    const rims: RimInput[] = [];
    const rim = (input: RimInput) => {
      rims.push(input);
      return solveRim(input);
    };
    judgeJob(state, state.instrument, { by, rim } as unknown as Answers);
    return rims.length;
  };
  expect(asked(7)).toBe(1);
  expect(asked(7)).toBe(0);
  // The other hole is judged, this one is known.
  expect(asked(13)).toBe(1);
  readEntries(sent([]));
  expect(asked(13)).toBe(2);
});
test('what a page knows beside the job comes as it was, and the same text is the same value', () => {
  const around = {
    types: shippedTypes.slice(0, 1),
    shop: foldShop([]),
    learned: { 'cut-pads': { factor: 1.2 } as never },
  };
  const read = readAround(sent(around));
  expect(read).toEqual(JSON.parse(JSON.stringify(around)));
  expect(readAround(sent(around))).toBe(read);
  expect(readAround(sent({ ...around, learned: {} })).learned).toEqual({});
});
