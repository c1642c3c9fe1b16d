import { describe, expect, test } from '@jest/globals';
import { deferral } from '../cautions';
import { sax, TestJob } from '../../tests/testJob';
import { judgeJob } from '../judgement';
import { jobPlan } from '../plan';
import { stepReadings } from '../record';
import { usualSizes } from '../stock';
import { cautionWords, customWork, foldShop, freshShop, planBasis, type ShopEntry } from '.';
import { shopEntryProblems } from '../shopForms';

const entry = (seq: number, kind: string, body: object) =>
  ({
    id: `00000000-0000-4000-8000-0000000000${String(seq).padStart(2, '0')}`,
    seq,
    kind,
    body,
    author: 'Ottoline Marsh',
    benchTime: '2026-11-23T09:00:00.000Z',
  }) as unknown as ShopEntry;
const wrong = (kind: string, body: object) => {
  const { seq: _, ...plain } = entry(1, kind, body);
  return shopEntryProblems(plain).map(({ path, message }) => `${path} ${message}`);
};
const work = {
  stage: 'body',
  title: 'Burnish the dent: {part}',
  minutes: [5, 10, 20],
  disturbs: ['bore:{part}'],
  needs: [],
  cautions: [],
  tools: ['steel'],
  how: ['Slow circles.'],
  reversible: false,
};

describe('what a shop writes down about its work', () => {
  test.each([
    ['operation', { id: 'burnish', work }],
    ['operation', { id: 'burnish', work, standing: { scope: 'overhaul', settings: { smallDents: 'remove' } } }],
    ['cure-rule', { id: 'dents', rule: { finding: 'dent', operations: ['burnish'] } }],
    ['caution', { id: 'flame', text: 'No flame in this attic.', operations: [], reason: 'Insurance' }],
    ['hours', { timeZone: 'UTC', week: { mon: [['09:00', '12:00']] }, closed: [], resources: { oven: 1, vice: 1 } }],
    ['person', { id: 'juno', name: 'Juno Tam', skills: ['pads'] }],
    ['rates', { currency: 'EUR', hourly: 5000, taxPercent: 19, roundTo: 1 }],
    ['price', { id: 'pad', what: 'Pad', kind: 'part', amount: 300, per: 'step', operations: ['replace-pad'] }],
    ['bench-order', { first: { ticket: 'A', operation: 'x:y' }, second: { ticket: 'B', operation: 'x:y' } }],
    ['profile', { id: 'p', name: 'P', base: 'steady', changes: [], settings: { springFeel: 'light' } }],
  ])('a sound %s is taken', (kind, body) => expect(wrong(kind, body)).toEqual([]));
  test.each([
    [
      'operation',
      { id: 'burnish', work: { ...work, minutes: [20, 10, 5] } },
      '/body/work/minutes must rise from low over likely to high',
    ],
    [
      'operation',
      { id: 'burnish', work: { ...work, needs: ['pad:*'] } },
      '/body/work/needs “burnish” needs pad readings',
    ],
    ['operation', { id: 'burnish', work: { ...work, stage: 'lunch' } }, '/body/work/stage'],
    [
      'hours',
      { timeZone: 'Moon/Sea', week: {}, closed: [], resources: { oven: 1, vice: 1 } },
      '/body/timeZone is not a known time zone',
    ],
    [
      'hours',
      { timeZone: 'UTC', week: { mon: [['12:00', '09:00']] }, closed: [], resources: { oven: 1, vice: 1 } },
      '/body/week/mon/0 must run from early to late',
    ],
    ['person', { id: 'juno', name: 'Juno Tam', skills: [], week: { tue: [['10:00', '10:00']] } }, '/body/week/tue/0'],
    ['rates', { currency: 'Euro', hourly: 5000, taxPercent: 19, roundTo: 1 }, '/body/currency'],
    ['rates', { currency: 'EUR', hourly: 50.5, taxPercent: 19, roundTo: 1 }, '/body/hourly'],
    [
      'profile',
      { id: 'p', name: 'P', base: 'steady', changes: [], settings: { springFeel: 'wobbly' } },
      '/body/settings/springFeel',
    ],
  ])('an unsound %s is refused where it is wrong', (kind, body, says) => expect(wrong(kind, body)[0]).toContain(says));
});

describe('what a shop brings to a plan', () => {
  test('is nothing while it has added nothing', () => {
    expect(customWork(freshShop)).toBeUndefined();
    expect(planBasis(freshShop)).toEqual({ cautionsFor: {}, sizes: usualSizes, rules: [] });
  });
  test('its steps and rules count until they are put away', () => {
    const own = [
      entry(1, 'operation', { id: 'burnish', work }),
      entry(2, 'cure-rule', { id: 'dents', rule: { finding: 'dent', operations: ['burnish'] } }),
    ];
    const job = new TestJob();
    job.finding('dent', 'bow');
    const kinds = (entries: ShopEntry[]) =>
      jobPlan(job.state, sax, judgeJob(job.state, sax), job.now, planBasis(foldShop(entries))).steps.map(
        ({ title }) => title,
      );
    expect(kinds(own)).toContain('Burnish the dent: Bow');
    const away = entry(3, 'cure-rule', {
      id: 'dents',
      rule: { finding: 'dent', operations: ['burnish'] },
      retired: true,
    });
    expect(kinds([...own, away])).toContain('Raise the dent: Bow');
  });
  test('cautions can be worded otherwise and added, and none can be lost', () => {
    const shop = foldShop([
      entry(1, 'caution', { id: 'flame', text: 'No flame in this attic.', operations: [], reason: 'Insurance' }),
      entry(2, 'caution', { id: 'attic', text: 'Mind the beam.', operations: ['dress-rim'], reason: 'It is low' }),
    ]);
    expect(cautionWords(shop.cautions, 'flame')).toMatchObject({
      text: 'No flame in this attic.',
      shipped: expect.stringMatching(/^Open flame/),
    });
    expect(cautionWords(shop.cautions, 'dust')).toMatchObject({ reason: null, text: expect.stringMatching(/^Dust/) });
    expect(cautionWords([], 'lost-somewhere').text).toContain(deferral);
    const job = new TestJob();
    job.finding('rim-warped', 'e');
    const { steps } = jobPlan(job.state, sax, judgeJob(job.state, sax), job.now, planBasis(shop));
    expect(steps.find(({ kind }) => kind === 'dress-rim')?.cautions).toEqual(['dust', 'attic']);
  });
});

describe('the figures of a step', () => {
  test('are shown as they were before work spoilt them, and as they are', () => {
    const job = new TestJob();
    job.finding('rim-warped', 'e');
    const figures = () => {
      const step = jobPlan(job.state, sax, judgeJob(job.state, sax), job.now).steps.find(
        ({ kind }) => kind === 'dress-rim',
      );
      return step ? stepReadings(job.state, sax, step) : [];
    };
    expect(figures()).toEqual([]);
    job.rim('e', [0, 0.1, 0, 0.1, 0, 0.1, 0, 0.1]);
    expect(figures()).toMatchObject([
      { group: 'rim', words: 'Flatness', unit: 'mm', before: null, now: expect.closeTo(0.1, 6) },
    ]);
    job.done('dress-rim:e', { disturbs: ['rim:e'] });
    expect(figures()).toMatchObject([{ before: expect.closeTo(0.1, 6), now: null }]);
    job.rim('e', [0, 0, 0, 0, 0, 0, 0, 0]);
    expect(figures()).toMatchObject([{ before: expect.closeTo(0.1, 6), now: expect.closeTo(0, 6) }]);
  });
  test('a step on the whole instrument has none of its own', () => {
    const job = new TestJob();
    job.rim('e', [0, 0, 0, 0, 0, 0, 0, 0]);
    const play = jobPlan(job.state, sax, judgeJob(job.state, sax), job.now).steps.find(
      ({ kind }) => kind === 'play-test',
    );
    expect(play && stepReadings(job.state, sax, play)).toEqual([]);
  });
});
