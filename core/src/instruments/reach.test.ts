import { describe, expect, test } from '@jest/globals';
import {
  bellSection,
  isNearSeal,
  keysInTheWay,
  keysOfPart,
  partsNear,
  reachedBy,
  fittingsOver,
  usualDentWidth,
} from '.';
import { sax } from '../../tests/testJob';

type Hole = (typeof sax.holes)[number];
const hole = (id: string) => sax.holes.find((each) => each.id === id) as Hole;
const at = (id: string, along = 0, round = 0) => ({
  section: hole(id).section,
  at: hole(id).at + along,
  clock: (hole(id).clock + round + 360) % 360,
});

const bellKeys = ['low-c-sharp-key', 'low-b-key', 'low-b-flat-key'];

test('a dent nobody measured is taken to be as wide as its severity says', () => {
  expect([1, 2, 3].map(usualDentWidth)).toEqual([8, 15, 25]);
});

describe('what lies near a spot', () => {
  test('counts from the edge of a hole, along and round', () => {
    const e = hole('e');
    const near = (along: number, within: number) => partsNear(sax, at('e', along), within).holes.includes('e');
    expect(near(e.diameter / 2 + 5, 5)).toBe(true);
    expect(near(e.diameter / 2 + 5.1, 5)).toBe(false);
    // A quarter turn round a tube of this size is well over 20 mm from the edge of the hole.
    expect(partsNear(sax, at('e', 0, 90), 5).holes).not.toContain('e');
    expect(partsNear(sax, at('e', 0, 350), 15).holes).toContain('e');
  });
  test('round the tube it goes the short way, over the top of the clock', () => {
    const spot = { section: 'body', at: hole('e').at, clock: (hole('e').clock + 355) % 360 };
    expect(partsNear(sax, spot, 1).holes).toContain('e');
  });
  test('a joint counts by how far along it is, all the way round, from either side', () => {
    const length = sax.sections.find(({ id }) => id === 'body')?.length ?? 0;
    expect(partsNear(sax, { section: 'body', at: length - 10, clock: 200 }, 10).joints).toEqual(['body-bow']);
    expect(partsNear(sax, { section: 'body', at: length - 10.1, clock: 200 }, 10).joints).toEqual([]);
    expect(partsNear(sax, { section: 'bow', at: 10, clock: 20 }, 10).joints).toEqual(['body-bow']);
    expect(partsNear(sax, { section: 'body', at: 8, clock: 20 }, 10).joints).toEqual(['neck-receiver']);
  });
  test('parts of another section are never near, however close their figures', () =>
    expect(partsNear(sax, { ...at('e'), section: 'bell' }, 5).holes).not.toContain('e'));
  test('a dent within its own width of a rim touches a seal; one further off does not', () => {
    const { diameter } = hole('low-b-flat');
    // Where no post stands within either width: only the rim decides.
    const spot = (gap: number) => ({ ...at('low-b-flat', diameter / 2 + gap), width: 4 });
    const posts = partsNear(sax, spot(0), 5).posts;
    expect(posts).toEqual([]);
    expect(isNearSeal(sax, spot(4))).toBe(true);
    expect(isNearSeal(sax, spot(4.2))).toBe(false);
  });
});

describe('how far work reaches', () => {
  test('straightening moves every hole, post, key and joint of its tube, its receiver too, and nothing of another', () => {
    const moved = reachedBy(sax, 'tube', 'body');
    const on = (section: string) => sax.holes.filter((each) => each.section === section).map(({ id }) => id);
    for (const id of on('body')) expect(moved).toEqual(expect.arrayContaining([`rim:${id}`, `pad:${id}`]));
    for (const section of ['neck', 'bow', 'bell'])
      for (const id of on(section)) expect(moved).not.toContain(`rim:${id}`);
    expect(moved.filter((measure) => measure.startsWith('joint:'))).toEqual(['joint:neck-receiver', 'joint:body-bow']);
    expect(moved).toEqual(expect.arrayContaining(['body-line:body', 'bore:body', 'hinge:e-key', 'link:*']));
    for (const key of ['neck-octave-key', 'low-c-key']) expect(moved).not.toContain(`hinge:${key}`);
    const posts = sax.posts.filter(({ section }) => section === 'body');
    expect(moved.filter((measure) => measure.startsWith('post:'))).toHaveLength(posts.length);
  });
  test('a bell that is turned moves what spans bell and body', () => {
    const moved = reachedBy(sax, 'bell', 'instrument');
    expect(bellSection(sax)).toBe('bell');
    expect(moved).toEqual(
      expect.arrayContaining(['body-line:bell', 'joint:bow-bell', 'pad:low-b', 'hinge:low-b-key', 'pad:low-c-sharp']),
    );
    expect(moved).not.toContain('pad:e');
    expect(fittingsOver(sax, new Set(['low-b-key']))).toEqual(['bell-guard']);
  });
  test('a dent moves what lies within two of its widths; a wider one more', () => {
    const { diameter } = hole('e');
    const spot = (width: number) => [{ ...at('e', diameter / 2 + 20), width }];
    expect(reachedBy(sax, 'near', 'body', spot(9))).not.toContain('rim:e');
    expect(reachedBy(sax, 'near', 'body', spot(10))).toEqual(
      expect.arrayContaining(['rim:e', 'hole:e', 'pad:e', 'bore:body']),
    );
  });
  test('where nobody has said where it lies, all of its tube may have moved', () => {
    const moved = reachedBy(sax, 'near', 'bell');
    for (const { id } of sax.holes.filter(({ section }) => section === 'bell')) expect(moved).toContain(`rim:${id}`);
    expect(moved).not.toContain('rim:e');
  });
  test('heat loosens what is soldered and softens what is glued, never a rim of one piece with its tube', () => {
    const soldered = sax.holes.find(({ rim }) => rim === 'soldered');
    expect(soldered).toBeDefined();
    const spot = { section: soldered?.section ?? '', at: soldered?.at ?? 0, clock: soldered?.clock ?? 0, width: 8 };
    expect(reachedBy(sax, 'heat', soldered?.id ?? '', [spot])).toEqual(
      expect.arrayContaining([`rim:${soldered?.id}`, `pad:${soldered?.id}`]),
    );
    const bell = reachedBy(sax, 'heat', 'low-b', [{ ...at('low-b'), width: 8 }]);
    expect(hole('low-b').rim).toBe('drawn');
    expect(bell).toContain('pad:low-b');
    expect(bell).not.toContain('rim:low-b');
  });
  test('a key moves itself and its pads; a rod all keys on it, a link both of its keys', () => {
    expect(reachedBy(sax, 'key', 'low-b-key')).toEqual(['hinge:low-b-key', 'pad:low-b', 'link:*']);
    expect(keysOfPart(sax, 'bell-key-rod')).toEqual(bellKeys);
    expect(keysOfPart(sax, 'low-b-to-low-c-sharp').sort()).toEqual(['low-b-key', 'low-c-sharp-key']);
    const post = sax.posts.find(({ rod }) => rod === 'bell-key-rod');
    expect(keysOfPart(sax, post?.id ?? '')).toEqual(bellKeys);
    expect(keysOfPart(sax, 'low-b')).toEqual(['low-b-key']);
  });
});

describe('the keys in the way', () => {
  test('are those at the spot, those on their rods, and those that pass over them', () => {
    expect(keysInTheWay(sax, 'key', 'low-b')).toEqual(expect.arrayContaining(['low-b-key', 'low-b-flat-key']));
    const fSharp = keysInTheWay(sax, 'key', 'f-sharp-key');
    // The G♯ key passes over the F♯ key, and the lever over the G♯ key.
    expect(fSharp).toEqual(expect.arrayContaining(['f-sharp-key', 'g-sharp-key', 'g-sharp-lever']));
    expect(fSharp).not.toContain('high-d-key');
  });
  test('a whole tube takes off every key that hangs on it', () => {
    const off = new Set(keysInTheWay(sax, 'tube', 'body'));
    const rods = new Set(sax.rods.filter(({ section }) => section === 'body').map(({ id }) => id));
    for (const { id, rod } of sax.keys) if (rod && rods.has(rod)) expect(off.has(id)).toBe(true);
  });
  test('a post takes off all that turns on its rods, wherever their pads lie', () => {
    const spot = { section: 'body', at: 100, clock: 0, width: 4 };
    const [key] = sax.keys.filter(({ id }) => id === 'high-d-key');
    const bare = {
      ...sax,
      holes: [],
      pads: [],
      rods: [],
      links: [],
      posts: [{ id: 'lone-post', name: 'Lone post', section: 'body', at: 100, clock: 0, rod: 'lone-rod' }],
      keys: key
        ? [
            { ...key, rod: 'lone-rod' },
            { ...key, id: 'other', rod: 'another' },
          ]
        : [],
    } as typeof sax;
    expect(keysInTheWay(bare, 'near', 'body', [spot])).toEqual(['high-d-key']);
    expect(keysInTheWay(bare, 'near', 'body', [{ ...spot, at: 300 }])).toEqual([]);
  });
  test('bare tube has none in its way', () =>
    expect(keysInTheWay(sax, 'near', 'neck', [{ section: 'neck', at: 30, clock: 180, width: 4 }])).toEqual([]));
});
