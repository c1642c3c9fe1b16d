import { expect, test } from '@jest/globals';
import {
  askWords,
  emptyJobState,
  foldEntries,
  gaugeOfReading,
  groupTable,
  instrumentType,
  jobRecord,
  judgeJob,
  measuringPoints,
  partReport,
  partsOfGroup,
  reportTable,
  shelfGauges,
  stateOf,
  usualGauge,
  type Entry,
  type InstrumentType,
  type MeasureGroup,
  type ShelfGauge,
} from '@holotonos/core';
import { strFromU8, unzipSync } from 'fflate';
import { bookPackage, groupsWithReadings, readingsToCsv } from '../src';
import { reedBed } from './reedBed/definition';
import { reedBedReport } from './reedBed/report';

const group = 'reed-bed' as MeasureGroup;
/** The two lines with which a folder becomes a group; its word in the vocabulary is what schemas let in. */
Object.assign(groupTable, { [group]: reedBed });
Object.assign(reportTable, { [group]: reedBedReport });

const sax = instrumentType('alto-saxophone') as InstrumentType;
const now = '2026-11-23T09:00:00.000Z';
const gauge = shelfGauges.find(({ id }) => id === usualGauge.wear) as ShelfGauge;
let seq = 0;
const entry = (kind: string, body: object): Entry => {
  seq += 1;
  const id = `00000000-0000-4000-8000-${String(seq).padStart(12, '0')}`;
  return { id, seq, kind, body, author: 'Juno Tam', benchTime: now, receivedAt: now } as unknown as Entry;
};
const intake = {
  ticket: 'T-1',
  owner: 'o',
  instrumentType: sax.id,
  family: 'saxophone',
  practice: 'stage',
  scope: 'overhaul',
  unit: 'mm',
};
const read = (part: string, value: number) =>
  entry('reading', {
    point: { group, part, measure: 'wear', clock: 0 },
    value,
    typed: String(value),
    gauge: gaugeOfReading(gauge),
  });
const job = () => foldEntries(emptyJobState, [entry('intake', intake), read('neck', 0.4), read('body', 0.02)]);

test('its places are asked for, in its own words', () => {
  const own = measuringPoints(sax).filter((place) => place.group === group);
  expect(own.map(({ part }) => part)).toEqual(sax.sections.map(({ id }) => id));
  expect(partsOfGroup(sax, group)).toEqual(own.map(({ part }) => part));
  expect([askWords({ group, measure: 'wear' }), askWords({ group: 'hinge', measure: 'wear' })]).toEqual([
    'wear of the bed',
    'wear of point and seat',
  ]);
});
test('a reading has its verdict, and a fault is suggested', () => {
  const state = job();
  const judgement = judgeJob(state, sax);
  expect(['neck', 'body', 'bell'].map((part) => stateOf(judgement, group, part))).toEqual(['outside', 'within', null]);
  expect(partReport(state, sax, group, 'body')?.says).toEqual(['A sound bed.']);
  expect(judgement.suggestions.filter(({ part }) => part === 'neck')).toMatchObject([
    { kind: 'pivot-worn', cause: ['The bed is worn.'] },
  ]);
});
test('work makes it stale', () => {
  const state = job();
  const again = foldEntries(state, [
    entry('operation-done', {
      operation: 'x',
      title: 'Face the beds',
      minutes: 5,
      disturbs: ['reed-bed:*'],
      cures: [],
    }),
  ]);
  const stale = [...again.points.values()].filter(({ readings }) => readings.some((reading) => reading.stale !== null));
  expect(stale.map(({ point }) => point.group)).toEqual([group, group]);
  expect(stateOf(judgeJob(again, sax), group, 'neck')).toBe('stale');
});
test('the record tells it, and it goes out as CSV and in the data package', () => {
  const state = job();
  const rows = jobRecord(state, sax, now)?.figures.filter((row) => row.group === group);
  expect(rows).toMatchObject([
    { part: 'neck', id: 'bed-wear', what: 'wear of the bed', limit: { upper: 0.1 }, after: { value: 0.4 } },
    { part: 'body', after: { value: 0.02 } },
  ]);
  expect(groupsWithReadings(state)).toEqual([group]);
  const csv = readingsToCsv(state, group).trimEnd().split('\r\n');
  expect(csv).toHaveLength(3);
  expect(csv[1]).toContain(',reed-bed,neck,wear,');
  const files = unzipSync(bookPackage(state, 'T-1'));
  expect(Object.keys(files)).toContain('readings/reed-bed.csv');
  const described = JSON.parse(strFromU8(files['datapackage.json'] ?? new Uint8Array())) as {
    resources: { name: string }[];
  };
  expect(described.resources.map(({ name }) => name)).toEqual(['reed-bed']);
});
