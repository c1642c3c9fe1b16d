import { describe, expect, test } from '@jest/globals';
import { TestJob } from '../../tests/testJob';
import { applyOptions, shippedTypes } from '../instruments';
import { solveSeat } from '../pads';
import { findingKinds, surveyStations } from '../vocabulary';
import {
  faultsAt,
  likelyKinds,
  lightClocks,
  lightDirection,
  lightPicture,
  lookAtPlace,
  namedPictures,
  station,
  stationPlaces,
  stations,
  surveyProgress,
} from '.';

describe('the picture a leak light makes', () => {
  test.each([
    ['front', 'touches-back'],
    ['back', 'touches-front'],
    ['left', 'open-side'],
    ['right', 'open-side'],
    ['dotted', 'dotted'],
    ['opposite', 'saddle'],
    ['all-round', 'held-off'],
    ['sealed', 'sealed'],
  ] as const)('%s is %s', (name, picture) => expect(lightPicture(namedPictures[name].sectors)).toBe(picture));
  test.each([
    ['right', 90],
    ['back', 180],
    ['left', 270],
  ] as const)('open on the %s is open at the front, turned by %i°', (name, by) => {
    const turned = namedPictures.front.sectors.map((clock) => (clock + by) % 360);
    expect(new Set(namedPictures[name].sectors)).toEqual(new Set(turned));
  });
  test('one open position is a short gap, two runs side by side are no saddle', () => {
    expect(lightPicture([45])).toBe('one-gap');
    expect(lightPicture([0, 90])).toBe('uneven');
    expect(lightPicture([315, 0, 135, 180])).toBe('saddle');
  });
  test('where the light is the same all along its run, the eye and the solver agree on sealed, held off and dotted', () => {
    for (let bits = 0; bits < 256; bits += 1) {
      const open = lightClocks.filter((_clock, i) => (bits >> i) & 1);
      const gaps = lightClocks.map((clock) => ({ clock, gap: open.includes(clock) ? 0.1 : 0 }));
      const { picture } = solveSeat({ gaps, padDiameter: 30, axisDistance: 27, limits: { gap: 0.03 } });
      for (const certain of ['sealed', 'held-off', 'dotted'] as const)
        expect([bits, lightPicture(open) === certain]).toEqual([bits, picture === certain]);
    }
  });
  test('it points to the middle of the light, or nowhere', () => {
    expect(lightDirection([45, 90, 135])).toBeCloseTo(90, 9);
    expect(lightDirection([0, 180])).toBeNull();
    expect(lightDirection([])).toBeNull();
  });
});

describe('stations', () => {
  test('stand in the order of the work, and no key means two things at one place', () => {
    expect(stations.map(({ id }) => id)).toEqual([...surveyStations]);
    for (const { faults } of stations)
      for (const { press, at } of faults)
        for (const place of at)
          expect(faults.filter((other) => other.press === press && other.at.includes(place))).toHaveLength(1);
  });
  test.each(shippedTypes.map((type) => [type.id, applyOptions(type, [])] as const))(
    '%s has somewhere to look at each',
    (_id, type) => {
      for (const { id, faults } of stations) {
        const places = stationPlaces(type, id);
        if (type.joints.length > 0 || id !== 'joints') expect(places.length).toBeGreaterThan(0);
        expect(new Set(places.map(({ part }) => part)).size).toBe(places.length);
        for (const { kind } of places) expect(faults.some(({ at }) => at.includes(kind))).toBe(true);
      }
    },
  );
});

describe('the faults that are offered', () => {
  const offered = (id: string, at: 'joints' | 'body' | 'holes', part: string) => {
    const type = applyOptions(shippedTypes.find((each) => each.id === id) as (typeof shippedTypes)[number], []);
    const place = stationPlaces(type, at).find((each) => each.part === part) ?? null;
    return faultsAt(type, station(at), place).map(({ words }) => words);
  };
  test('of a wooden body are none that only metal has', () => {
    expect(offered('oboe', 'body', 'top')).toEqual(['Bent', 'Crack', 'Dirt']);
    expect(offered('b-flat-clarinet', 'joints', 'middle-joint')).not.toContain('Ridge inside the bore');
    const [hole] = shippedTypes.find(({ id }) => id === 'oboe')?.holes ?? [];
    expect(offered('oboe', 'holes', hole?.id ?? '')).toEqual(['Rim chipped', 'Oval', 'Crack into it', 'Dirt in it']);
  });
  test('of metal are those of metal, and only a neck is pulled down', () => {
    expect(offered('alto-saxophone', 'body', 'neck')).toContain('Neck pulled down');
    expect(offered('alto-saxophone', 'body', 'bell')).toEqual([
      ...['Bent', 'Turned against its neighbour', 'Dent', 'Seam open', 'Crack', 'Tarnish', 'Dirt'],
    ]);
    expect(offered('alto-saxophone', 'holes', 'low-b')).not.toContain('Rim chipped');
    expect(offered('alto-saxophone', 'joints', 'neck-receiver')).toContain('Ridge inside the bore');
    // One piece has nothing to be turned against or pulled from.
    expect(offered('soprano-saxophone', 'body', 'body')).not.toContain('Neck pulled down');
    // Flutes are straight.
    expect(offered('concert-flute', 'body', 'head')).toEqual(['Bent', 'Dent', 'Seam open', 'Crack', 'Tarnish', 'Dirt']);
  });
  test('go by each section where an instrument is made of both', () => {
    expect(offered('piccolo', 'body', 'head')).toContain('Dent');
    expect(offered('piccolo', 'body', 'body')).not.toContain('Dent');
    expect(offered('bass-clarinet', 'body', 'neck')).toContain('Neck pulled down');
    expect(offered('bass-clarinet', 'body', 'bell')).toContain('Turned against its neighbour');
    expect(offered('bass-clarinet', 'body', 'upper')).toEqual(['Bent', 'Crack', 'Dirt']);
    expect(offered('bass-clarinet', 'joints', 'neck-joint')).toContain('Ridge inside the bore');
  });
  test('and how to look goes by the make as well: no light edge for dents along wood, no seams of its holes', () => {
    const of = (id: string) =>
      applyOptions(shippedTypes.find((each) => each.id === id) as (typeof shippedTypes)[number], []);
    const look = (id: string, at: 'joints' | 'body' | 'holes' | 'springs', part: string | null) =>
      lookAtPlace(of(id), station(at), part);
    expect(look('oboe', 'body', 'top')).toMatch(/along the grain/);
    expect(look('piccolo', 'body', 'head')).toMatch(/breaks in it are dents/);
    expect(look('oboe', 'joints', 'bell-joint')).toMatch(/rim of each socket/);
    expect(look('alto-saxophone', 'holes', 'low-b')).toMatch(/^Seams of soldered holes/);
    expect(look('oboe', 'holes', of('oboe').holes[0]?.id ?? '')).toMatch(/^Each rim under a glass/);
    // Springs are looked at the same way everywhere, and a station without a place says what it is about.
    expect(look('oboe', 'springs', of('oboe').keys[0]?.id ?? '')).toBe(station('springs').look);
    expect(look('oboe', 'body', null)).toBe(station('body').look);
  });
  test('by hand are all that a place can have, in one order, with what no station asks', () => {
    const likely = (id: string, part: string) => {
      const type = shippedTypes.find((each) => each.id === id);
      if (!type) throw new Error(id);
      return likelyKinds(applyOptions(type, []), part);
    };
    expect(likely('oboe', 'top')).toEqual(['body-bent', 'crack', 'dirt']);
    expect(likely('alto-saxophone', 'bell')).toEqual(
      expect.arrayContaining(['bell-turned', 'dent', 'seam-open', 'tarnish']),
    );
    const [hole] = shippedTypes.find(({ id }) => id === 'oboe')?.holes ?? [];
    // A hole, its pad and its key carry one name.
    const open = likely('oboe', hole?.id ?? '');
    expect(open).toEqual(expect.arrayContaining(['rim-chipped', 'tuning-low', 'pad-leaking', 'pad-worn']));
    expect(open).not.toContain('hole-unsoldered');
    expect(open).toEqual(findingKinds.filter((kind) => open.includes(kind)));
    expect([likely('oboe', 'instrument'), likely('oboe', 'no-such-part')]).toEqual([[], []]);
  });
  test('are none where there is no place', () => {
    const [type] = shippedTypes as [(typeof shippedTypes)[number]];
    expect(faultsAt(type, station('body'), null)).toEqual([]);
  });
});

describe('progress', () => {
  test('counts findings at their stations, and what has been looked at or passed over', () => {
    const job = new TestJob();
    const type = applyOptions(
      shippedTypes.find(({ id }) => id === 'alto-saxophone') as (typeof shippedTypes)[number],
      [],
    );
    expect(surveyProgress(job.state, type).next).toBe('joints');
    job.finding('joint-loose', 'neck-receiver');
    job.finding('pad-leaking', 'g');
    job.finding('dent', 'body', 'declined');
    job.write('survey', { station: 'joints', outcome: 'looked' });
    job.write('survey', { station: 'body', outcome: 'skipped' });
    const progress = surveyProgress(job.state, type);
    const of = (id: string) => progress.stations.find((each) => each.id === id);
    expect(of('joints')).toMatchObject({ outcome: 'looked', findings: 1 });
    expect(of('body')).toMatchObject({ outcome: 'skipped', findings: 0 });
    expect(of('pads')).toMatchObject({ outcome: null, findings: 1 });
    expect(progress.next).toBe('holes');
  });
});
