import { describe, expect, test } from '@jest/globals';
import * as fc from 'fast-check';
import { TestJob } from '../../tests/testJob';
import { instrumentType, type InstrumentType } from '../instruments';
import { misfits, type NewEntry } from '../job';
import type { Offcut, StockItem } from '../stock';
import { corkAnswer, cutFrom, tenonGap } from '.';

const sheet = (thickness: number, more: Partial<StockItem> = {}): StockItem => ({
  id: `cork-${thickness}`,
  kind: 'cork',
  thickness,
  length: 150,
  width: 100,
  soldIn: 'mm',
  counted: 'sheet',
  count: 1,
  ...more,
});
const offcut = (id: string, thickness: number, length: number, width: number): Offcut => ({
  id,
  kind: 'cork',
  thickness,
  length,
  width,
});
const stock = {
  items: [0.8, 1.2, 1.6, 2].map((each) => sheet(each)),
  offcuts: [offcut('a', 1.6, 30, 6), offcut('b', 1.6, 6, 14), offcut('c', 1.2, 13, 6)],
};

describe('what a place that wants cork is given', () => {
  test('the sheet that is thick enough when it is pressed, and an offcut before a new sheet', () => {
    const answer = corkAnswer({ kind: 'cork', gap: 1.2, length: 12, width: 5 }, stock);
    expect(answer?.need).toBeCloseTo(1.411765, 6);
    expect(answer).toMatchObject({ stock: 1.6, sheet: { id: 'cork-1.6' }, piece: { id: 'b' } });
    expect(corkAnswer({ kind: 'cork', gap: 1.2, length: 40, width: 5 }, stock)).toMatchObject({
      sheet: { id: 'cork-1.6' },
      piece: null,
    });
  });
  test('two layers where no sheet is thick enough', () => {
    expect(corkAnswer({ kind: 'cork', gap: 2.4 }, stock)).toMatchObject({
      sheet: null,
      layers: [2, 1.2],
    });
  });
  test('felt and bumpers are cut from felt, and pressed less', () => {
    expect(corkAnswer({ kind: 'felt', gap: 1 }, stock)).toBeNull();
    const felt = { items: [sheet(1.2, { id: 'felt', kind: 'felt' })], offcuts: [] };
    expect(corkAnswer({ kind: 'felt', gap: 1 }, felt)?.need).toBeCloseTo(1 / 0.9);
    expect(corkAnswer({ kind: 'bumper', gap: 1 }, felt)?.need).toBeCloseTo(1 / 0.95);
    expect(corkAnswer({ kind: 'tenon', gap: 1, squeeze: 0.25 }, stock)?.need).toBeCloseTo(1 / 0.75);
  });
  test('nothing until its gap is known', () => {
    expect(corkAnswer({ kind: 'cork' }, stock)).toBeNull();
    expect(corkAnswer({ kind: 'cork', gap: 1 }, { items: [], offcuts: [] })).toBeNull();
  });
});

describe('what is left of a sheet', () => {
  test('is cut so that the larger piece stays whole', () => {
    expect(cutFrom({ length: 150, width: 100 }, { length: 12, width: 5 })).toEqual([
      { length: 145, width: 100 },
      { length: 88, width: 5 },
    ]);
    expect(cutFrom({ length: 14, width: 6 }, { length: 12, width: 5 })).toEqual([]);
    expect(cutFrom({ length: 14, width: 6 }, { length: 5, width: 12 })).toEqual([]);
    expect(cutFrom({ length: 14, width: 6 }, { length: 15, width: 2 })).toBeNull();
  });
  test('is never more than there was, and never too narrow to be used', () => {
    const side = fc.integer({ min: 1, max: 300 });
    fc.assert(
      fc.property(side, side, side, side, (length, width, a, b) => {
        const left = cutFrom({ length, width }, { length: a, width: b });
        const fits = (a <= length && b <= width) || (b <= length && a <= width);
        expect(left !== null).toBe(fits);
        const sum = (left ?? []).reduce((total, each) => total + each.length * each.width, 0);
        if (left !== null) expect(sum).toBeLessThanOrEqual(length * width - a * b);
        for (const each of left ?? []) expect(Math.min(each.length, each.width)).toBeGreaterThanOrEqual(4);
      }),
      { numRuns: 300, seed: 7 },
    );
  });
});

describe('places that want cork', () => {
  const point = (more: object = {}) => ({ id: 'foot-1', part: 'e', place: 'under the foot', kind: 'cork', ...more });
  test('are a guess now and the truth at assembly; several at one part', () => {
    const job = new TestJob();
    job.write('cork-point', point({ tried: 1.4 }));
    job.write('cork-point', point({ id: 'foot-2', place: 'at the bridge' }));
    job.write('cork-point', point({ tried: 1.4, final: 1.25 }));
    expect([...job.state.corks.values()].map(({ id, tried, final }) => [id, tried, final])).toEqual([
      ['foot-1', 1.4, 1.25],
      ['foot-2', undefined, undefined],
    ]);
    job.write('cork-point', point({ removed: true }));
    expect([...job.state.corks.keys()]).toEqual(['foot-2']);
  });
  test('are on a part of this instrument', () => {
    const job = new TestJob();
    const entry = { kind: 'cork-point', body: point({ part: 'nowhere' }) } as unknown as NewEntry;
    expect(misfits(job.state, entry).map(({ path }) => path)).toEqual(['/body/part']);
  });
  test('at a corked joint the figures say how much room there is', () => {
    const clarinet = instrumentType('b-flat-clarinet') as InstrumentType;
    const job = new TestJob({ instrumentType: clarinet.id, family: 'clarinet' });
    const joint = clarinet.joints.find(({ kind }) => kind === 'corked');
    const read = (measure: 'tenon' | 'receiver', value: number) =>
      job.read({ group: 'joint', part: joint?.id ?? '', measure, at: 0, clock: 0 }, value, 'caliper');
    expect(tenonGap(job.state, clarinet, joint?.id ?? '')).toBeNull();
    read('tenon', 21.4);
    expect(tenonGap(job.state, clarinet, joint?.id ?? '')).toBeNull();
    read('receiver', 23.4);
    expect(tenonGap(job.state, clarinet, joint?.id ?? '')).toBeCloseTo(1);
    expect(tenonGap(job.state, clarinet, 'nowhere')).toBeNull();
  });
});
