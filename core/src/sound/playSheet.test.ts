import { describe, expect, test } from '@jest/globals';
import { sax, TestJob } from '../../tests/testJob';
import { applyOptions, fingeringWords, instrumentType, shippedTypes, type InstrumentType } from '../instruments';
import { partnersOf, playSheet, compassOf, fingeredLike } from '.';

const types = shippedTypes.map((type) => [type.id, applyOptions(type, [])] as const);

describe.each(types)('the play test of %s', (_, type) => {
  const sheet = playSheet(type);
  const ids = sheet.map(({ id }) => id);
  test('names each line once, and points to parts it has', () => {
    expect(new Set(ids).size).toBe(ids.length);
    expect(new Set(sheet.map(({ play }) => play)).size).toBe(ids.length);
    const parts = new Set([...type.holes, ...type.keys, ...type.links].map(({ id }) => id));
    expect(sheet.flatMap(({ looksAt }) => looksAt).filter((part) => !parts.has(part))).toEqual([]);
    for (const { play, listen, why } of sheet)
      for (const words of [play, listen, why]) expect(words).not.toMatch(/undefined|^$|[a-z]-[a-z]+-key/);
  });
  test('begins at the bottom, goes through what must stay shut and every alternative, and ends without air', () => {
    expect([ids[0], ids.at(-1), sheet.at(-1)?.kind]).toEqual(['long-low', 'no-air', 'silent']);
    expect(sheet[0]?.play).toContain(compassOf(type)[0]?.note);
    const held = ids.filter((id) => id.startsWith('held-'));
    const shut = type.rules.filter(({ must }) => must === 'stay-shut').map(({ id }) => `held-${id}`);
    expect(held.filter((id) => !shut.includes(id))).toEqual([]);
    const others = new Set(
      compassOf(type)
        .filter(({ alternative, register }) => alternative !== null && register === 1)
        .map(({ note }) => note),
    );
    const alike = sheet.filter(({ id }) => id.startsWith('alike-'));
    expect(alike).toHaveLength(others.size);
    for (const { play } of alike) expect([...others].some((note) => play.startsWith(`${note}: as usual, `))).toBe(true);
  });
  test('registers: a note stands over the one it is overblown from, an octave or a twelfth', () => {
    const partners = partnersOf(compassOf(type));
    expect(partners.size).toBeGreaterThan(8);
    for (const [id, high] of partners) {
      const low = compassOf(type).find((each) => each.id === id);
      const ratio = high.near / (low?.near ?? 1);
      expect(Math.abs(ratio - (type.family === 'clarinet' ? 3 : 2))).toBeLessThan(0.1);
    }
  });
});

test.each([
  ['alto-saxophone', 1],
  ['oboe', 2],
])('%s: what must stay shut is held and worked, %i lines at least', (id, least) => {
  const type = applyOptions(instrumentType(id) as InstrumentType, []);
  const held = playSheet(type).filter((line) => line.id.startsWith('held-'));
  expect(held.length).toBeGreaterThanOrEqual(least);
  for (const { id: line, play } of held) {
    const rule = type.rules.find((each) => `held-${each.id}` === line);
    const note = compassOf(type).find((each) => play.startsWith(`Hold ${fingeringWords(each)} and work `));
    // What is worked is not held down by the note itself, and what must stay shut is shut in it.
    const worked =
      rule?.press.filter((key) => play.includes(type.keys.find((each) => each.id === key)?.name ?? '?')) ?? [];
    expect(worked.length).toBeGreaterThan(0);
    expect(worked.filter((key) => note?.down.includes(key))).toEqual([]);
    expect(rule?.pads.every((pad) => note?.closed.has(pad))).toBe(true);
  }
});

test('a low note is held with the pads the rule wants shut, and the other key is worked', () => {
  const line = playSheet(sax).find(({ id, why }) => id.startsWith('held-') && why.startsWith('G♯ stays shut'));
  expect(line?.play).toMatch(/^Hold [A-G][♯♭]?[34] and work G♯/);
  expect(line?.looksAt).toContain('g-sharp');
  expect(playSheet(instrumentType('oboe') as InstrumentType).some(({ id }) => id === 'half-hole')).toBe(true);
  expect(playSheet(instrumentType('b-flat-clarinet') as InstrumentType).some(({ id }) => id === 'break')).toBe(true);
});

test('a line is gone through again once anything was worked on; its newest result counts', () => {
  const job = new TestJob();
  job.write('tested', { line: 'long-low', result: 'fuzzy' });
  job.write('tested', { line: 'long-low', result: 'clear', step: -9 });
  expect(job.state.tested.get('long-low')).toMatchObject({ result: 'clear', step: -9, stale: null });
  job.done('set-springs:instrument', { disturbs: ['spring:*'] });
  expect(job.state.tested.get('long-low')).toMatchObject({
    result: 'clear',
    stale: { operation: 'set-springs:instrument' },
  });
});

test('an instrument nobody has said it of is fingered like another, as far as it has the same keys', () => {
  const { sound: _, ...dumb } = sax;
  const few = { ...dumb, fingerings: [], keys: sax.keys.filter(({ id }) => id !== 'side-b-flat-lever') };
  const as = fingeredLike(few, sax, -2);
  expect(as?.sound).toMatchObject({ transposition: -2, excitation: sax.sound?.excitation });
  expect(as?.fingerings.length).toBeGreaterThan(20);
  expect(as?.fingerings.some(({ down }) => down.includes('side-b-flat-lever'))).toBe(false);
  expect(sax.fingerings.some(({ down }) => down.includes('side-b-flat-lever'))).toBe(true);
  expect(fingeredLike(few, few, 0)).toBeNull();
  const job = new TestJob();
  job.write('instrument-change', { ...as, sound: { ...as?.sound, standard: 430 } });
  const compass = compassOf(job.state.instrument ?? sax);
  expect(compass.length).toBe(new Set(as?.fingerings.map(({ note, alternative = '' }) => note + alternative)).size);
  expect(compass.find(({ note, register }) => note === 'B4' && register === 1)?.near).toBeCloseTo(430, 6);
});
