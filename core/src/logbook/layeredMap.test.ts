import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { LayeredMap } from './layeredMap';

const key = fc.integer({ min: 0, max: 1500 });
const deed = fc.oneof(
  { weight: 12, arbitrary: fc.record({ does: fc.constant('set' as const), key, value: fc.option(fc.nat()) }) },
  { weight: 1, arbitrary: fc.record({ does: fc.constant('delete' as const), key }) },
  { weight: 1, arbitrary: fc.record({ does: fc.constant('copy' as const) }) },
);

describe('a layered map', () => {
  test('says what a plain map says, whatever is done to it, and a copy leaves what it was copied from alone', () =>
    fc.assert(
      fc.property(fc.array(fc.tuple(key, fc.nat())), fc.array(deed, { maxLength: 80 }), (first, deeds) => {
        let plain = new Map<number, number | null>(first);
        let layered: Map<number, number | null> = new LayeredMap(new Map<number, number | null>(first));
        const left: [Map<number, number | null>, Map<number, number | null>][] = [];
        const same = (a: Map<number, number | null>, b: Map<number, number | null>) => {
          expect([...b]).toEqual([...a]);
          expect([...b.keys()]).toEqual([...a.keys()]);
          expect([...b.values()]).toEqual([...a.values()]);
          expect(b.size).toBe(a.size);
        };
        for (const each of deeds) {
          if (each.does === 'copy') {
            left.push([new Map(plain), layered]);
            plain = new Map(plain);
            layered = new LayeredMap(layered);
          } else if (each.does === 'set') {
            plain.set(each.key, each.value);
            layered.set(each.key, each.value);
            expect(layered.get(each.key)).toBe(each.value);
          } else expect(layered.delete(each.key)).toBe(plain.delete(each.key));
        }
        same(plain, layered);
        for (const [was, is] of left) same(was, is);
      }),
    ));
  test('grows over many layers', () => {
    const map = new LayeredMap<number, number>(new Map([[-1, 0]]));
    for (let i = 0; i < 3000; i += 1) map.set(i % 2000, i);
    expect(map.size).toBe(2001);
    expect([map.get(-1), map.get(0), map.get(1999), map.has(2000)]).toEqual([0, 2000, 1999, false]);
    expect([...map.keys()].slice(0, 3)).toEqual([-1, 0, 1]);
    const seen: number[] = [];
    map.forEach((value) => seen.push(value));
    expect(seen).toHaveLength(2001);
    map.clear();
    expect([...map]).toEqual([]);
  });
});
