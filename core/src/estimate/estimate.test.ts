import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { sax, TestJob } from '../../tests/testJob';
import { judgeJob } from '../judgement';
import { jobPlan } from '../plan';
import { jobRecord } from '../record';
import { foldShop, type ShopState } from '../shop';
import {
  agreedEstimate,
  changeToAgree,
  estimateOptions,
  estimateSteps,
  minorDigits,
  minorUnits,
  moneyText,
  roundedTo,
  typedSum,
} from '.';

const shopEntry = (seq: number, kind: string, body: object) =>
  ({
    id: `00000000-0000-4000-8000-00000000000${seq}`,
    seq,
    kind,
    body,
    author: 'Juno Tam',
    benchTime: '2026-11-23T09:00:00.000Z',
  }) as never;
const rates = { currency: 'EUR', hourly: 6000, taxPercent: 20, roundTo: 50 };
const shop: ShopState = foldShop([
  shopEntry(1, 'rates', rates),
  shopEntry(2, 'price', {
    id: 'pads',
    what: 'Pads',
    kind: 'material',
    amount: 250,
    per: 'pads',
    operations: ['renew-pads'],
  }),
  shopEntry(3, 'price', {
    id: 'screw',
    what: 'Screw',
    kind: 'part',
    amount: 300,
    per: 'step',
    operations: ['extract-screw'],
  }),
]);
const option = (job: TestJob, key: string) => {
  const found = estimateOptions(job.state, sax, shop).find((each) => each.key === key);
  if (!found) throw new Error(`no option ${key}`);
  return found;
};
const plan = (job: TestJob) => jobPlan(job.state, sax, judgeJob(job.state, sax), job.now);
const uuid = (n: number) => `00000000-0000-4000-9000-00000000000${n}`;
const give = (job: TestJob, key: string, n = 1) =>
  job.write('estimate', { estimate: uuid(n), ...option(job, key).draft });

describe('money', () => {
  test.each([
    ['12', 'EUR', 1200],
    ['12,5', 'EUR', 1250],
    [' 12.05 ', 'EUR', 1205],
    ['12.345', 'EUR', null],
    ['1200', 'JPY', 1200],
    ['1.5', 'JPY', null],
    ['1,250', 'KWD', 1250],
    ['twelve', 'EUR', null],
    ['-3', 'EUR', null],
    ['', 'EUR', null],
  ])('%p in %s', (typed, currency, expected) => expect(minorUnits(typed, currency)).toBe(expected));
  test('what is written can be read back', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 99_999_999 }),
        fc.constantFrom('EUR', 'GBP', 'JPY', 'KWD'),
        (amount, currency) => {
          expect(minorUnits(typedSum(amount, currency), currency)).toBe(amount);
        },
      ),
    );
  });
  test('is never off by a hundred', () => {
    expect(moneyText(123450, 'EUR')).toBe('€1,234.50');
    expect(moneyText(1234, 'JPY')).toContain('1,234');
    expect(moneyText(1234, 'nope')).toBe('12.34 nope');
    expect(minorDigits('nope')).toBe(2);
  });
  test('is rounded to the step of the shop, halves away from zero', () =>
    expect([roundedTo(124, 50), roundedTo(125, 50), roundedTo(-125, 50), roundedTo(7, 1)]).toEqual([
      100, 150, -150, 7,
    ]));
});

describe('an estimate', () => {
  test('needs the price of an hour', () =>
    expect(estimateOptions(new TestJob().state, sax, { ...shop, rates: null })).toEqual([]));
  test('adds up: lines, tax, rounding', () => {
    const job = new TestJob({ scope: 'overhaul' });
    job.finding('broken-screw', 'f-key');
    job.finding('broken-screw', 'g-key');
    job.write('cost', { cost: uuid(1), kind: 'outside', what: 'Plating of the neck', amount: 8000 });
    job.write('cost', { cost: uuid(2), kind: 'part', what: 'A mistake', amount: 99 });
    job.write('cost', { cost: uuid(2), kind: 'part', what: 'A mistake', amount: 99, dropped: true });
    for (const { draft } of estimateOptions(job.state, sax, shop)) {
      for (const end of ['low', 'likely', 'high'] as const) {
        const net = draft.lines.reduce((sum, { amount }) => sum + amount[end], 0);
        expect(Number.isInteger(net)).toBe(true);
        expect(Math.abs(draft.total[end] - net * 1.2)).toBeLessThanOrEqual(25.001);
        expect(draft.total[end] % 50).toBe(0);
      }
      expect(draft.total.low).toBeLessThan(draft.total.high);
      expect(draft.lines).toContainEqual({
        kind: 'outside',
        what: 'Plating of the neck',
        amount: { low: 8000, likely: 8000, high: 8000 },
      });
      expect(draft.lines).toContainEqual({
        kind: 'part',
        what: 'Screw, 2 pieces',
        amount: { low: 600, likely: 600, high: 600 },
      });
      const labour = draft.lines
        .filter(({ kind }) => kind === 'labour')
        .reduce((sum, { amount }) => sum + amount.likely, 0);
      expect(Math.abs(labour - draft.minutes.likely * 100)).toBeLessThan(draft.lines.length);
    }
  });
  test('what was chosen out of the drawers is priced as it was chosen, and not by the table as well', () => {
    const job = new TestJob({ scope: 'overhaul' });
    const materials = (key: string) =>
      option(job, key)
        .draft.lines.filter(({ kind }) => kind === 'material')
        .map(({ what, amount }) => [what, amount.likely]);
    const before = materials('stage');
    expect(before.map(([what]) => what)).toContainEqual(expect.stringMatching(/^Pads, /));
    const line = (part: string, use: string, price?: number) => ({
      part,
      use,
      item: 'x',
      thing: { kind: 'pad' },
      count: 1,
      ...(price !== undefined && { price }),
    });
    job.write('chosen', {
      lines: [line('e', 'pad', 250), line('f', 'pad', 300), line('g', 'pad'), line('f-key', 'spring', 40)],
    });
    const after = materials('stage');
    // A spring nobody renews is not charged; a pad without a price is not guessed at.
    expect(after.slice(0, 1)).toEqual([['Pads as chosen, 2 pieces', 550]]);
    expect(after.some(([what]) => /^(Pads, |Springs)/.test(String(what)))).toBe(false);
    // Where only one pad is renewed, only that one is charged.
    job.finding('pad-worn', 'e');
    expect(materials('needed')).toContainEqual(['Pads as chosen', 250]);
  });
  test('the options differ: pads only where they are renewed, and each says what it leaves', () => {
    const job = new TestJob({ scope: 'overhaul' });
    job.finding('dent', 'bow');
    const [stage, steady, keeper, needed] = ['stage', 'steady', 'keeper', 'needed'].map(
      (key) => option(job, key).draft,
    );
    const pads = (draft = stage) => draft?.lines.some(({ what }) => what.startsWith('Pads, 2'));
    expect([pads(stage), pads(steady), pads(keeper), pads(needed)]).toEqual([true, false, false, false]);
    expect(stage?.leaves).toEqual([]);
    expect(steady?.leaves.map(({ what }) => what)).toEqual(
      expect.arrayContaining(['Dent, Bow', 'Pads that are sound stay in']),
    );
    expect(keeper?.leaves.length).toBeGreaterThan(steady?.leaves.length ?? 9);
    expect(needed?.leaves.at(-1)?.what).toBe('Everything else');
    expect(needed?.total.likely).toBeLessThan(steady?.total.likely ?? 0);
    expect(option(job, 'stage').current).toBe(true);
  });
  test('done work counts with what it took, skipped work not at all', () => {
    const job = new TestJob({ scope: 'repair' });
    job.finding('rim-warped', 'e');
    const before = option(job, 'needed').draft;
    job.done('dress-rim:e', { minutes: 200 });
    expect(option(job, 'needed').draft.minutes.likely).toBe(before.minutes.likely - 15 + 200);
    job.write('operation-skipped', { operation: 'dress-rim:e', title: 'x', reason: 'y', leaves: [] });
    expect(option(job, 'needed').draft.operations).not.toContain('dress-rim:e');
  });
});

describe('an agreement', () => {
  const agreed = (answer: string, more: object = {}) => {
    const job = new TestJob({ scope: 'repair' });
    const rim = job.finding('rim-warped', 'e');
    give(job, 'needed');
    job.write('agreement', { estimate: uuid(1), answer, on: '2026-11-20', ...more });
    return { job, rim };
  };
  const agreement = (job: TestJob, id: string) => plan(job).steps.find((step) => step.id === id)?.agreement;
  test('nothing is asked before an owner was asked; a refused estimate settles nothing', () => {
    const job = new TestJob();
    job.finding('rim-warped', 'e');
    expect(agreement(job, 'dress-rim:e')).toBeNull();
    expect(agreement(agreed('refused').job, 'dress-rim:e')).toBeNull();
    expect(agreedEstimate(agreed('refused').job.state)).toBeNull();
  });
  test('stands in the record with its day; what was only asked does not', () => {
    const { job } = agreed('accepted', { note: 'by telephone' });
    give(job, 'steady', 2);
    const record = jobRecord(job.state, sax, job.now);
    expect(record?.agreed).toEqual([
      { at: '2026-11-20', what: expect.stringMatching(/about .*: accepted$/), note: 'by telephone' },
    ]);
  });
  test('a surprise found later has to be agreed before it is worked', () => {
    const { job, rim } = agreed('accepted');
    expect(agreement(job, 'dress-rim:e')).toBe('agreed');
    expect(changeToAgree(job.state, sax, shop, plan(job))).toBeNull();
    job.done('dress-rim:e', { cures: [rim] });
    job.finding('body-bent', 'body');
    const step = plan(job).steps.find(({ kind }) => kind === 'straighten-body');
    expect(step).toMatchObject({ agreement: 'to-agree', status: 'waiting' });
    const change = changeToAgree(job.state, sax, shop, plan(job));
    expect(change).toMatchObject({
      because: ['Body bent, Body'],
      again: [{ id: 'dress-rim:e' }],
      draft: { changeOf: uuid(1), operations: ['straighten-body:body'] },
    });
    expect(change?.draft.minutes.likely).toBeGreaterThan(step?.minutes.likely ?? 0);
    job.write('estimate', { estimate: uuid(2), ...change?.draft });
    job.write('agreement', { estimate: uuid(2), answer: 'accepted', on: '2026-11-21' });
    expect(agreement(job, 'straighten-body:body')).toBe('agreed');
    job.done('strip-some:instrument');
    expect(plan(job).next?.kind).toBe('straighten-body');
    expect(agreedEstimate(job.state)?.estimate.body.estimate).toBe(uuid(1));
  });
  test('a change that is refused is not worked; what it would spoil stands', () => {
    const { job } = agreed('accepted');
    job.done('dress-rim:e');
    job.finding('body-bent', 'body');
    const change = changeToAgree(job.state, sax, shop, plan(job));
    job.write('estimate', { estimate: uuid(2), ...change?.draft });
    job.write('agreement', { estimate: uuid(2), answer: 'refused', on: '2026-11-21' });
    expect(agreement(job, 'straighten-body:body')).toBe('refused');
    expect(plan(job).steps.find(({ kind }) => kind === 'dress-rim')?.again).toBeNull();
  });
  test('changed: what the owner does not want is refused, the rest agreed', () => {
    const { job } = agreed('changed', { without: ['bring-in-links:instrument'] });
    expect(agreement(job, 'bring-in-links:instrument')).toBe('refused');
    expect(agreement(job, 'dress-rim:e')).toBe('agreed');
  });
  test('steps are named for the page that lets some be left out', () =>
    expect(
      estimateSteps(['dress-rim:e', 'hand-over:instrument', 'gone:x'], sax, shop).map(({ title }) => title),
    ).toEqual(['Level the rim: E', 'Write up and hand over', 'gone']));
});
