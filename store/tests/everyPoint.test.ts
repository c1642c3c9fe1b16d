import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { Readable } from 'node:stream';
import {
  applyOptions,
  foldJob,
  gaugeOfReading,
  judgeJob,
  measuringPoints,
  pointKey,
  pointOf,
  shelfGauges,
  shippedTypes,
  stateOf,
  usualGauge,
  type InstrumentType,
} from '@holotonos/core';
import { appendEntry, importReadings, jobByTicket, jobEntries, openJob } from '../src';
import { testDatabase, type TestDatabase } from './database';
import { storyJobs } from './story';
import { entryOf, intakeOf, now } from './entries';

let store: TestDatabase;
beforeAll(async () => {
  store = await testDatabase();
});
afterAll(() => store.drop());

const columns = 'group,part,measure,clock (deg),at (mm),value (mm),gauge,gauge resolution (mm),gauge max error (mm)';
/** A reading of each point of an instrument, as a file brings them. */
function everyPoint(type: InstrumentType): { keys: string[]; csv: string } {
  const points = measuringPoints(type).map(pointOf);
  const rows = points.map(({ group, part, measure, clock, at }) => {
    const gauge = shelfGauges.find(({ id }) => id === usualGauge[measure]);
    return [
      group,
      part,
      measure,
      clock,
      at ?? '',
      1.5,
      gauge?.id,
      gauge?.resolution,
      gauge?.maxPermissibleError,
    ].join();
  });
  return { keys: points.map(pointKey), csv: [columns, ...rows].join('\r\n') };
}
const stateIn = async (ticket: string) =>
  foldJob(await jobEntries(store.db, (await jobByTicket(store.db, ticket))?.id ?? ''));

async function takesEveryPoint(ticket: string): Promise<void> {
  const type = (await stateIn(ticket)).instrument as InstrumentType;
  const { keys, csv } = everyPoint(type);
  const file = Readable.from([Buffer.from(csv)]);
  const taken = await importReadings(store.db, ticket, file, { author: 'Juno Tam', now, mintId: randomUUID });
  expect(taken).toEqual({ status: 'stored', added: keys.length, known: 0 });
  const state = await stateIn(ticket);
  expect(keys.filter((key) => !state.points.has(key))).toEqual([]);
  // Nobody reads a figure for nothing: each part that can be judged says something of it.
  const judged = judgeJob(state, type);
  const groups = new Set(measuringPoints(type).map(({ group }) => group));
  for (const group of groups) {
    if (group === 'hole' || group === 'pitch') continue;
    const parts = new Set(measuringPoints(type).flatMap((each) => (each.group === group ? [each.part] : [])));
    for (const part of parts) expect([group, part, stateOf(judged, group, part)]).not.toContain(null);
  }
}

test.each(shippedTypes.map((type) => [type.id, applyOptions(type, [])] as const))(
  'a reading of every point of a %s is taken',
  async (id, { family }) => {
    const ticket = `P-${id}`;
    expect(await openJob(store.db, intakeOf(ticket, { instrumentType: id, family }))).toMatchObject({
      status: 'stored',
    });
    await takesEveryPoint(ticket);
  },
);

test('so is one of an instrument that was named at the bench', async () => {
  const job = storyJobs().find(({ entries }) => JSON.stringify(entries[0]).includes('home-made'));
  if (!job) throw new Error('no instrument of the demo was named at the bench');
  const ticket = 'P-HOME';
  for (const { kind, body } of job.entries) {
    if (kind !== 'intake' && kind !== 'instrument-change') continue;
    const own = entryOf(kind, kind === 'intake' ? { ...body, ticket } : body);
    const done = kind === 'intake' ? await openJob(store.db, own) : await appendEntry(store.db, ticket, own);
    expect(done).toMatchObject({ status: 'stored' });
  }
  await takesEveryPoint(ticket);
});

test('lost motion of a link goes in at the bench’s own door', async () => {
  await openJob(store.db, intakeOf('P-LINK'));
  const gauge = shelfGauges[0];
  if (!gauge) throw new Error('the shelf is empty');
  const point = { group: 'link', part: 'f-to-f-sharp', measure: 'lost-motion', clock: 0 };
  const reading = entryOf('reading', { point, value: 0.08, typed: '0.08', gauge: gaugeOfReading(gauge) });
  expect(await appendEntry(store.db, 'P-LINK', reading)).toMatchObject({ status: 'stored' });
});
