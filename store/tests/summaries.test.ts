import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import {
  learnTimes,
  timesOf,
  whatWorked,
  actualTimes,
  type InstrumentType,
  type NewEntry,
  type NewShopEntry,
} from '@holotonos/core';
import { eq, sql } from 'drizzle-orm';
import { randomUUID } from 'node:crypto';
import { randomJob } from '../../core/tests/randomJob';
import {
  appendEntry,
  appendShopEntry,
  basisOf,
  importJob,
  importReadings,
  jobByTicket,
  jobState,
  knownOutcomes,
  learnedTimes,
  listTickets,
  nearRows,
  openJob,
  outcomeCounts,
  outdatedJobs,
  refreshSummaries,
  rowsWithClocks,
  shopState,
  timesSeen,
} from '../src';
import { entries, outcomes, stepTimes, summaries } from '../src/schema';
import { testDatabase, type TestDatabase } from './database';
import { entryOf, intakeOf, now } from './entries';

let place: TestDatabase;
let db: TestDatabase['db'];
beforeAll(async () => {
  place = await testDatabase();
  ({ db } = place);
});
afterAll(() => place.drop());

const write = async (ticket: string, kind: NewEntry['kind'], body: object) => {
  const answer = await appendEntry(db, ticket, entryOf(kind, body));
  expect(answer).toMatchObject({ status: 'stored' });
  return answer.status === 'stored' ? answer.entry.id : '';
};
const open = (ticket: string, more: object = {}) => openJob(db, intakeOf(ticket, more));
const dent = (part = 'bell') => ({
  finding: randomUUID(),
  kind: 'dent',
  part,
  severity: 2,
  status: 'confirmed',
  evidence: [],
});
const tickets = async (question: Parameters<typeof listTickets>[1]) =>
  (await listTickets(db, question)).lines.map(({ ticket }) => ticket);
const rowOf = async (ticket: string) => {
  const [row] = await db.select().from(summaries).where(eq(summaries.ticket, ticket));
  return row;
};
const outdated = async (at = now) =>
  (await outdatedJobs(db, basisOf(await shopState(db)).key, at, 100)).map(({ ticket }) => ticket);
const clear = async () => {
  await place.pool.query('truncate summaries, step_times, outcomes');
};

describe('the list of tickets', () => {
  test('is in the order they need hands, by page, and says how many there are', async () => {
    await open('A-1', { dueBy: '2026-12-24' });
    await open('A-2', { dueBy: '2026-12-01' });
    await open('A-3');
    await open('A-4', { dueBy: '2026-11-30' });
    await write('A-4', 'sign-off', { ownerCautions: [] });
    expect(await listTickets(db, { limit: 2 })).toMatchObject({
      total: 4,
      lines: [
        { ticket: 'A-2', standing: 'ready', problem: null, summary: { ticket: 'A-2', owner: 'The band' } },
        { ticket: 'A-1' },
      ],
    });
    expect(await tickets({ limit: 2, offset: 2 })).toEqual(['A-3', 'A-4']);
    expect(await tickets({ limit: 9, standing: ['ready', 'waiting'] })).toEqual(['A-2', 'A-1', 'A-3']);
    expect(await tickets({ limit: 9, standing: ['over'] })).toEqual(['A-4']);
  });
  test('a sign-off that is struck opens the ticket again', async () => {
    const state = await jobState(db, (await jobByTicket(db, 'A-4'))?.id ?? '');
    await write('A-4', 'strike', { entry: state.signOff?.id });
    expect(await tickets({ limit: 9, standing: ['over'] })).toEqual([]);
    expect(await tickets({ limit: 1 })).toEqual(['A-4']);
  });
  test('is searched by all the words given, and takes no sign for a pattern', async () => {
    await open('S-1', { owner: 'Ottoline 100% Marsh', maker: 'Tarn & Vole' });
    await open('S-2', { owner: 'Ottoline Fen' });
    expect(await tickets({ limit: 9, search: 'OTTOLINE  marsh' })).toEqual(['S-1']);
    expect(await tickets({ limit: 9, search: 'alto s-2' })).toEqual(['S-2']);
    expect(await tickets({ limit: 9, search: '100% tarn' })).toEqual(['S-1']);
    expect(await tickets({ limit: 9, search: 'ottoline _' })).toEqual([]);
    expect(await tickets({ limit: 9, search: 'o%e' })).toEqual([]);
  });
  test('what waits comes after what can start, whatever its date', async () => {
    await open('W-1', { dueBy: '2026-11-24' });
    await write('W-1', 'finding', { ...dent('e'), kind: 'pad-leaking' });
    // A rim that is doubted keeps its pad waiting.
    await write('W-1', 'finding', { ...dent('e'), kind: 'rim-warped', status: 'suspected' });
    const { lines } = await listTickets(db, { limit: 99 });
    expect(lines.at(-1)).toMatchObject({ ticket: 'W-1', standing: 'waiting', summary: { next: null } });
    await write('W-1', 'sign-off', { ownerCautions: [] });
  });
  test('follows each entry in its own transaction', async () => {
    await write('S-2', 'finding', dent());
    const row = await rowOf('S-2');
    expect(row).toMatchObject({ seq: 2, row: { summary: { openFindings: 1 } } });
    expect(row?.row?.steps.some(({ id }) => id === 'raise-dent:bell')).toBe(true);
    const refused = await appendEntry(db, 'S-2', entryOf('reading', { point: {} }));
    expect(refused.status).toBe('refused');
    expect((await rowOf('S-2'))?.seq).toBe(2);
    expect(await outdated()).toEqual([]);
  });
});

describe('what comes first', () => {
  test('are the tickets in the order of their dates that fill so much time, never fewer than asked for', async () => {
    const near = async (minutes: number, fewest: number, most = 100) => {
      const { rows, later } = await nearRows(db, { minutes, fewest, most });
      return [rows.map(({ ticket }) => ticket), later];
    };
    expect(await near(1, 0)).toEqual([['A-4'], 5]);
    expect(await near(0, 2)).toEqual([['A-4', 'A-2'], 4]);
    expect(await near(1e6, 0)).toEqual([['A-4', 'A-2', 'A-1', 'A-3', 'S-1', 'S-2'], 0]);
    expect(await near(1e6, 0, 3)).toEqual([['A-4', 'A-2', 'A-1'], 3]);
  });
  test('clocks that run are found without reading every ticket', async () => {
    expect(await rowsWithClocks(db, 9)).toEqual([]);
    await write('S-2', 'operation-started', { operation: 'raise-dent:bell', cautionsAccepted: [] });
    expect((await rowsWithClocks(db, 9)).map(({ ticket, clocks }) => [ticket, clocks.length])).toEqual([['S-2', 1]]);
    const done = { operation: 'raise-dent:bell', title: 'x', minutes: 90, disturbs: [], cures: [] };
    await write('S-2', 'operation-done', done);
    expect(await rowsWithClocks(db, 9)).toEqual([]);
    expect(await learnedTimes(db)).toMatchObject({ 'raise-dent saxophone Juno Tam': { times: 1 } });
  });
});

describe('a summary that is no longer true', () => {
  test('is worked out anew when the shop’s own work changes, when something has cured, and where it is missing', async () => {
    const own: NewShopEntry = {
      id: randomUUID(),
      kind: 'cure-rule',
      author: 'x',
      benchTime: now,
      body: { id: 'own-dents', rule: { finding: 'dent', operations: ['burnish'] } },
    } as never;
    const before = await rowOf('S-2');
    expect(await appendShopEntry(db, own)).toMatchObject({ status: 'stored' });
    expect(await outdated()).toHaveLength(7);
    expect(await refreshSummaries(db, now, 4)).toEqual({ done: 4, left: true });
    expect(await refreshSummaries(db, now)).toEqual({ done: 3, left: false });
    const after = await rowOf('S-2');
    expect(after?.basis).not.toBe(before?.basis);
    expect(await outdated()).toEqual([]);

    await db.update(summaries).set({ changesAt: '2026-11-23T10:00:00Z' }).where(eq(summaries.ticket, 'A-1'));
    expect(await outdated('2026-11-23T09:59:59Z')).toEqual([]);
    expect(await outdated('2026-11-23T10:00:00Z')).toEqual(['A-1']);

    await db.delete(summaries).where(eq(summaries.ticket, 'A-2'));
    const job = await jobByTicket(db, 'S-1');
    await db.insert(entries).values({ jobId: job?.id ?? '', seq: 2, ...entryOf('note', { text: 'past us' }) });
    expect((await outdated('2026-11-23T09:00:00Z')).sort()).toEqual(['A-2', 'S-1']);
    const stop = new AbortController();
    stop.abort();
    expect(await refreshSummaries(db, now, 9, stop.signal)).toEqual({ done: 0, left: true });
    expect(await refreshSummaries(db, now, 1)).toEqual({ done: 1, left: true });
    expect(await refreshSummaries(db, now)).toEqual({ done: 1, left: false });
  });
  test('another program works all out anew', async () => {
    process.env.HOLOTONOS_SOURCES = 'another';
    try {
      expect(await outdated()).toHaveLength(7);
    } finally {
      delete process.env.HOLOTONOS_SOURCES;
    }
  });
});

describe('summaries and logbooks', () => {
  test('say the same: thrown away and made anew they are what they were', async () => {
    for (let seed = 1; seed <= 6; seed += 1) {
      const ticket = `R-${seed}`;
      const [first, ...rest] = randomJob(seed, 60).map(({ seq: _, receivedAt: __, ...entry }) =>
        entry.kind === 'intake' ? { ...entry, body: { ...entry.body, ticket } } : entry,
      ) as [NewEntry, ...NewEntry[]];
      expect(await openJob(db, first)).toMatchObject({ status: 'stored' });
      for (const entry of rest) expect(await appendEntry(db, ticket, entry)).toMatchObject({ status: 'stored' });
    }
    // A long one, with faults that were settled.
    expect(await importJob(db, 'R-7', randomJob(7, 300))).toBe('imported');
    const all = async () => {
      const rows = await db.select().from(summaries).orderBy(summaries.ticket);
      const times = await db.select().from(stepTimes).orderBy(stepTimes.jobId, stepTimes.kind, stepTimes.person);
      const settled = await db.select().from(outcomes).orderBy(outcomes.jobId, outcomes.finding);
      return { rows, times, settled };
    };
    // The moment at which a row was worked out decides on what cures and soaks.
    const later = '2090-01-01T00:00:00.000Z';
    await refreshSummaries(db, later);
    const before = await all();
    expect(before.rows.filter(({ ticket }) => ticket.startsWith('R-'))).toHaveLength(7);
    await clear();
    expect((await listTickets(db, { limit: 9 })).total).toBe(0);
    await refreshSummaries(db, later);
    const after = await all();
    const settled = (list: typeof before) => list.rows.filter(({ changesAt }) => changesAt === null);
    expect(settled(after)).toEqual(settled(before));
    expect(after.times).toEqual(before.times);
    expect(before.settled.length).toBeGreaterThan(3);
    expect(after.settled).toEqual(before.settled);
  });
  test('a job that is brought in, and one into which a file is read, have theirs', async () => {
    const list = randomJob(40, 30);
    expect(await importJob(db, 'I-1', list)).toBe('imported');
    expect(await rowOf('I-1')).toMatchObject({ seq: list.length });
    const csv =
      'group,part,measure,clock (deg),value (mm),gauge,gauge resolution (mm),gauge max error (mm)\npad,e,gap,0,0.2,f,0.01,0.004\n';
    const bytes = (async function* () {
      yield await Promise.resolve(Buffer.from(csv));
    })();
    const options = { author: 'x', now, mintId: randomUUID };
    expect(await importReadings(db, 'A-1', bytes, options)).toMatchObject({ status: 'stored', added: 1 });
    expect((await rowOf('A-1'))?.seq).toBe(2);
    expect(await outdated()).toEqual([]);
  });
  test('the shop learns from all of them', async () => {
    const rows = await db.select({ id: summaries.jobId }).from(summaries);
    const states = await Promise.all(rows.map(({ id }) => jobState(db, id)));
    const wanted = learnTimes(
      states.flatMap((state) =>
        state.instrument ? timesOf(actualTimes(state, state.instrument as InstrumentType)) : [],
      ),
    );
    const learned = await learnedTimes(db);
    expect(Object.keys(learned).sort()).toEqual(Object.keys(wanted).sort());
    expect(Object.keys(learned).length).toBeGreaterThan(0);
    for (const [key, { factor, times }] of Object.entries(wanted)) {
      expect(learned[key]?.times).toBe(times);
      expect(learned[key]?.factor).toBeCloseTo(factor, 9);
    }
  });
  test('a ticket whose logbook says nothing of an instrument is told as such', async () => {
    await db.execute(sql`insert into jobs (ticket) values ('X-1')`);
    await refreshSummaries(db, now);
    expect(await listTickets(db, { limit: 9, search: 'x-1' })).toMatchObject({
      total: 1,
      lines: [{ ticket: 'X-1', standing: 'unread', summary: null, problem: 'its intake is missing' }],
    });
  });
  test('what was learned follows the shop’s own work, whatever is written first', async () => {
    const own = (likely: number) => {
      const work = {
        stage: 'finish',
        title: 'Rinse: {part}',
        minutes: [5, likely, 40],
        disturbs: [],
        needs: [],
        cautions: [],
        tools: [],
        how: ['Clean water.'],
        reversible: true,
      };
      return appendShopEntry(db, { ...entryOf('note', {}), kind: 'operation', body: { id: 'rinse', work } } as never);
    };
    expect(await own(10)).toMatchObject({ status: 'stored' });
    await open('L-1');
    const done = { operation: 'rinse:bell', title: 'x', minutes: 20, disturbs: [], cures: [] };
    await write('L-1', 'operation-done', done);
    const before = (await learnedTimes(db))['rinse saxophone']?.factor ?? 0;
    expect(before).toBeGreaterThan(1);
    // The table of the shop now says what it took; then a note comes, which turns no step.
    expect(await own(20)).toMatchObject({ status: 'stored' });
    await write('L-1', 'note', { text: 'x' });
    expect((await learnedTimes(db))['rinse saxophone']?.factor).toBeCloseTo(1, 12);
  });
});

describe('what the shop remembers', () => {
  const leak = (finding: string, more: object = {}) => ({
    ...{ finding, kind: 'pad-leaking', part: 'e', severity: 2, status: 'confirmed', evidence: [] },
    ...more,
  });
  const seat = (finding: string) => ({
    ...{ operation: 'reseat-pad:e', title: 'Seat the pad', minutes: 12, disturbs: [], cures: [finding] },
  });
  test('is what became of each fault, across tickets, and follows the logbooks', async () => {
    const [one, two] = [randomUUID(), randomUUID()];
    await open('M-1', { serial: 'N 77' });
    await write('M-1', 'finding', leak(one));
    const asked = () => knownOutcomes(db, 'saxophone', 'pad-leaking');
    const before = await asked();
    expect(before.some(({ ticket }) => ticket === 'M-1')).toBe(false);
    const done = await write('M-1', 'operation-done', seat(one));
    const of = async (ticket: string) => (await asked()).find((each) => each.ticket === ticket);
    expect(await of('M-1')).toMatchObject({
      finding: one,
      part: 'e',
      serial: 'N 77',
      cures: [{ step: 'reseat-pad', minutes: 12, cameBack: false }],
    });
    // The same instrument, with the same fault, a year later.
    await open('M-2', { serial: 'n77' });
    await appendEntry(db, 'M-2', { ...entryOf('finding', leak(two)), benchTime: '2027-11-23T09:00:00.000Z' } as never);
    await write('M-2', 'operation-done', seat(two));
    const counted = whatWorked(
      (await asked()).filter(({ ticket }) => ticket.startsWith('M-')),
      'e',
    );
    expect(counted.here).toMatchObject({ times: 2, cures: [{ step: 'reseat-pad', times: 2, cameBack: 1 }] });
    expect(await outcomeCounts(db)).toContainEqual({
      family: 'saxophone',
      kind: 'pad-leaking',
      times: before.length + 2,
    });
    // Work that was never done has cured nothing.
    await write('M-1', 'strike', { entry: done, reason: 'another pad' });
    expect(await of('M-1')).toBeUndefined();
    expect(await of('M-2')).toBeDefined();
  });
  test('of times: each clock with its spread and since when; a lesson that is doubted is left out', async () => {
    const line = (await timesSeen(db)).find(({ kind, person }) => kind === 'reseat-pad' && person === 'Juno Tam');
    expect(line).toMatchObject({ family: 'saxophone', times: 1, since: now });
    const key = 'reseat-pad saxophone Juno Tam';
    expect(await learnedTimes(db)).toHaveProperty([key]);
    const aside = [{ lesson: `time ${key}`, title: 'x', aside: true, reason: 'a new oven' }];
    expect(await learnedTimes(db, aside)).not.toHaveProperty([key]);
  });
});
