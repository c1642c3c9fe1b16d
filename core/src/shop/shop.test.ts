import { describe, expect, test } from '@jest/globals';
import { padPoint } from '../measures';
import { TestJob } from '../../tests/testJob';
import {
  calibrationDue,
  daysToCalibration,
  drifts,
  foldShop,
  freshShop,
  gaugeWarnings,
  nextGrade,
  readingDoubts,
  type KeptGauge,
  type NewShopEntry,
  type ShopEntry,
  type ShopEntryKind,
} from '.';
import { printPhrase, type LengthUnit, type Phrase } from '../units';
import { shopEntryProblems, shopEntryWords, shopWith } from '../shopForms';

const entry = (seq: number, kind: string, body: object, benchTime = '2026-11-23T08:00:00.000Z') =>
  ({
    id: `00000000-0000-4000-8000-${String(seq).padStart(12, '0')}`,
    seq,
    kind,
    body,
    author: 'Juno Tam',
    benchTime,
  }) as unknown as ShopEntry;
const gauge = (change: object = {}) => ({
  id: 'micrometer',
  name: 'Micrometer, the old one',
  kind: 'micrometer',
  resolution: 0.001,
  maxPermissibleError: 0.002,
  calibratedOn: '2025-10-31',
  calibrateEvery: 12,
  ...change,
});
const check = (seq: number, shows: number, at: string, of = 'feeler-fine') =>
  entry(seq, 'gauge-check', { gauge: of, shows }, at);

/** The first of what is said. */
const told = ([first = []]: Phrase[], unit: LengthUnit = 'mm') => printPhrase(first, unit);

/** An entry as it is sent: its number comes with the writing. */
const plain = ({ seq: _seq, ...rest }: ShopEntry) => rest;

describe('what a page shows of entries that are on their way', () => {
  const step = { ticket: 'LL-1', operation: 'clean' };
  /** One of each kind: types ask for it. */
  const said: Record<Exclude<ShopEntryKind, 'strike' | 'unreadable'>, object> = {
    'gauge': gauge(),
    'gauge-check': { gauge: 'micrometer', shows: 0.002 },
    'profile': { id: 'own', name: 'Own', base: 'player', changes: {} },
    'operation': {
      id: 'own-oil',
      work: { title: 'Oil', stage: 'clean', minutes: [1, 2, 3], needs: [], disturbs: [], cautions: [], skill: 1 },
    },
    'cure-rule': { id: 'for-dent', rule: { finding: 'dent', operations: [] } },
    'caution': { id: 'own-lamp', text: 'The lamp is hot.', operations: [], reason: 'somebody was burnt' },
    'hours': { ...freshShop.hours, closed: ['2026-12-24'] },
    'person': { id: 'juno-tam', name: 'Juno Tam', skills: [] },
    'rates': { currency: 'EUR', hourly: 6000, taxPercent: 20, roundTo: 100 },
    'price': { id: 'pads', what: 'Pads', kind: 'material', amount: 300, per: 'pads', operations: ['repad'] },
    'bench-order': { first: step, second: { ...step, ticket: 'LL-2' }, reason: 'the oven is hot' },
    'sizes': { shims: [0.05, 0.1] },
    'spring-material': { id: 'own-wire', name: 'Own wire', modulus: 200, yield: 1500 },
    'practice-piece': {
      ...{ title: 'Two leaks', instrument: 'flute', grade: 1, cured: true, looks: 3, turns: 2, fewest: 2, faults: 1 },
      ...{ said: 1, falseAlarms: 0 },
    },
    'rule': { instrument: 'flute', rule: 'f-sharp', accepted: true, reason: 'it is wanted so' },
    'lesson': { lesson: 'fault x', title: 'A leak', aside: true, reason: 'that was another pad' },
    'lock': { minutes: 20 },
  };
  const story = Object.entries(said).map(([kind, body], i) => entry(i + 1, kind, body));
  const all = foldShop(story);
  test.each(story.map(({ kind }, i) => [kind, i] as const))('%s is shown before it is taken', (_kind, cut) => {
    const known = foldShop(story.slice(0, cut));
    const [first] = story.slice(cut);
    const waiting = story.slice(cut).map((each) => plain(each) as NewShopEntry);
    expect(shopWith(known, waiting)).toEqual(all);
    // Each says something: a kind that is not folded here would not be seen.
    expect(foldShop([...story.slice(0, cut), first as ShopEntry])).not.toEqual({ ...known, seq: cut + 1 });
  });
  test('a strike waits for the logbook, and what cannot be read stays shown', () => {
    const known = { ...all, unread: [{ entry: 'x', kind: 'lock', problem: 'is no number' }] };
    const waiting = [plain(entry(30, 'strike', { entry: story[0]?.id })) as NewShopEntry];
    expect(shopWith(known, waiting)).toEqual({ ...known, seq: known.seq + 1 });
  });
  test('each reads in a line', () => {
    const words = story.map((each) => shopEntryWords(each, new Map()).join(''));
    expect(words).toContain('Step: Oil');
    const first = { ticket: 'LL-1', operation: 'oil:body' };
    const order = (more: object) =>
      shopEntryWords(
        entry(40, 'bench-order', { first, second: { ...first, ticket: 'LL-2' }, ...more }),
        new Map(),
      ).join('');
    expect(order({})).toBe('LL-1 oil:body before LL-2 oil:body');
    expect(order({ withdrawn: true })).toBe('LL-1 oil:body no longer before LL-2 oil:body');
    expect(words).toContain('A bench asks who is there after 20 min without a touch');
    expect(new Set(words).size).toBe(story.length);
  });
});

describe('the gauges of a shop', () => {
  test('a tester with a scale of its own says what it shows shut and open, and the two differ', () => {
    const own = (scale?: object) =>
      shopEntryProblems(plain(entry(1, 'gauge', gauge({ kind: 'leak-scale', ...(scale && { scale }) })))).map(
        ({ path }) => path,
      );
    expect(own({ unit: 'kPa', closed: 0, open: 2.5 })).toEqual([]);
    expect(own()).toEqual(['/body/scale']);
    expect(own({ unit: 'kPa', closed: 1, open: 1 })).toEqual(['/body/scale/open']);
  });
  test('start with the shelf; the last word on each counts, whatever the order it is handed over in', () => {
    expect(freshShop.gauges.length).toBeGreaterThan(8);
    const shop = foldShop([entry(2, 'gauge', gauge({ name: 'New' })), entry(1, 'gauge', gauge())]);
    expect(shop.gauges.filter(({ id }) => id === 'micrometer')).toMatchObject([{ name: 'New', retired: false }]);
    expect(shop.seq).toBe(2);
    const more = foldShop([entry(1, 'gauge', gauge({ id: 'second', retired: true }))]);
    expect(more.gauges.at(-1)).toMatchObject({ id: 'second', retired: true });
  });
  test('are overdue the day after their calibration runs out, and never without a date', () => {
    const kept = foldShop([entry(1, 'gauge', gauge())]);
    const micrometer = kept.gauges.find(({ id }) => id === 'micrometer') as KeptGauge;
    expect(calibrationDue(micrometer)).toBe('2026-10-31');
    expect(daysToCalibration(micrometer, '2026-11-23T10:00:00Z', 'UTC')).toBe(-23);
    expect(gaugeWarnings(kept, 'micrometer', '2026-10-31T10:00:00Z')).toEqual([]);
    expect(told(gaugeWarnings(kept, 'micrometer', '2026-11-01T10:00:00Z'))).toMatch(/ran out on 31 Oct 2026/);
    // Good to the end of its last day where the shop is, not where the server is.
    const inZone = (timeZone: string) => ({ ...kept, hours: { ...kept.hours, timeZone } });
    expect(gaugeWarnings(inZone('Asia/Kolkata'), 'micrometer', '2026-10-31T20:00:00Z')).toHaveLength(1);
    expect(gaugeWarnings(inZone('America/New_York'), 'micrometer', '2026-11-01T03:00:00Z')).toEqual([]);
    expect(gaugeWarnings(freshShop, 'micrometer', '2036-11-01T10:00:00Z')).toEqual([]);
    expect(gaugeWarnings(freshShop, 'no-such', '2036-11-01T10:00:00Z')).toEqual([]);
    expect(daysToCalibration(freshShop.gauges[0] as KeptGauge, '2026-11-23', 'UTC')).toBeNull();
  });
  test('that show something at zero ask to be set', () => {
    const shop = foldShop([check(1, 0.02, '2026-11-23T08:00:00Z')]);
    const said = gaugeWarnings(shop, 'feeler-fine', '2026-11-23T09:00:00Z');
    // In the unit of the job, whatever the gauge is marked in.
    expect(told(said)).toMatch(/showed 0.020 mm at zero/);
    expect(told(said, 'thou')).toMatch(/showed 0.8 thou at zero/);
  });
  test('with a scale of their own tell its marks, and forces newtons', () => {
    const shop = foldShop([
      entry(1, 'gauge', gauge({ kind: 'leak-scale', scale: { unit: 'kPa', closed: 0, open: 2.5 } })),
      check(2, 0.3, '2026-11-23T08:00:00Z', 'micrometer'),
      entry(3, 'gauge', gauge({ id: 'pull', name: 'Pull gauge', kind: 'force-gauge' })),
      check(4, -0.5, '2026-11-23T08:00:00Z', 'pull'),
    ]);
    const of = (id: string) => told(gaugeWarnings(shop, id, '2026-10-23T09:00:00Z'), 'thou');
    expect(of('micrometer')).toMatch(/showed 0.3 kPa at zero/);
    expect(of('pull')).toMatch(/showed .0.50 N at zero/);
  });
  test('that show no more at zero than their own doubt do not', () => {
    const doubt = (gauge: KeptGauge) => Math.max(gauge.maxPermissibleError, gauge.resolution);
    const [gauge] = freshShop.gauges.filter(({ id }) => id === 'feeler-fine') as [KeptGauge];
    const warned = (shows: number) =>
      gaugeWarnings(foldShop([check(1, shows, '2026-11-23T08:00:00Z')]), gauge.id, '2026-11-23T09:00:00Z').length;
    expect([doubt(gauge), -doubt(gauge), doubt(gauge) * 1.01, -doubt(gauge) * 1.01].map(warned)).toEqual([0, 0, 1, 1]);
  });
  test('that moved between two checks put the readings between in doubt, and no others', () => {
    const shop = foldShop([
      check(1, 0, '2026-11-23T09:05:00Z'),
      check(2, 0.02, '2026-11-23T09:30:00Z'),
      check(3, 0.021, '2026-11-23T10:00:00Z'),
    ]);
    expect(drifts(shop)).toMatchObject([{ gauge: 'feeler-fine', by: 0.02 }]);
    const job = new TestJob();
    const doubtsAt = (minute: number, gaugeId?: string) => {
      job.minute = minute;
      job.read(padPoint('e', 0), 0.01, gaugeId);
      return readingDoubts(shop, job.state.points.get('pad:e:gap@0')?.readings.slice(-1) ?? []);
    };
    expect(doubtsAt(1)).toEqual([]);
    expect(told(doubtsAt(10))).toMatch(/moved by 0.020 mm between two zero checks/);
    expect(told(doubtsAt(10), 'in')).toMatch(/moved by 0.0008 in between/);
    expect(doubtsAt(10, 'feeler-film')).toEqual([]);
    expect(doubtsAt(45)).toEqual([]);
  });
  test('that were past their calibration when they read are named', () => {
    const shop = foldShop([entry(1, 'gauge', gauge({ id: 'feeler-fine', kind: 'feeler' }))]);
    const job = new TestJob();
    job.read(padPoint('e', 0), 0.01);
    expect(
      readingDoubts(
        shop,
        [...job.state.points.values()].flatMap(({ readings }) => readings),
      ),
    ).toEqual([['Fine feeler strips was past its calibration when these were read.']]);
  });
  test.each([
    [['2026-11-19T23:30:00Z', '2026-11-20T09:00:00Z'], 0],
    [['2026-11-21T09:00:00Z', '2026-11-20T09:00:00Z'], 1],
    [['2026-11-20T09:00:00Z', '2026-11-21T09:00:00Z'], 1],
    // Later by the clock of the bench, though it stands earlier in the text.
    [['2026-11-20T09:00:00Z', '2026-11-20T20:00:00-10:00'], 1],
  ])('read at %j by a gauge good to the 20th: %i doubt', (times, count) => {
    const kept = { calibratedOn: '2025-11-20', calibrateEvery: 12 };
    const shop = foldShop([entry(1, 'gauge', gauge({ id: 'feeler-fine', kind: 'feeler', ...kept }))]);
    const job = new TestJob();
    job.read(padPoint('e', 0), 0.01, 'feeler-fine');
    const [reading] = [...job.state.points.values()].flatMap(({ readings }) => readings);
    if (!reading) throw new Error('nothing was read');
    expect(
      readingDoubts(
        shop,
        times.map((benchTime) => ({ ...reading, benchTime })),
      ),
    ).toHaveLength(count);
  });
});

describe('entries of the shop', () => {
  test('are checked', () => {
    expect(shopEntryProblems(plain(entry(1, 'gauge', gauge())))).toEqual([]);
    expect(shopEntryProblems({})).not.toEqual([]);
    expect(shopEntryProblems(plain(entry(1, 'gauge', gauge({ kind: 'ruler' }))))[0]?.path).toBe('/body/kind');
    expect(shopEntryProblems(plain(entry(1, 'job', {})))[0]?.path).toBe('/kind');
  });
  test('a limit must have the shape of its measure', () => {
    const profile = (name: string, limit: unknown) =>
      shopEntryProblems(
        plain(
          entry(1, 'profile', {
            id: 'march',
            name: 'Marching',
            base: 'steady',
            changes: [{ name, limit, reason: 'felt' }],
          }),
        ),
      ).map(({ path, message }) => `${path} ${message}`);
    expect(profile('padGap', 0.04)).toEqual([]);
    expect(profile('endPlay', [0, 0.1])).toEqual([]);
    expect(profile('padGap', [0, 0.1])).toEqual(['/body/changes/0/limit is one limit: give one figure']);
    expect(profile('endPlay', 0.1)).toEqual(['/body/changes/0/limit is a band: give its low and its high end']);
    expect(profile('endPlay', [0.2, 0.1])).toEqual(['/body/changes/0/limit must not run from 0.2 down to 0.1']);
    const profiles = foldShop([
      entry(1, 'profile', { id: 'march', name: 'Marching', base: 'steady', changes: [] }),
    ]).profiles;
    expect(profiles).toMatchObject([{ name: 'Marching' }]);
  });
});

describe('practice pieces', () => {
  const done = (seq: number, cured: boolean, more: object = {}, author = 'Juno Tam') =>
    ({
      ...entry(seq, 'practice-piece', {
        title: 'One adjuster out',
        instrument: 'concert-flute',
        grade: 1,
        cured,
        looks: 10 + seq,
        turns: 1,
        fewest: 1,
        faults: 1,
        said: 1,
        falseAlarms: 0,
        ...more,
      }),
      author,
    }) as ShopEntry;
  test('are counted by person and grade; a miss begins the row anew', () => {
    const { practised } = foldShop([
      done(1, true),
      done(2, false),
      done(3, true),
      done(4, true, { grade: 2 }),
      done(5, true, {}, 'Ada Holm'),
    ]);
    expect(practised).toMatchObject([
      { person: 'Ada Holm', grade: 1, done: 1, cured: 1, inRow: 1 },
      { person: 'Juno Tam', grade: 1, done: 3, cured: 2, inRow: 1, looks: 13 },
      { person: 'Juno Tam', grade: 2, done: 1, cured: 1, inRow: 1 },
    ]);
  });
  test('three in a row lead to the next grade there is', () => {
    const practised = foldShop([1, 2, 3].map((seq) => done(seq, true))).practised;
    expect(nextGrade(practised, 'Juno Tam', [1, 2, 3])).toBe(2);
    expect(nextGrade(practised, 'Juno Tam', [1, 3])).toBe(3);
    expect(nextGrade(practised, 'Juno Tam', [1])).toBe(1);
    expect(nextGrade(practised, 'Ada Holm', [1, 2])).toBe(1);
  });
  test('an entry of one says what it must', () =>
    expect(shopEntryProblems(plain(done(1, true, { grade: 6 }))).map(({ path }) => path)).toEqual(['/body/grade']));
});

test('a lesson that is doubted is put aside with its reason, and taken up again', () => {
  const said = (seq: number, aside: boolean) =>
    entry(seq, 'lesson', { lesson: 'time dress-rim saxophone Juno Tam', title: 'Rims', aside, reason: 'a new file' });
  const shop = foldShop([
    said(1, true),
    entry(2, 'lesson', { lesson: 'fault x', title: 'x', aside: true, reason: 'y' }),
  ]);
  expect(shop.lessonsAside.map(({ lesson }) => lesson)).toEqual(['time dress-rim saxophone Juno Tam', 'fault x']);
  expect(foldShop([said(1, true), said(2, true)]).lessonsAside).toHaveLength(1);
  expect(foldShop([said(1, true), said(2, false)]).lessonsAside).toEqual([]);
  const strange = shopEntryProblems(plain(entry(1, 'lesson', { ...said(1, true).body, lesson: 'rumour x' })));
  expect(strange.map(({ path }) => path)).toEqual(['/body/lesson']);
});
