import { describe, expect, test } from '@jest/globals';
import { isDeepStrictEqual } from 'node:util';
import { randomJob } from '../../tests/randomJob';
import { partNames } from '../instruments';
import { readJobDocument, toJobDocument } from '../record';
import { chanceFrom } from '../simulation';
import { entryKinds, entryWords, foldEntries, foldJob, logbookReader, type Entry } from '.';
import { entryProblems } from '../jobForms';

const seeds = Array.from({ length: 16 }, (_, i) => i + 1);
const length = 70;
/** The same in every part; what differs is shown only where something does, for showing takes its time. */
function same<T>(is: T, meant: T): void {
  if (!isDeepStrictEqual(is, meant)) expect(is).toEqual(meant);
}
const stories = seeds.map((seed) => [seed, randomJob(seed, length)] as const);

describe('random stories of every kind', () => {
  test('hold every kind that is written, many times', () => {
    const counts = new Map<string, number>();
    for (const [, entries] of stories) for (const { kind } of entries) counts.set(kind, (counts.get(kind) ?? 0) + 1);
    const rare = entryKinds.filter((kind) => kind !== 'unreadable' && (counts.get(kind) ?? 0) < 3);
    expect(rare).toEqual([]);
  });

  test.each(stories)('%i: however it is cut, and in whatever order it comes, it says the same', (seed, entries) => {
    const whole = foldJob(entries);
    const chance = chanceFrom(seed);
    let state = foldJob([]);
    for (let at = 0; at < entries.length;) {
      const size = 1 + Math.floor(chance.uniform() * 12);
      state = foldEntries(state, entries.slice(at, at + size));
      at += size;
    }
    same(state, whole);
    const shuffled = entries
      .map((entry) => ({ entry, place: chance.uniform() }))
      .sort((a, b) => a.place - b.place)
      .map(({ entry }) => entry);
    same(foldJob(shuffled), whole);
    expect(foldEntries(whole, entries)).toBe(whole);
  });

  test.each(stories)('%i: folding writes on nothing it was given', (_, entries) => {
    const half = foldJob(entries.slice(0, length / 2));
    const before = structuredClone(half);
    foldEntries(half, entries.slice(length / 2));
    same(half, before);
  });

  test.each(stories)('%i: read entry by entry it ends in the same state', (_, entries) => {
    const reader = logbookReader();
    for (const entry of entries) reader.add(entry);
    const { findings, operations, off, instrument, estimates, rounds, signOff, practice } = foldJob(entries);
    // What a strike takes back of these, the reader takes back; of the rest it only needs what is checked against.
    const { ...read } = reader.state();
    expect([...read.off.keys()]).toEqual([...off.keys()]);
    expect([...read.estimates.keys()]).toEqual([...estimates.keys()]);
    expect([...read.rounds.keys()]).toEqual([...rounds.keys()]);
    same([read.signOff, read.practice, read.instrument], [signOff, practice, instrument]);
    expect([...read.operations].map(([id, { status }]) => [id, status])).toEqual(
      [...operations].map(([id, { status }]) => [id, status]),
    );
    expect(read.findings.size).toBeGreaterThanOrEqual(findings.size);
  });

  test.each(stories)('%i: exported and brought in again it folds to the same', (_, entries) => {
    const text = JSON.stringify(toJobDocument('R-1', entries, '2026-11-24T09:00:00.000Z'));
    const read = readJobDocument(JSON.parse(text));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    same(foldJob(read.document.entries), foldJob(entries));
  });

  test.each(stories)('%i: each entry reads as a line', (_, entries) => {
    const { instrument } = foldJob(entries);
    const names = instrument ? partNames(instrument) : new Map<string, string>();
    for (const entry of entries) {
      expect(entryProblems(entry, 'stored')).toEqual([]);
      expect(entryWords(entry, names, 'mm')).toMatch(/\S/);
      expect(entryWords(entry, names, 'mm')).not.toMatch(/undefined|null|NaN|\[object/);
    }
  });

  test('a struck entry counts for nothing: without it and its strike the story says the same', () => {
    for (const [, entries] of stories) {
      const target = entries.find(({ kind }) => kind === 'note' || kind === 'cost' || kind === 'survey');
      if (!target) continue;
      const strike = {
        ...target,
        id: '00000000-0000-4000-8000-00000000000f',
        kind: 'strike',
        body: { entry: target.id },
        seq: entries.length + 1,
      } as Entry;
      const struck = foldJob([...entries, strike]);
      const without = foldJob(entries.filter(({ id }) => id !== target.id));
      expect([struck.notes, struck.costs, struck.survey]).toEqual([without.notes, without.costs, without.survey]);
    }
  });
});
