import { describe, expect, test } from '@jest/globals';
import { sax, TestJob } from '../../tests/testJob';
import { misfits, type NewEntry } from '../job';
import { judgeJob } from '../judgement';
import { foldShop, type ShopEntry } from '../shop';
import { solveSpring } from '../springs';
import type { StockItem } from '../stock';
import {
  forceAtTouch,
  forceBand,
  helperIsLighter,
  springQuestion,
  springRows,
  springSize,
  usualSpringMaterials,
  wiresFor,
  type SpringAsSet,
  type SpringMeasures,
} from '.';
import { entryProblems } from '../jobForms';

const [steel] = usualSpringMaterials;
if (!steel) throw new Error('no material');
const [sprung] = sax.keys.filter(({ springs }) => (springs?.length ?? 0) > 0);
const key = sprung?.id ?? '';
const force = { group: 'spring', part: key, measure: 'force', clock: 0 } as const;
const spring = (more: object = {}) => ({
  key,
  which: 'main',
  section: { diameter: 0.8 },
  material: steel.id,
  length: 25,
  preset: 3,
  travel: 0.6,
  catchRadius: 4,
  touchRadius: 20,
  padRadius: 16,
  ...more,
});
const wire = (diameter: number, more: Partial<StockItem> = {}): StockItem => ({
  id: `w${diameter}`,
  kind: 'spring-wire',
  diameter,
  material: steel.name,
  soldIn: 'mm',
  counted: 'piece',
  count: 5,
  ...more,
});
const rowOf = (job: TestJob) => springRows(job.state, sax, judgeJob(job.state, sax)).find((row) => row.key === key);

describe('the springs of a job', () => {
  test('every key with a spring, as it is felt and as it is set', () => {
    const job = new TestJob();
    expect(springRows(job.state, sax, judgeJob(job.state, sax)).map((row) => row.key)).toEqual(
      sax.keys.filter(({ springs }) => (springs?.length ?? 0) > 0).map(({ id }) => id),
    );
    job.read(force, 0.4, 'force-gauge');
    job.write('spring-set', spring());
    expect(rowOf(job)).toMatchObject({ force: 0.4, before: null, main: { preset: 3 }, helper: null });
    // Only when it was bent is it felt again.
    job.write('spring-set', spring({ preset: 2.6, done: true }));
    expect(rowOf(job)).toMatchObject({ force: null, before: 0.4, state: 'stale', main: { preset: 2.6 } });
    job.write('spring-set', spring({ which: 'helper', section: { diameter: 0.6 } }));
    expect(rowOf(job)).toMatchObject({ main: { section: { diameter: 0.8 } }, helper: { section: { diameter: 0.6 } } });
  });
  test('a needle has a diameter, a flat spring width and thickness, and both a key', () => {
    const job = new TestJob();
    const entry = (body: object) =>
      ({
        id: '00000000-0000-4000-8000-000000000001',
        kind: 'spring-set',
        author: 'x',
        benchTime: job.now,
        body,
      }) as unknown as NewEntry;
    const isWell = (section: object) => entryProblems(entry(spring({ section }))).length === 0;
    expect([{ diameter: 0.8 }, { width: 2, thickness: 0.3 }].map(isWell)).toEqual([true, true]);
    expect([{}, { width: 2 }, { diameter: 0.8, width: 2 }, { diameter: 0 }].map(isWell)).toEqual([
      false,
      false,
      false,
      false,
    ]);
    expect(misfits(job.state, entry(spring({ key: 'nowhere' }))).map(({ path }) => path)).toEqual(['/body/key']);
  });
  test('the band of forces is that of the practice, and the question the solver is asked has it', () => {
    const job = new TestJob();
    const band = forceBand(job.state, sax);
    expect(band.least).toBeGreaterThan(0);
    expect(band.most).toBeGreaterThan(band.least ?? 0);
    job.write('spring-set', spring());
    const main = rowOf(job)?.main as SpringAsSet;
    const question = springQuestion(main, steel, band, [wire(0.9), wire(0.7), wire(0.9, { id: 'again' })]);
    expect(question).toMatchObject({ diameter: 0.8, limits: { touch: [band.least, band.most] }, stock: [0.9, 0.7] });
    const { setPreset } = solveSpring(question);
    const set = solveSpring({ ...question, preset: setPreset });
    expect(set.rest.touch).toBeCloseTo(((band.least ?? 0) + (band.most ?? 0)) / 2);
    expect(springQuestion(main, steel, { least: 0.2, most: null }, []).limits.touch).toEqual([0.2, 0.4]);
    expect(springQuestion(main, steel, { least: null, most: 0.4 }, []).limits.touch).toEqual([0, 0.4]);
  });
  test('wires of the same kind and material can stand in its place, flat ones of the same width', () => {
    const items = [
      wire(0.7),
      wire(0.8, { material: 'bronze' }),
      wire(0.9, { retired: true }),
      wire(1, { id: 'plain' }),
    ];
    const { material: _, ...plain } = items[3] as StockItem;
    const stock = { items: [...items.slice(0, 3), plain as StockItem] };
    expect(wiresFor({ section: { diameter: 1 } }, steel, stock).map(({ id }) => id)).toEqual(['w0.7', 'plain']);
    const flat = (width: number) => ({
      ...wire(0),
      id: `f${width}`,
      kind: 'flat-spring' as const,
      width,
      thickness: 0.3,
    });
    const flats = { items: [flat(2.4), flat(3)] };
    expect(wiresFor({ section: { width: 2.5, thickness: 1 } }, steel, flats).map(({ id }) => id)).toEqual(['f2.4']);
  });
  test('a helper is lighter than its main spring', () => {
    const main = { section: { diameter: 0.8 } } as SpringAsSet;
    const helper = { section: { diameter: 0.6 } } as SpringAsSet;
    const touch = ({ section }: SpringMeasures) => springSize(section);
    expect(helperIsLighter({ main, helper }, touch)).toBe(true);
    expect(helperIsLighter({ main: helper, helper: main }, touch)).toBe(false);
    expect(helperIsLighter({ main, helper: null }, touch)).toBeNull();
  });
  test('a shop says what its springs are made of', () => {
    const entry = (seq: number, body: object) =>
      ({
        id: `00000000-0000-4000-8000-00000000000${seq}`,
        seq,
        kind: 'spring-material',
        author: 'x',
        benchTime: '2026-11-23T08:00:00Z',
        body,
      }) as unknown as ShopEntry;
    const shop = foldShop([
      entry(1, { ...steel, yield: 1700 }),
      entry(2, { id: 'own', name: 'our own', modulus: 200, yield: 1800 }),
    ]);
    expect(shop.springMaterials).toHaveLength(usualSpringMaterials.length + 1);
    expect(shop.springMaterials[0]).toMatchObject({ id: steel.id, yield: 1700 });
  });
});

test('a force read at the pad or the catch is told at the touch, by the arms; at the touch it is what it is', () => {
  const arms = { catchRadius: 4, touchRadius: 20, padRadius: 16 };
  expect(forceAtTouch(0.4, 'touch', arms)).toBe(0.4);
  expect(forceAtTouch(0.5, 'pad', arms)).toBeCloseTo(0.4, 12);
  expect(forceAtTouch(2, 'catch', arms)).toBeCloseTo(0.4, 12);
  // The same arms the solver reckons with: what it says of pad and catch comes back to its touch.
  const { rest } = solveSpring({
    kind: 'needle',
    modulus: 200,
    yield: 2000,
    diameter: 0.8,
    length: 25,
    preset: 3,
    travel: 0.6,
    ...arms,
    limits: { touch: [0.3, 0.5] },
  });
  for (const at of ['pad', 'catch'] as const) expect(forceAtTouch(rest[at], at, arms)).toBeCloseTo(rest.touch, 9);
});
