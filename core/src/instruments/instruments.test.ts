import { describe, expect, test } from '@jest/globals';
import { measureGroups } from '../vocabulary';
import { measuringPoints } from '../measures';
import {
  applyOptions,
  blankType,
  boreAt,
  changeType,
  closedHoles,
  downTheTube,
  firstOpenHole,
  instrumentType,
  instrumentTypeProblems,
  movedKeys,
  optionChoices,
  namesToRead,
  partNames,
  placeOfPart,
  sectionStarts,
  shippedTypes,
  toneHolesDown,
  type InstrumentType,
} from '.';
import { typeFormProblems } from '../jobForms';

const shipped = (id: string) => instrumentType(id) as InstrumentType;
const flute = shipped('concert-flute');
const sax = applyOptions(shipped('alto-saxophone'), []);

const semitone = (note: string) =>
  12 * Number(note.at(-1)) +
  ({ C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 }[note[0] ?? ''] ?? NaN) +
  (note.includes('♯') ? 1 : note.includes('♭') ? -1 : 0);

const everyPlainType = shippedTypes.flatMap((type) =>
  optionChoices(type).map((choice) => [[type.id, ...choice].join(' + '), applyOptions(type, choice)] as const),
);

describe('shipped instrument types', () => {
  test('the families a workshop meets are there', () => {
    expect(shippedTypes.map(({ id }) => id)).toEqual([
      'concert-flute',
      'piccolo',
      'b-flat-clarinet',
      'simple-clarinet',
      'bass-clarinet',
      'oboe',
      'soprano-saxophone',
      'alto-saxophone',
      'tenor-saxophone',
      'baritone-saxophone',
    ]);
    expect(optionChoices(flute)).toHaveLength(16);
  });

  test.each(shippedTypes.map((type) => [type.id, type] as const))('%s is well-formed and whole', (_id, type) => {
    expect(typeFormProblems(type)).toEqual([]);
    expect(instrumentTypeProblems(type)).toEqual([]);
  });

  test.each(everyPlainType)(
    '%s: every hole is closed by a pad or a finger, every key turns on something',
    (_id, type) => {
      const padded = new Set(type.pads.map(({ hole }) => hole));
      const fingered = new Set(type.fingerings.flatMap(({ down }) => down));
      for (const { id } of type.holes) expect([id, padded.has(id) || fingered.has(id)]).toEqual([id, true]);
      for (const { id, rod, touches = [] } of type.keys) {
        expect([id, rod]).not.toEqual([id, undefined]);
        // A key without a touch is moved by a link or by a ring.
        const driven = touches.length > 0 || type.links.some(({ follower }) => follower === id);
        expect([id, driven]).toEqual([id, true]);
      }
    },
  );

  test.each(everyPlainType)('%s: a lower note comes out further down the tube', (_id, type) => {
    const order = [...toneHolesDown(type), null];
    const register = type.fingerings
      .filter(({ register, alternative }) => register === 1 && alternative === undefined)
      .sort((a, b) => semitone(a.note) - semitone(b.note));
    expect(register.length).toBeGreaterThan(11);
    const depths = register.map(({ down }) => order.indexOf(firstOpenHole(type, down)));
    depths.forEach((depth, i) => {
      if (i > 0)
        expect([register[i]?.note, depth]).toEqual([register[i]?.note, Math.min(depth, (depths[i - 1] ?? 0) - 1)]);
    });
    expect(firstOpenHole(type, register[0]?.down ?? [])).toBeNull();
  });

  test.each(everyPlainType)('%s: the rules hold on a mechanism without play', (_id, type) => {
    for (const { id, must, press, pads } of type.rules) {
      const closed = closedHoles(type, press);
      const shut = pads.every((hole) => closed.has(hole));
      if (must === 'stay-shut' || must === 'land-together' || must === 'land-first')
        expect([id, shut]).toEqual([id, true]);
    }
  });

  test('a clarinet has seventeen keys beside its three ring keys; a simple system thirteen', () => {
    const keys = (id: string) => shipped(id).keys.filter(({ rings }) => rings === undefined).length;
    expect([keys('b-flat-clarinet'), keys('simple-clarinet')]).toEqual([17, 13]);
  });
});

describe('the checker', () => {
  const broken = (change: (type: InstrumentType) => void) => {
    const copy = structuredClone(flute);
    change(copy);
    return instrumentTypeProblems(copy)
      .map(({ path, message }) => `${path} ${message}`)
      .join('; ');
  };
  type Break = (type: InstrumentType) => unknown;
  const first = <T>(rows: readonly T[]) => rows[0] as T;
  test.each<[string, Break, RegExp]>([
    ['a pad without a hole', (t) => (first(t.pads).hole = 'nowhere'), /pad without a hole/],
    ['a pad narrower than its hole', (t) => (first(t.pads).diameter = 1), /wider than its hole/],
    ['two pads on one hole', (t) => t.pads.push(structuredClone(first(t.pads))), /has two pads/],
    ['a hole past the end', (t) => (first(t.holes).at = 4000), /4000 mm along/],
    [
      'a rod past the end',
      (t) => (first(t.rods).to = 4000),
      /\/rods\/0 lies 4000 mm along .*, which is [\d.]+ mm long/,
    ],
    ['a rod upside down', (t) => (first(t.rods).from = 4000), /\/rods\/0\/from must lie above/],
    ['a post past the end', (t) => (first(t.posts).at = 4000), /\/posts\/0 lies/],
    ['a fitting on no section', (t) => (first(t.fittings).section = 'none'), /\/fittings\/0\/section there is no/],
    ['a bore longer than its section', (t) => (first(t.sections).length = 10), /past the end of the section at 10 mm/],
    ['a rod through no posts', (t) => t.posts.splice(0, 4), /needs two posts/],
    ['a post on no rod', (t) => (first(t.posts).rod = 'none'), /there is no rod “none”/],
    ['an id twice', (t) => t.holes.push(structuredClone(first(t.holes))), /stands twice: in holes and in holes/],
    ['an id in two lists', (t) => (first(t.keys).id = 'head'), /stands twice/],
    ['a hinge inside its pad', (t) => (first(t.pads).axisDistance = 1), /inside the pad/],
    ['a link to nowhere', (t) => (first(t.links).follower = 'none'), /link to nowhere/],
    ['a link from nowhere', (t) => (first(t.links).driver = 'none'), /link from nowhere/],
    [
      'links in a circle',
      (t) => t.links.push({ id: 'x', driver: 'c-sharp-key', follower: 'c-key', acts: 'carries', adjuster: 'arm' }),
      /in a circle: .*c-key → c-sharp-key → c-key|in a circle: .*c-sharp-key → c-key → c-sharp-key/,
    ],
    ['a fingering on nothing', (t) => (first(t.fingerings).down = ['none']), /no key or finger hole “none”/],
    ['a rule without its pad', (t) => (first(t.rules).pads = ['none']), /no pad on “none”/],
    ['a rule that prefers a stranger', (t) => (first(t.rules).first = 'c'), /one of the pads of the rule/],
    ['a key over nothing', (t) => (first(t.keys).over = ['none']), /no part “none”/],
    ['a key over itself', (t) => (first(t.keys).over = [first(t.keys).id]), /over itself/],
    ['an option nobody offers', (t) => (first(t.holes).with = 'gold'), /no option “gold”/],
    ['a joint of strangers', (t) => (first(t.joints).tenon = 'foot'), /one of the two sections/],
    ['a bore running up', (t) => first(t.sections).bore.reverse(), /run down the section/],
    ['a measuring point on nothing', (t) => (first(t.measuringPoints).part = 'none'), /no part “none”/],
  ])('finds %s', (_name, change, message) => expect(broken((type) => void change(type))).toMatch(message));
});

test('what is wrong with a type is told in the unit of the job, places as on a ruler', () => {
  const [hole, ...holes] = flute.holes;
  const [pad] = flute.pads;
  if (!hole || !pad) throw new Error('a flute has both');
  const wrong = { ...flute, holes: [{ ...hole, at: 2540 }, ...holes], pads: [{ ...pad, diameter: 1 }] };
  const said = (unit: 'in' | 'thou') => instrumentTypeProblems(wrong, unit).map(({ message }) => message);
  expect(said('in')[0]).toMatch(/^lies 100 in along .*, which is [\d.]+ in long$/);
  expect(said('thou')[0]).toMatch(/^lies 100 in along/);
  expect(said('thou').join()).toMatch(/wider than its hole \([\d.]+ thou\)/);
  expect([...said('in'), ...said('thou')].filter((words) => /\bmm\b/.test(words))).toEqual([]);
});

describe('options', () => {
  test('change holes, keys and links and leave nothing to choose', () => {
    const plain = applyOptions(flute, []);
    const full = applyOptions(flute, ['open-holes', 'split-e', 'offset-g']);
    expect(plain.name).toBe('Concert flute, C foot');
    expect(full.name).toBe('Concert flute, C foot, open holes, offset G, split E');
    const openPads = (type: InstrumentType) => type.pads.filter(({ centre }) => centre === 'open').length;
    expect([openPads(plain), openPads(full)]).toEqual([0, 5]);
    expect(movedKeys(plain, ['e-key']).has('lower-g-key')).toBe(false);
    expect(movedKeys(full, ['e-key']).has('lower-g-key')).toBe(true);
    expect(full.keys.find(({ id }) => id === 'upper-g-key')?.rod).toBe('g-rod');
    expect(full.options).toEqual([]);
  });
  test('are few enough that every choice can be checked', () => {
    const many = (count: number) => ({
      ...flute,
      options: Array.from({ length: count }, (_, i) => ({ id: `o${i}`, name: `Option ${i}` })),
    });
    const said = (count: number) => instrumentTypeProblems(many(count)).map(({ path }) => path);
    expect(said(6)).not.toContain('/options');
    expect(said(7)).toContain('/options');
  });
});

describe('the mechanism', () => {
  test('semi-automatic octaves: the second shuts the first; a saxophone changes over at G', () => {
    const oboe = shipped('oboe');
    expect(closedHoles(oboe, ['first-octave-key']).has('first-octave')).toBe(false);
    expect(closedHoles(oboe, ['first-octave-key', 'second-octave-key']).has('first-octave')).toBe(true);
    const vents = (down: string[]) =>
      ['neck-octave', 'body-octave'].filter((hole) => !closedHoles(sax, down).has(hole));
    expect(vents(['octave-lever'])).toEqual(['neck-octave']);
    expect(vents(['octave-lever', 'b-key', 'a-key', 'g-key'])).toEqual(['body-octave']);
  });
  test('a ring is pressed by the finger that covers its hole', () => {
    const clarinet = shipped('b-flat-clarinet');
    expect(closedHoles(clarinet, ['fourth-finger']).has('bridge-vent')).toBe(true);
    expect(closedHoles(clarinet, []).has('bridge-vent')).toBe(false);
  });
});

describe('a type built while the instrument is on the bench', () => {
  test('starts from nothing, takes rows one by one, and says what is still loose', () => {
    const blank = blankType('clarinet', 'Very large clarinet');
    expect(typeFormProblems(blank)).toEqual([]);
    const key = { id: 'second-register', name: 'The other register key', rest: 'closed' as const };
    const hole = {
      id: 'vent-2',
      name: 'Upper vent',
      section: 'tube',
      at: 40,
      clock: 180,
      diameter: 3,
      chimney: 5,
      rim: 'raised' as const,
    };
    const grown = changeType(blank, { put: { keys: [key], holes: [hole] } });
    expect(instrumentTypeProblems(grown)).toEqual([]);
    const renamed = changeType(grown, {
      put: { keys: [{ ...key, name: 'Lower register' }] },
      remove: { holes: ['vent-2'] },
    });
    expect(renamed.keys).toEqual([{ ...key, name: 'Lower register' }]);
    expect(renamed.holes).toEqual([]);
    expect(grown.holes).toHaveLength(1);
    expect(changeType(blank, { remove: { sections: ['tube'] } }).sections).toHaveLength(1);
    const loose = changeType(grown, { put: { keys: [{ ...key, rod: 'none' }] } });
    expect(instrumentTypeProblems(loose)[0]?.message).toMatch(/no rod/);
  });
});

describe('geometry', () => {
  test('the bore runs straight between its points', () => {
    const bell = sax.sections.find(({ id }) => id === 'bell') as (typeof sax.sections)[number];
    const [a, b] = bell.bore as [(typeof bell.bore)[number], (typeof bell.bore)[number]];
    expect(boreAt(bell, b.at / 2)).toBeCloseTo((a.diameter + b.diameter) / 2, 9);
    expect(boreAt(bell, 9999)).toBe(bell.bore.at(-1)?.diameter);
  });
  test('sections stand end to end', () =>
    expect(sectionStarts(sax, 10).get('body')).toBe((sax.sections[0]?.length ?? 0) + 10));
  test('parts are found where they sit and told down the tube', () => {
    expect(placeOfPart(sax, 'g')).toEqual({
      section: 'body',
      at: sax.holes.find(({ id }) => id === 'g')?.at,
      clock: 0,
    });
    expect(placeOfPart(sax, 'neck-receiver')).toEqual({ section: 'neck', at: sax.sections[0]?.length, clock: 0 });
    expect(placeOfPart(sax, 'g-key')?.section).toBe('body');
    expect(placeOfPart(sax, 'instrument')).toBeNull();
    expect(downTheTube(sax, ['instrument', 'low-b', 'd', 'neck-octave'])).toEqual([
      'neck-octave',
      'd',
      'low-b',
      'instrument',
    ]);
  });
  test('everything has a name, and every group of measures a place to be taken', () => {
    expect(partNames(sax).get('lower-stack-rod')).toBe('Lower stack rod');
    const places = measuringPoints(sax);
    const groups = new Set(places.map(({ group }) => group));
    expect(measureGroups.filter((group) => !groups.has(group))).toEqual([]);
    const names = namesToRead(sax);
    for (const { part } of places) if (!sax.links.some(({ id }) => id === part)) expect(names.has(part)).toBe(true);
  });
});
