import { describe, expect, test } from '@jest/globals';
import { sax, TestJob } from '../../tests/testJob';
import { misfits, type NewEntry } from '../job';
import { lineFor } from '../materials';
import type { StockItem } from '../stock';
import { chooseResonators, stackStands, turnShims } from '.';
import { entryProblems } from '../jobForms';

const stand = (part: string) => ({ group: 'pad', part, measure: 'stand', clock: 0 }) as const;
const lower = sax.pads.filter(({ stack }) => stack === 'lower').map(({ hole }) => hole);
const [first = '', second = '', third = ''] = lower;
const lowerStack = (job: TestJob) => stackStands(job.state, sax).find(({ stack }) => stack === 'lower');

describe('a stack from the side', () => {
  test('shows how the old pads stood until new ones are in, then both', () => {
    const job = new TestJob();
    expect(stackStands(job.state, sax)).toEqual([]);
    job.read(stand(first), 1.0, 'caliper');
    expect(lowerStack(job)).toMatchObject({ spreadBefore: null, spreadAfter: null });
    job.read(stand(second), 1.3, 'caliper');
    expect(lowerStack(job)?.spreadBefore).toBeCloseTo(0.3);
    expect(lowerStack(job)?.pads.map(({ hole }) => hole)).toEqual(lower);
    // Work that made the figure stale has not put in a pad.
    job.done('clean:instrument', { disturbs: ['pad:*'] });
    expect(lowerStack(job)?.pads[0]).toEqual({ hole: first, before: 1, after: null });
    job.read(stand(first), 1.12, 'caliper');
    job.read(stand(second), 1.14, 'caliper');
    job.read(stand(third), 1.13, 'caliper');
    expect(lowerStack(job)?.pads[0]).toEqual({ hole: first, before: 1, after: 1.12 });
    expect(lowerStack(job)?.spreadAfter).toBeCloseTo(0.02);
    expect(lowerStack(job)?.limit).toBeGreaterThan(0);
  });
  test('a pad that was put in and read first then has no figure of the one before it', () => {
    const job = new TestJob();
    const line = { part: first, use: 'pad', item: 'x', thing: { kind: 'pad' }, count: 1 };
    job.write('chosen', { lines: [line] });
    job.write('operation-done', {
      operation: `replace-pad:${first}`,
      title: 'x',
      minutes: 1,
      disturbs: [],
      cures: [],
      takes: [`pad:${first}`],
    });
    job.read(stand(first), 1.1, 'caliper');
    expect(lowerStack(job)?.pads[0]).toEqual({ hole: first, before: null, after: 1.1 });
  });
});

describe('resonators', () => {
  const disc = (id: string, diameter: number): StockItem => ({
    id,
    kind: 'resonator',
    diameter,
    soldIn: 'mm',
    counted: 'piece',
    count: 3,
  });
  test('the nearest to the wish first, and none that would touch the rim', () => {
    const hole = sax.holes.find(({ id }) => id === 'd');
    const pad = sax.pads.find((each) => each.hole === 'd');
    const across = hole?.diameter ?? 0;
    const wish = (pad?.diameter ?? 0) * 0.6;
    const items = [disc('wide', across), disc('near', wish + 0.5), disc('small', wish - 6)];
    const row = (share?: number) =>
      chooseResonators(new TestJob().state, sax, { items }, share).find((each) => each.hole === 'd');
    expect(row()?.answers.map(({ id }) => id)).toEqual(['near', 'small']);
    expect(row(0.4)?.answers.map(({ id }) => id)).toEqual(['small', 'near']);
    expect(row(5)?.wanted).toBe(across);
    expect(lineFor('resonator', 'd', disc('near', 20))).toMatchObject({
      part: 'd',
      use: 'resonator',
      thing: { kind: 'resonator', diameter: 20 },
    });
  });
  test('what snaps in is offered where a pad is made for it, or was seen to be, and nowhere else', () => {
    const items = [disc('riveted', 15), { ...disc('snapping', 15.2), form: 'snap, six petals' }];
    const job = new TestJob();
    const offered = (hole: string) =>
      chooseResonators(job.state, sax, { items })
        .find((each) => each.hole === hole)
        ?.answers.map(({ id }) => id);
    expect(offered('d')).toEqual(['riveted']);
    job.write('observation', { part: 'd', about: 'fit', resonator: 'snap' });
    expect([offered('d'), offered('e')]).toEqual([['snapping'], ['riveted']]);
    job.write('observation', { part: 'd', about: 'fit', resonator: 'none' });
    expect(offered('d')).toBeUndefined();
  });
  test('only pads that carry one are asked', () => {
    const asked = chooseResonators(new TestJob().state, sax, { items: [] }).map(({ hole }) => hole);
    const carry = sax.pads.filter(({ resonator }) => resonator === 'disc' || resonator === 'snap');
    expect(asked).toEqual(carry.map(({ hole }) => hole));
  });
});

describe('shims under a dry pad', () => {
  const under = (job: TestJob) => job.state.shims.get('e')?.shims.map(({ clock, thickness }) => [clock, thickness]);
  test('lie as they were last said to; the pad turned, they turn with it', () => {
    const job = new TestJob();
    const laid = [
      { clock: 0, thickness: 0.05 },
      { clock: 300, thickness: 0.08 },
    ];
    job.write('shims', { part: 'e', shims: laid });
    job.write('shims', { part: 'e', shims: turnShims(laid, 90), turned: 90 });
    expect(under(job)).toEqual([
      [90, 0.05],
      [30, 0.08],
    ]);
    expect(turnShims(laid, -120).map(({ clock }) => clock)).toEqual([240, 180]);
    job.write('shims', { part: 'e', shims: [] });
    expect(under(job)).toEqual([]);
  });
  test('what was read of the pad before is read again', () => {
    const job = new TestJob();
    job.pad('e', Array<number>(8).fill(0.02));
    job.write('shims', { part: 'e', shims: [{ clock: 0, thickness: 0.05 }] });
    const gaps = [...job.state.points.values()].filter(({ point }) => point.part === 'e');
    expect(gaps.every(({ readings }) => readings.at(-1)?.stale?.title === 'Shims laid')).toBe(true);
  });
  test('lie under a pad of this instrument, and are said as they lie', () => {
    const job = new TestJob();
    const entry = (body: object) =>
      ({
        id: '00000000-0000-4000-8000-000000000001',
        kind: 'shims',
        author: 'x',
        benchTime: job.now,
        body,
      }) as unknown as NewEntry;
    expect(entryProblems(entry({ part: 'e', turned: 10 })).map(({ path }) => path)).toEqual(['/body/shims']);
    expect(misfits(job.state, entry({ part: 'nowhere', shims: [] })).map(({ path }) => path)).toEqual(['/body/part']);
  });
});
