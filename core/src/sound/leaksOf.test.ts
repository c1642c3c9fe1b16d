import { describe, expect, test } from '@jest/globals';
import { applyOptions, instrumentType, instrumentTypeProblems, type InstrumentType } from '../instruments';
import { sax, TestJob } from '../../tests/testJob';
import {
  compassOf,
  heightsOf,
  leaksByNote,
  leaksOf,
  partOfPlace,
  placesOf,
  soundNotes,
  soundOf,
  usualLand,
  usualSlit,
  ventOf,
  wallOf,
} from '.';

const padOf = (hole: string) => sax.pads.find((pad) => pad.hole === hole)?.diameter ?? 0;
const leakAt = (job: TestJob, id: string) => leaksOf(job.state, sax).find((leak) => leak.id === id) ?? null;

describe('what is known to let air out', () => {
  test('nothing, where nothing was read or looked at', () => {
    const job = new TestJob();
    expect(leaksOf(job.state, sax)).toEqual([]);
    expect(new Set(placesOf(job.state, sax, leaksOf(job.state, sax)).map(({ prior }) => prior))).toEqual(
      new Set([0, -1]),
    );
  });

  test('gaps as one slit that passes as much: the cube of each counts, over as much of the rim as is open', () => {
    const job = new TestJob();
    job.pad('g', [0.1, 0.1, 0, 0, 0, 0, 0, 0.1]);
    const leak = leakAt(job, 'g');
    expect(leak).toMatchObject({ measured: true, slit: { land: usualLand } });
    expect(leak?.slit.gap).toBeCloseTo(0.1, 6);
    expect(leak?.slit.width).toBeCloseTo((Math.PI * padOf('g') * 3) / 8, 6);
    job.pad('e', [0.2, 0.1, 0, 0, 0, 0, 0, 0]);
    expect(leakAt(job, 'e')?.slit.gap).toBeCloseTo(Math.cbrt((0.2 ** 3 + 0.1 ** 3) / 2), 6);
  });

  test('a pad whose gaps were all read as shut lets nothing out, and is suspected last', () => {
    const job = new TestJob();
    job.pad('g', [0, 0, 0, 0, 0, 0, 0, 0]);
    expect(leakAt(job, 'g')).toBeNull();
    expect(placesOf(job.state, sax, leaksOf(job.state, sax)).find(({ id }) => id === 'g')?.prior).toBeLessThan(-1);
  });

  test('light stands for a hair over as much of the rim as showed it; the newer of light and tick counts', () => {
    const job = new TestJob();
    job.write('observation', { part: 'a', about: 'light', sectors: [0, 45] });
    expect(leakAt(job, 'a')).toMatchObject({ measured: false });
    expect(leakAt(job, 'a')?.slit.width).toBeCloseTo((Math.PI * padOf('a')) / 4, 6);
    expect(placesOf(job.state, sax, leaksOf(job.state, sax)).find(({ id }) => id === 'a')?.prior).toBeGreaterThan(1);
    job.write('tick', { group: 'pad', part: 'a', says: 'no-light' });
    expect(leakAt(job, 'a')).toBeNull();
    job.write('tick', { group: 'pad', part: 'a', says: 'free-front', film: 0.08 });
    expect(leakAt(job, 'a')).toMatchObject({ measured: false, slit: { gap: 0.08 } });
    job.write('observation', { part: 'a', about: 'light', sectors: [] });
    expect(leakAt(job, 'a')).toBeNull();
  });

  test('what was worked on since is known no more', () => {
    const job = new TestJob();
    job.write('tick', { group: 'pad', part: 'a', says: 'light' });
    job.write('observation', { part: 'g', about: 'light', sectors: [0, 45, 90] });
    expect([leakAt(job, 'a'), leakAt(job, 'g')]).not.toContain(null);
    job.write('operation-done', { operation: 'x', title: 'X', minutes: 1, disturbs: ['pad:a'], cures: [] });
    expect(leakAt(job, 'a')).toBeNull();
    expect(leakAt(job, 'g')).not.toBeNull();
    job.write('operation-done', { operation: 'y', title: 'Y', minutes: 1, disturbs: ['pad:*'], cures: [] });
    expect(leakAt(job, 'g')).toBeNull();
  });

  test('a joint leaks as its slit would: what its tester reads, less what tester and plugs lose', () => {
    const job = new TestJob();
    const joint = sax.joints[0]?.id ?? '';
    const read = (measure: 'leak' | 'leak-baseline', value: number) =>
      job.read({ group: 'joint', part: joint, measure, clock: 0 }, value, 'leak-tester');
    job.write('tick', { group: 'joint', part: joint, says: 'leaks' });
    expect(leakAt(job, `joint:${joint}`)).toMatchObject({ measured: false, words: ['it was found to leak'] });
    read('leak', 60);
    expect(leakAt(job, `joint:${joint}`)?.measured).toBe(true);
    const whole = leakAt(job, `joint:${joint}`)?.slit;
    read('leak-baseline', 52.5);
    const less = leakAt(job, `joint:${joint}`)?.slit;
    // An eighth of the flow is half of the gap.
    expect((less?.gap ?? 0) / (whole?.gap ?? 1)).toBeCloseTo(0.5, 6);
    expect(whole?.width).toBeGreaterThan(60);
    expect(partOfPlace(`joint:${joint}`)).toBe(joint);
  });

  test('the flow of the slit found is the flow that was read', () => {
    const job = new TestJob();
    const joint = sax.joints[0]?.id ?? '';
    job.read({ group: 'joint', part: joint, measure: 'leak', clock: 0 }, 30, 'leak-tester');
    const { width = 0, gap = 0, land = 1 } = leakAt(job, `joint:${joint}`)?.slit ?? {};
    // Q = w·g³·Δp/(12·μ·land), m³/s, at 2.5 kPa.
    const flow = (width * 1e-3 * (gap * 1e-3) ** 3 * 2500) / (12 * 1.81e-5 * land * 1e-3);
    expect(flow * 60e6).toBeCloseTo(30, 6);
  });
});

describe('the tube', () => {
  test('a pad stands as high as it was read; one that was not as high as its family and hole have it', () => {
    const job = new TestJob();
    job.read({ group: 'pad', part: 'g', measure: 'height', clock: 0 }, 5.5, 'caliper');
    const heights = heightsOf(job.state, sax);
    const holes = soundOf(sax, heights)?.holes ?? [];
    const height = (id: string) => holes.find((hole) => hole.id === id)?.pad?.height;
    expect(height('g')).toBe(5.5);
    expect(height('a')).toBeCloseTo(ventOf('saxophone', sax.holes.find(({ id }) => id === 'a')?.diameter ?? 0), 9);
    expect(ventOf('flute', 1)).toBe(1);
  });
  test('walls that may leak are closed holes too small to hear', () => {
    const holes = soundOf(sax, new Map(), wallOf(sax))?.holes ?? [];
    expect(holes).toHaveLength(sax.holes.length + sax.joints.length);
  });
  test('sections lie one after the other; where two points meet, the later one stands a tenth of a millimetre on', () => {
    const [upper, lower] = sax.sections;
    if (!upper || !lower) throw new Error('an alto has two sections and more');
    const short = {
      ...sax,
      sections: [
        { ...upper, length: 100, bore: [0, 60, 60, 100].map((at, i) => ({ at, diameter: 12 + i })) },
        { ...lower, length: 80, bore: [0, 80].map((at, i) => ({ at, diameter: 17 + i })) },
      ],
      joints: [],
    };
    expect(soundOf(short)?.bore).toEqual([
      { at: 0, diameter: 12 },
      { at: 60, diameter: 13 },
      { at: 60.1, diameter: 14 },
      { at: 100, diameter: 15 },
      { at: 100.1, diameter: 17 },
      { at: 180, diameter: 18 },
    ]);
  });
  test('a place nobody looked at is taken as a hair; what is no place as nothing', () => {
    expect(usualSlit(sax, 'g')?.gap).toBe(0.05);
    expect(usualSlit(sax, `joint:${sax.joints[0]?.id}`)?.gap).toBe(0.05);
    expect(usualSlit(sax, 'nowhere')).toBeNull();
  });
  test('nothing is said of a type that does not say how it is blown', () => {
    const { sound: _, ...mute } = sax;
    expect(soundOf(mute)).toBeNull();
  });
  test('an edge has to be whole, and in the first section', () => {
    const flute = applyOptions(instrumentType('concert-flute') as InstrumentType, []);
    const blown = (excitation: object) =>
      instrumentTypeProblems({ ...flute, sound: { transposition: 0, excitation } } as InstrumentType).map(
        ({ path }) => path,
      );
    expect(blown({ kind: 'edge', at: 17, diameter: 11, length: 9 })).toEqual([]);
    expect(blown({ kind: 'edge', at: 999 })).toEqual([
      '/sound/excitation/diameter',
      '/sound/excitation/length',
      '/sound/excitation/at',
    ]);
    expect(blown({ kind: 'reed', volume: 3000 })).toEqual([]);
  });
});

describe('cracks', () => {
  const oboe = applyOptions(instrumentType('oboe') as InstrumentType, []);
  const top = oboe.sections[0]?.id ?? '';
  const cracked = (status: 'confirmed' | 'cured', at = 60) => {
    const job = new TestJob({ instrumentType: 'oboe', family: 'oboe' });
    const place = { section: top, at, clock: 0 };
    job.write('finding', {
      finding: '00000000-0000-4000-8000-000000000001',
      kind: 'crack',
      part: top,
      severity: 3,
      status,
      place,
    });
    return job;
  };
  test('an open one is a slit through the wall where it was written down; a closed one is none', () => {
    const job = cracked('confirmed');
    const [leak, ...none] = leaksOf(job.state, oboe);
    expect(none).toEqual([]);
    expect(leak).toMatchObject({ measured: false, slit: { land: oboe.sections[0]?.wall } });
    expect(partOfPlace(leak?.id ?? '')).toBe(top);
    expect(wallOf(oboe, job.state).find(({ id }) => id === leak?.id)?.at).toBe(60);
    expect(placesOf(job.state, oboe, leaksOf(job.state, oboe)).some(({ id }) => id === leak?.id)).toBe(true);
    expect(leaksOf(cracked('cured').state, oboe)).toEqual([]);
  });
  test('it spoils what comes out below it, the lowest most, and hardly what comes out beside it', () => {
    const job = cracked('confirmed', 180);
    const walls = wallOf(oboe, job.state);
    const tube = soundOf(oboe, new Map(), walls);
    const leaks = leaksOf(job.state, oboe);
    if (!tube) throw new Error('the oboe has a sound');
    const notes = soundNotes(
      tube,
      compassOf(oboe),
      walls.map(({ id }) => id),
    );
    const losses = leaksByNote(tube, notes, new Map(leaks.map(({ id, slit }) => [id, slit])));
    const of = (id: string) => losses.find((each) => each.id === id)?.loss ?? 0;
    expect(of('b-flat-3-1')).toBeGreaterThan(of('g4-1'));
    expect(of('g4-1')).toBeGreaterThan(of('b4-1'));
    expect(of('b-flat-3-1')).toBeGreaterThan(1.5);
    expect(of('b4-1')).toBeLessThan(0.3);
  });
});
