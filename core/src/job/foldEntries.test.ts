import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { emptyJobState, foldEntries, foldJob, misfits, type Entry, type NewEntry } from '.';
import { pointKey } from '../readings';
import { nextCell } from '../stripdown';
import { entryProblems } from '../jobForms';

const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const gauge = { id: 'feeler-film', name: 'Feeler film set', resolution: 0.01, maxPermissibleError: 0.004 };
const parts = ['low-e', 'low-d', 'g'];

const at = (seq: number, kind: string, body: object): Entry =>
  ({
    id: uuid(seq),
    seq,
    kind,
    body,
    author: 'Perrin Oake',
    benchTime: `2026-11-02T09:00:00.000Z`,
    receivedAt: `2026-11-02T09:00:01.000Z`,
  }) as Entry;

const intake = (seq: number) =>
  at(seq, 'intake', {
    ticket: 'LL-900',
    owner: 'The Brackwater band',
    instrumentType: 'alto-saxophone',
    family: 'saxophone',
    practice: 'stage',
    scope: 'overhaul',
    unit: 'mm',
  });
const reading = (seq: number, part: string, clock = 0, value = 0.05, group: 'pad' | 'rim' = 'pad') =>
  at(seq, 'reading', {
    point: { group, part, measure: group === 'pad' ? 'gap' : 'height', clock },
    value,
    typed: String(value),
    gauge,
  });
const done = (seq: number, disturbs: string[], cures: string[] = []) =>
  at(seq, 'operation-done', { operation: `op-${seq}`, title: `Step ${seq}`, minutes: 5, disturbs, cures });
const strike = (seq: number, target: number) => at(seq, 'strike', { entry: uuid(target) });

/** A logbook of random but well-formed entries. */
const logbook = fc
  .array(
    fc.record({
      kind: fc.constantFrom(
        'reading',
        'reading',
        'reading',
        'finding',
        'done',
        'skipped',
        'strike',
        'practice',
        'note',
        'sign-off',
        'off',
        'placed',
        'on',
        'seen',
        'looked',
        'change',
        'soak',
        'soak-over',
        'photo',
        'marks',
        'board',
      ),
      part: fc.constantFrom(...parts),
      pick: fc.nat(60),
      wide: fc.boolean(),
    }),
    { maxLength: 60 },
  )
  .map((steps) => [
    intake(1),
    ...steps.map(({ kind, part, pick, wide }, i): Entry => {
      const seq = i + 2;
      switch (kind) {
        case 'reading':
          return reading(seq, part, (pick % 8) * 45, pick / 100, wide ? 'pad' : 'rim');
        case 'finding':
          return at(seq, 'finding', {
            finding: uuid(9000 + (pick % 4)),
            kind: 'pad-leaking',
            part,
            severity: 2,
            status: 'confirmed',
          });
        case 'done':
          return done(seq, [wide ? 'pad:*' : `rim:${part}`], [uuid(9000 + (pick % 4))]);
        case 'skipped':
          return at(seq, 'operation-skipped', {
            operation: `op-${pick}`,
            title: 'Step',
            reason: 'no time',
            leaves: [uuid(9000 + (pick % 4))],
          });
        case 'strike':
          // May name an entry that comes later, another strike, itself, or nothing at all.
          return strike(seq, pick + 1);
        case 'practice':
          return at(seq, 'practice-change', { practice: wide ? 'keeper' : 'steady', reason: 'owner asked' });
        case 'sign-off':
          return at(seq, 'sign-off', { ownerCautions: [] });
        case 'off':
          return at(seq, 'part-off', { part: `${part}-key`, where: 'board', cell: `A${(pick % 9) + 1}` });
        case 'placed':
          return at(seq, 'part-placed', { part: `${part}-key`, where: wide ? 'bag' : 'lost' });
        case 'on':
          return at(seq, 'part-on', { part: `${part}-key` });
        case 'seen':
          return at(seq, 'observation', { part, about: wide ? 'light' : 'fit', sectors: [0] });
        case 'looked':
          return at(seq, 'survey', { station: wide ? 'pads' : 'body', outcome: pick > 30 ? 'looked' : 'skipped' });
        case 'change':
          return at(seq, 'instrument-change', {
            put: { keys: [{ id: `x-${pick % 3}`, name: `Key ${pick}`, rest: 'open' }] },
            remove: { keys: [`x-${(pick + 1) % 3}`] },
          });
        case 'soak':
          return at(seq, 'soak', { soak: uuid(8000 + (pick % 3)), part, with: 'oil', minutes: pick });
        case 'soak-over':
          return at(seq, 'soak-over', { soak: uuid(8000 + (pick % 3)), outcome: wide ? 'free' : 'stuck' });
        case 'photo':
          return at(seq, 'photo', { photo: uuid(7000 + (pick % 3)), width: 4, height: 3, caption: part });
        case 'marks':
          return at(seq, 'photo-marks', {
            photo: uuid(7000 + (pick % 3)),
            marks: [{ shape: 'arrow', x: 0, y: 0, toX: pick / 100, toY: 1 }],
          });
        case 'board':
          return at(seq, 'board', { rows: (pick % 9) + 1, columns: 12 });
        default:
          return at(seq, 'note', { text: 'note' });
      }
    }),
  ]);

describe('foldEntries', () => {
  test('any cut of the entries gives the same state', () => {
    fc.assert(
      fc.property(logbook, fc.array(fc.nat(61), { maxLength: 6 }), (entries, cuts) => {
        const bounds = [0, ...cuts.map((cut) => cut % (entries.length + 1)).sort((a, b) => a - b), entries.length];
        const pieces = bounds.slice(1).map((end, i) => entries.slice(bounds[i], end));
        const stepwise = pieces.reduce(foldEntries, emptyJobState);
        expect(stepwise).toEqual(foldJob(entries));
      }),
      { numRuns: 300 },
    );
  });

  test('order is by sequence number, whatever order the entries arrive in, and repeats change nothing', () => {
    fc.assert(
      fc.property(logbook, fc.infiniteStream(fc.nat()), (entries, keys) => {
        const shuffled = [...entries, ...entries.slice(0, 5)]
          .map((entry) => ({ entry, key: keys.next().value as number }))
          .sort((a, b) => a.key - b.key)
          .map(({ entry }) => entry);
        expect(foldJob(shuffled)).toEqual(foldJob(entries));
      }),
    );
  });

  test('striking is idempotent', () => {
    fc.assert(
      fc.property(logbook, fc.nat(60), (entries, pick) => {
        // Far above any number the logbook itself may strike.
        const seq = 500;
        const once = foldJob([...entries, strike(seq, (pick % entries.length) + 1)]);
        const twice = foldEntries(once, [strike(seq + 1, (pick % entries.length) + 1)]);
        expect({ ...twice, entries: null, byId: null, seq: 0 }).toEqual({ ...once, entries: null, byId: null, seq: 0 });
      }),
    );
  });

  test('does not change the state it is given', () => {
    const before = foldJob([intake(1), reading(2, 'g')]);
    const copy = structuredClone(before);
    foldEntries(before, [reading(3, 'g'), done(4, ['pad:*']), strike(5, 2)]);
    expect(before).toEqual(copy);
  });
});

describe('staleness', () => {
  const key = pointKey({ group: 'pad', part: 'g', measure: 'gap', clock: 0 });
  test('a done operation makes stale what it disturbs, and nothing else', () => {
    const state = foldJob([
      intake(1),
      reading(2, 'g'),
      reading(3, 'low-e'),
      reading(4, 'g', 0, 0.1, 'rim'),
      done(5, ['pad:g']),
      reading(6, 'g'),
    ]);
    const stale = [...state.points.values()].flatMap(({ readings }) =>
      readings.map(({ seq, stale: by }) => [seq, by?.title ?? null]),
    );
    expect(stale).toEqual([
      [2, 'Step 5'],
      [6, null],
      [3, null],
      [4, null],
    ]);
  });
  test('striking the operation makes the readings true again; striking a reading takes it out', () => {
    const entries = [intake(1), reading(2, 'g'), done(3, ['pad:*'])];
    expect(foldJob([...entries, strike(4, 3)]).points.get(key)?.readings[0]?.stale).toBeNull();
    expect(foldJob([...entries, strike(4, 2)]).points.has(key)).toBe(false);
  });
  test('a finding is cured by what was done and left as a stop-gap by what was skipped', () => {
    const finding = at(2, 'finding', {
      finding: uuid(9000),
      kind: 'pad-worn',
      part: 'g',
      severity: 1,
      status: 'confirmed',
      note: 'torn',
    });
    expect(foldJob([intake(1), finding, done(3, [], [uuid(9000)])]).findings.get(uuid(9000))).toMatchObject({
      status: 'cured',
      note: 'torn',
    });
    const skipped = at(3, 'operation-skipped', {
      operation: 'x',
      title: 'x',
      reason: 'no stock',
      leaves: [uuid(9000)],
    });
    expect(foldJob([intake(1), finding, skipped]).findings.get(uuid(9000))).toMatchObject({
      status: 'stop-gap',
      reason: 'no stock',
    });
  });
});

describe('checks on entries', () => {
  const { seq: _seq, receivedAt: _received, ...fresh } = reading(2, 'g');
  const newEntry = fresh as NewEntry;
  test('a good entry passes', () => expect(entryProblems(newEntry)).toEqual([]));
  test.each([
    [{ ...newEntry, id: 'x' }, '/id'],
    [{ ...newEntry, extra: 1 }, '/extra'],
    [{ ...newEntry, kind: 'reading', body: { ...newEntry.body, value: '5' } }, '/body/value'],
    [{ ...newEntry, body: {} }, '/body/point'],
    [{ ...newEntry, author: '  ' }, '/author'],
    [{ ...newEntry, benchTime: 'yesterday' }, '/benchTime'],
    [null, ''],
  ])('%# names the place of the fault', (entry, path) => {
    expect(entryProblems(entry).map((problem) => problem.path)).toContain(path);
  });
  test('what does not fit the job is refused', () => {
    const job = foldJob([intake(1), reading(2, 'g')]);
    const paths = (entry: unknown, state = job) => misfits(state, entry as NewEntry).map(({ path }) => path);
    expect(paths(newEntry)).toEqual([]);
    expect(paths(newEntry, emptyJobState)).toEqual(['/kind']);
    expect(paths(reading(3, 'no-such-part'))).toEqual(['/body/point/part']);
    expect(paths(strike(3, 99))).toEqual(['/body/entry']);
    expect(paths(strike(3, 1))).toEqual(['/body/entry']);
    const signed = foldEntries(job, [at(3, 'sign-off', { ownerCautions: [] })]);
    expect(paths(newEntry, signed)).toEqual(['/kind']);
    expect(paths(strike(4, 3), signed)).toEqual([]);
  });
  test('parts come off once, to an empty place of the board, and go back on once', () => {
    const off = (part: string, more: object = { where: 'board', cell: 'A1' }) =>
      ({ ...newEntry, kind: 'part-off', body: { part, ...more } }) as unknown as NewEntry;
    const on = (part: string) => ({ ...newEntry, kind: 'part-on', body: { part } }) as unknown as NewEntry;
    const says = (entry: NewEntry, state = job) => misfits(state, entry).map(({ message }) => message)[0] ?? 'fits';
    const job = foldJob([intake(1), at(2, 'part-off', { part: 'g-key', where: 'board', cell: 'A1' })]);
    expect(says(off('e-key', { where: 'board', cell: 'A2' }))).toBe('fits');
    expect(says(off('e-key'))).toBe('A1 is taken by G key');
    expect(says(off('g-key'))).toBe('is off already');
    expect(says(off('no-such-key'))).toMatch(/not a part of this instrument/);
    expect(says(off('e-key', { where: 'board', cell: 'Z9' }))).toMatch(/not on a board of 8 rows and 12 columns/);
    expect(says(off('e-key', { where: 'board' }))).toMatch(/name the place/);
    expect(says(off('e-key', { where: 'bag', cell: 'A2' }))).toMatch(/only what lies on the board/);
    expect(says(on('g-key'))).toBe('fits');
    expect(says(on('e-key'))).toMatch(/on the instrument already/);
    expect(nextCell(job)).toBe('A2');
    const full = foldEntries(job, [at(3, 'board', { rows: 1, columns: 1 })]);
    expect(nextCell(full)).toBeNull();
  });
});

test('work after work on what is stale already is counted for the first only, and fresh readings for the next', () => {
  const done = (seq: number, disturbs: string[]) =>
    at(seq, 'operation-done', { operation: `o${seq}`, title: `work ${seq}`, minutes: 1, disturbs, cures: [] });
  const state = foldJob([
    intake(1),
    reading(2, 'low-e'),
    reading(3, 'g', 0, 0.05, 'rim'),
    done(4, ['pad:*']),
    done(5, ['pad:low-e', 'rim:low-d']),
    reading(6, 'low-e', 0, 0.02),
    done(7, ['pad:*']),
    done(8, ['rim:g', 'pad:*']),
  ]);
  const staleBy = [...state.points.values()].map(({ point, readings }) => [
    `${point.group}:${point.part}`,
    readings.map(({ stale }) => stale?.operation ?? null),
  ]);
  expect(staleBy).toEqual([
    ['pad:low-e', ['o4', 'o7']],
    ['rim:g', ['o8']],
  ]);
});
