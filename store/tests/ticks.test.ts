import { expect, test } from '@jest/globals';
import { foldJob, type Entry } from '@holotonos/core';
import { parse } from 'csv-parse/sync';
import { strFromU8, unzipSync } from 'fflate';
import { bookPackage, filesInPackage, ticksToCsv } from '../src';
import { entryOf, intakeOf, now } from './entries';

const jobOf = (...bodies: object[]) =>
  foldJob(
    [intakeOf('T-1'), ...bodies.map((body) => entryOf('tick', body))].map(
      (entry, i) => ({ ...entry, seq: i + 1, receivedAt: now }) as Entry,
    ),
  );
const rowsOf = (text: string) => parse<Record<string, string>>(text, { columns: true });

test('looks go out one a row, with their words and what they were taken with', () => {
  const state = jobOf(
    { group: 'pad', part: 'e', says: 'light', toward: 90, note: '=1+1' },
    { group: 'pad', part: 'e', says: 'drags-all-round', film: 0.02 },
  );
  const text = ticksToCsv(state);
  expect(text).not.toMatch(/,=1/);
  expect(rowsOf(text)).toMatchObject([
    { 'group': 'pad', 'part': 'e', 'says': 'light', 'in words': 'light shows', 'verdict': 'bad', 'toward (deg)': '90' },
    { 'says': 'drags-all-round', 'verdict': 'good', 'means': 'film', 'film (mm)': '0.02', 'toward (deg)': '' },
  ]);
});

test('a package holds them beside the readings, described; what is read back are readings', () => {
  const without = unzipSync(bookPackage(jobOf(), 'T-1'));
  expect(Object.keys(without)).not.toContain('looks/looks.csv');
  const bytes = bookPackage(jobOf({ group: 'hinge', part: 'e-key', says: 'rocks' }), 'T-1');
  const files = unzipSync(bytes);
  const described = JSON.parse(strFromU8(files['datapackage.json'] ?? new Uint8Array())) as {
    resources: { path: string; schema: { fields: { name: string }[] } }[];
  };
  const looks = described.resources.find(({ path }) => path === 'looks/looks.csv');
  const [header] = strFromU8(files['looks/looks.csv'] ?? new Uint8Array()).split('\r\n');
  expect(looks?.schema.fields.map(({ name }) => name).join()).toBe(header);
  const back = filesInPackage(bytes);
  expect(back.ok && back.files.map(({ name }) => name)).toEqual(['readings/readings.csv']);
});
