import { describe, expect, test } from '@jest/globals';
import { sax, TestJob, told } from '../../tests/testJob';
import { applyOptions, instrumentType, type InstrumentType } from '../instruments';
import { solvePadChoice } from '../pads';
import type { StockItem } from '../stock';
import {
  choosePads,
  openingWords,
  padLine,
  padPlaces,
  pierceSizes,
  remedyWords,
  setLines,
  usualPadSet,
  usualStand,
  wantedPad,
  type PadAnswer,
} from '.';

const flute = applyOptions(instrumentType('concert-flute') as InstrumentType, ['open-holes', 'split-e', 'pinned']);
const pad = (id: string, diameter: number, thickness: number, more: Partial<StockItem> = {}): StockItem => ({
  id,
  kind: 'pad',
  diameter,
  thickness,
  soldIn: 'mm',
  counted: 'piece',
  count: 10,
  ...more,
});
const punch = (hole: number): StockItem => ({
  id: 'punch',
  kind: 'punch',
  hole,
  soldIn: 'mm',
  counted: 'piece',
  count: 1,
});
const at = (part: string, measure: 'stand' | 'cup' | 'cup-depth') =>
  ({ group: 'pad', part, measure, clock: 0 }) as const;
const place = (job: TestJob, hole: string, settings = usualPadSet) =>
  padPlaces(job.state, sax, settings).find((each) => each.hole === hole);
const [of] = sax.pads.filter(({ hole }) => hole === 'e');
const across = (of?.diameter ?? 0) + 0.2;

describe('a cup that wants a pad', () => {
  test('is known by its type until somebody reads it, and says so', () => {
    const job = new TestJob();
    expect(place(job, 'e')).toMatchObject({
      cup: { diameter: across, depth: of?.cupDepth },
      assumed: ['cup', 'cup-depth'],
      stand: usualStand.saxophone,
      standBy: 'practice',
      bed: 0.3,
      open: false,
      reuse: false,
    });
    job.read(at('e', 'cup'), 31.3, 'caliper');
    job.read(at('e', 'cup-depth'), 3.1, 'caliper');
    expect(place(job, 'e')).toMatchObject({ cup: { diameter: 31.3, depth: 3.1 }, assumed: [] });
    // Work on the pads has not moved a cup.
    job.done('clean:instrument', { disturbs: ['pad:*'] });
    expect(place(job, 'e')).toMatchObject({ cup: { diameter: 31.3, depth: 3.1 }, assumed: [] });
  });
  test('goes by the old pad, else by the middle of its stack, else by the figure of the shop', () => {
    const job = new TestJob();
    const stack = sax.pads.filter((each) => each.stack === of?.stack && each.hole !== 'e').map(({ hole }) => hole);
    [1.0, 1.2, 1.5].forEach((stand, i) => job.read(at(stack[i] ?? '', 'stand'), stand, 'caliper'));
    expect(place(job, 'e')).toMatchObject({ stand: 1.2, standBy: 'stack' });
    job.read(at('e', 'stand'), 1.05, 'caliper');
    expect(place(job, 'e')).toMatchObject({ stand: 1.05, standBy: 'old' });
    expect(place(job, 'e', { ...usualPadSet, standBy: 'stack' })?.stand).toBeCloseTo(1.125);
    expect(place(job, 'e', { ...usualPadSet, standBy: 'practice', stand: 0.9 })).toMatchObject({ stand: 0.9 });
    const other = sax.pads.find((each) => each.stack !== of?.stack)?.hole ?? '';
    expect(place(job, other)).toMatchObject({ standBy: 'practice' });
  });
  test('a dry pad lies on no bed', () => {
    const job = new TestJob({
      instrumentType: 'concert-flute',
      options: ['open-holes', 'split-e', 'pinned'],
      family: 'flute',
    });
    const places = padPlaces(job.state, flute, usualPadSet);
    expect(new Set(places.map(({ hold, bed }) => `${hold} ${bed}`))).toEqual(
      new Set(['adhesive 0.3', 'grommet 0', 'screw 0']),
    );
    expect(places.filter(({ open }) => open)).toHaveLength(5);
  });
  test('are listed down the tube', () => {
    const order = new Map(sax.holes.map(({ id }, i) => [id, i]));
    const places = padPlaces(new TestJob().state, sax, usualPadSet).map(({ hole }) => order.get(hole) ?? -1);
    expect(places).toEqual([...places].sort((a, b) => a - b));
    expect(places).toHaveLength(sax.pads.length);
  });
});

describe('a set of pads', () => {
  const depth = of?.cupDepth ?? 3;
  const need = usualStand.saxophone + depth - 0.3;
  const wide = of?.diameter ?? 0;
  const rowOf = (items: StockItem[], hole = 'e', settings = usualPadSet) =>
    choosePads(new TestJob().state, sax, { items }, settings).find((row) => row.hole === hole);
  test('the first of each cup is the one the solver takes; the others follow by how near they come', () => {
    const items = [
      pad('thin', wide, need - 0.4),
      pad('near', wide, need + 0.1),
      pad('far', wide, need + 0.9),
      pad('small', wide - 1, need),
    ];
    const row = rowOf(items);
    expect(row?.answers.map(({ item }) => item.id)).toEqual(['near', 'thin', 'far']);
    const alone = solvePadChoice({
      cup: { diameter: across, depth },
      stand: usualStand.saxophone,
      axisDistance: of?.axisDistance ?? 0,
      limits: { gap: 0.03 },
      stock: items.map(({ id, diameter = 0, thickness = 0 }) => ({ id, diameter, thickness })),
    });
    expect(row?.answers[0]?.fit).toMatchObject({ need: alone.need, error: alone.error, predicted: alone.predicted });
  });
  test('of two that are alike the one that lies there comes first', () => {
    const row = rowOf([pad('gone', wide, need, { count: 0 }), pad('there', wide, need)]);
    expect(row?.answers.map(({ item }) => item.id)).toEqual(['there', 'gone']);
  });
  test('says why none goes in', () => {
    expect(told(rowOf([])?.problem ?? undefined)).toBe('No closed pad lies in the drawers.');
    expect(told(rowOf([pad('small', wide - 5, need)])?.problem ?? undefined)).toMatch(/^No pad of the stock leaves/);
    expect(rowOf([pad('away', wide, need, { retired: true })])?.answers).toEqual([]);
    expect(rowOf([pad('pierced', wide, need, { hole: 6 })])?.answers).toEqual([]);
  });
  test('open cups take pierced pads, and closed ones where there is a punch for the hole', () => {
    const job = new TestJob({
      instrumentType: 'concert-flute',
      options: ['open-holes', 'split-e', 'pinned'],
      family: 'flute',
    });
    const open = padPlaces(job.state, flute, usualPadSet).find((each) => each.open);
    const fit = (open?.cup.diameter ?? 0) - 0.2;
    const thick = (open?.stand ?? 0) + (open?.cup.depth ?? 0);
    const answers = (items: StockItem[], pierce: number | null = null) =>
      choosePads(job.state, flute, { items }, { ...usualPadSet, pierce })
        .find(({ hole }) => hole === open?.hole)
        ?.answers.map(({ item, pierce: cut }) => [item.id, cut]);
    const closed = pad('closed', fit, thick);
    const pierced = pad('pierced', fit, thick, { hole: 6 });
    expect(answers([closed])).toEqual([]);
    expect(answers([closed, punch(6)])).toEqual([['closed', 6]]);
    // One that is pierced already is taken before one that has to be.
    expect(answers([closed, punch(6), pierced])).toEqual([
      ['pierced', null],
      ['closed', 6],
    ]);
    expect(answers([closed, punch(6), pierced], 7)).toEqual([]);
    expect(pierceSizes({ items: [pierced, punch(6.02), punch(7), closed] })).toEqual([6, 7]);
  });
  test('what was chosen stands in the row, and is written down with its price and its cut', () => {
    const job = new TestJob();
    const items = [pad('near', wide, need, { price: 240 })];
    const row = choosePads(job.state, sax, { items }, usualPadSet).find(({ hole }) => hole === 'e');
    const answer = row?.answers[0] as PadAnswer;
    const line = row && padLine(row, { ...answer, pierce: 6 });
    expect(line).toMatchObject({ part: 'e', use: 'pad', item: 'near', count: 1, price: 240, pierce: 6, bed: 0.3 });
    job.write('chosen', { lines: [line] });
    expect(choosePads(job.state, sax, { items }, usualPadSet).find(({ hole }) => hole === 'e')?.chosen).toMatchObject({
      item: 'near',
      taken: null,
    });
  });
  test('added up by thing: how many, how many of them punched, and how many short', () => {
    const items = [pad('b', 17, 3), pad('a', 16, 3, { count: 1 })];
    const line = (item: string, part: string, pierce?: number) => ({
      part,
      use: 'pad' as const,
      item,
      thing: { kind: 'pad' as const },
      count: 1,
      ...(pierce !== undefined && { pierce }),
    });
    const sums = setLines([line('a', 'e', 6), line('a', 'f'), line('b', 'g'), { ...line('b', 'd'), count: 0 }], {
      items,
    });
    expect(sums.map(({ item, count, punched, short }) => [item.id, count, punched, short])).toEqual([
      ['a', 2, 1, 1],
      ['b', 1, 0, 0],
    ]);
  });
});

describe('a pad that lies in no drawer', () => {
  const job = new TestJob();
  const [e] = padPlaces(job.state, sax, usualPadSet).filter(({ hole }) => hole === 'e');
  if (!e) throw new Error('no pad');
  const wanted = (
    cup: { diameter: number; depth: number },
    more: object = {},
    clearance: [number, number] = [0, 0.3],
  ) => wantedPad({ ...e, cup, ...more }, { ...usualPadSet, clearance }, { items: [punch(6)] });
  test('is asked for as it is sold: the widest that leaves the room, as thick as lands level', () => {
    expect(wanted({ diameter: 31.2, depth: 3 })).toEqual({ kind: 'pad', diameter: 31, thickness: 3.8 });
    expect(wanted({ diameter: 31, depth: 3 })).toMatchObject({ diameter: 31 });
    expect(wanted({ diameter: 31.45, depth: 3.04 })).toMatchObject({ diameter: 31.3, thickness: 3.8 });
    expect(wanted({ diameter: 31.2, depth: 3 }, {}, [0.3, 0.6])).toMatchObject({ diameter: 30.75 });
    expect(wanted({ diameter: 17.2, depth: 3 }, { open: true })).toMatchObject({ diameter: 17, hole: 6 });
    expect(wanted({ diameter: 5, depth: 1 }, { open: true })).not.toHaveProperty('hole');
  });
  test('goes into the cup it was asked for', () => {
    for (const place of padPlaces(job.state, sax, usualPadSet)) {
      const { diameter = 0, thickness = 0 } = wantedPad(place, usualPadSet, { items: [] });
      const items = [pad('new', diameter, thickness, { count: 0 })];
      const row = choosePads(job.state, sax, { items }, usualPadSet).find(({ hole }) => hole === place.hole);
      expect([place.hole, row?.answers.length]).toEqual([place.hole, 1]);
      expect(Math.abs(row?.answers[0]?.fit.error ?? 1)).toBeLessThanOrEqual(0.05 + 1e-9);
    }
  });
});

describe('what a pad would do, in words', () => {
  const answer = (error: number, remedy: PadAnswer['fit']['remedy'], side: 'front' | 'back' | null): PadAnswer => ({
    item: pad('a', 31, 4),
    pierce: null,
    fit: {
      pad: { id: 'a', diameter: 31, thickness: 4 },
      need: 4 - error,
      error,
      predicted: { side, gap: side === null ? 0 : 0.08 },
      bedNeeded: 0.3 - error,
      remedy,
    },
  });
  test('where it opens', () => {
    expect(told(openingWords(answer(0.1, 'bed', 'front')))).toBe('opens at the front by 0.080 mm');
    expect(told(openingWords(answer(0, 'as-is', null)))).toBe('lands level');
  });
  test('what makes it right: a dry pad is never bedded in adhesive', () => {
    const words = (error: number, remedy: PadAnswer['fit']['remedy'], hold: 'adhesive' | 'screw') =>
      told(remedyWords(answer(error, remedy, null), { hold }));
    expect(words(0, 'as-is', 'adhesive')).toBe('goes in as it is, over a bed of 0.300 mm');
    expect(words(0, 'as-is', 'screw')).toBe('goes in as it is');
    expect(words(-0.2, 'bed', 'adhesive')).toBe('a bed of 0.500 mm makes it level');
    expect(words(-0.2, 'bed', 'screw')).toBe('shims of 0.500 mm behind it, all round');
    expect(words(0.25, 'shim-or-bend', 'adhesive')).toMatch(/^0\.250 mm too thick/);
    expect(words(-0.25, 'shim-or-bend', 'screw')).toMatch(/^0\.250 mm too thin: shims/);
    expect(words(1.2, 'other-stock', 'adhesive')).toBe('1.200 mm too thick: another pad');
    for (const remedy of ['as-is', 'bed', 'shim-or-bend', 'other-stock'] as const)
      expect(words(-0.2, remedy, 'screw')).not.toMatch(/bed|adhesive|glue|heat/);
  });
});
