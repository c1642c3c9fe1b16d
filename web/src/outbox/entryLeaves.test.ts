import { expect, test } from '@jest/globals';
import type { NewEntry } from '@holotonos/core';
import { entryFrom, leavesOf } from './entryLeaves';

const reading = {
  id: '00000000-0000-4000-8000-000000000001',
  kind: 'reading',
  author: 'Juno Tam',
  benchTime: '2026-11-23T09:00:00.000Z',
  body: {
    point: { group: 'pad', part: 'e', measure: 'gap', clock: 45 },
    value: 0.04,
    typed: '0.04',
    gauge: { id: 'feeler', name: 'Feeler', resolution: 0.01, maxPermissibleError: 0.004 },
  },
} as NewEntry;

test('every text and figure of an entry can be typed anew, by where it stands', () => {
  expect(leavesOf(reading).map(({ label, text, kind }) => `${label} = ${text} (${kind})`)).toEqual([
    'author = Juno Tam (text)',
    'bench time = 2026-11-23T09:00:00.000Z (text)',
    'point › group = pad (text)',
    'point › part = e (text)',
    'point › measure = gap (text)',
    'point › clock = 45 (figure)',
    'value = 0.04 (figure)',
    'typed = 0.04 (text)',
    'gauge › id = feeler (text)',
    'gauge › name = Feeler (text)',
    'gauge › resolution = 0.01 (figure)',
    'gauge › max permissible error = 0.004 (figure)',
  ]);
});
test('what is typed takes the place of what was, under another id; the rest stays', () => {
  const texts = leavesOf(reading).map(({ text }) => text);
  texts[0] = 'Perrin Oake';
  texts[6] = '−0,05';
  const changed = entryFrom(reading, texts, 'new');
  expect(changed).toEqual({ ...reading, id: 'new', author: 'Perrin Oake', body: { ...reading.body, value: -0.05 } });
  expect((reading.body as { value: number }).value).toBe(0.04);
});
test('a figure that is none is named', () => {
  const texts = leavesOf(reading).map(({ text }) => text);
  texts[5] = 'front';
  expect(entryFrom(reading, texts, 'new')).toEqual({ notAFigure: 'point › clock' });
});
test('ids that join entries are left alone, lists are walked', () => {
  const done = {
    ...reading,
    kind: 'operation-done',
    body: {
      operation: 'x',
      title: 'X',
      minutes: 5,
      disturbs: ['pad:*', 'rim:e'],
      cures: ['00000000-0000-4000-8000-000000000002'],
    },
  } as NewEntry;
  const leaves = leavesOf(done);
  expect(leaves.map(({ label }) => label)).toEqual([
    'author',
    'bench time',
    'operation',
    'title',
    'minutes',
    'disturbs › 0',
    'disturbs › 1',
  ]);
  const changed = entryFrom(
    done,
    leaves.map(({ label, text }) => (label === 'disturbs › 1' ? 'rim:f' : text)),
    'new',
  );
  expect((changed as NewEntry).body).toMatchObject({ disturbs: ['pad:*', 'rim:f'] });
});
