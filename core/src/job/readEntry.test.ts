import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readMoment, type RawEntry } from '../logbook';
import { entryProblems, readEntry } from '../jobForms';

const row: RawEntry = {
  id: '00000000-0000-4000-8000-000000000001',
  seq: 3,
  kind: 'note',
  body: { text: 'x' },
  author: 'Juno Tam',
  benchTime: '2026-11-23 09:00:00.5+00',
  receivedAt: '2026-11-23 09:00:01+00',
};

describe('a moment from the database', () => {
  test.each([
    ['2026-11-23 09:00:00+00', '2026-11-23T09:00:00.000Z'],
    ['2026-11-23 09:00:00.25+05:30', '2026-11-23T03:30:00.250Z'],
    ['1900-01-01 00:00:00+00', '1900-01-01T00:00:00.000Z'],
    ['0001-12-31 10:00:00+00 BC', null],
    ['1899-12-31 00:00:00+00', '1899-12-31T00:00:00.000Z'],
    ['1899-12-30 23:59:59.999+00', null],
    ['2101-01-01 23:59:59.999+00', '2101-01-01T23:59:59.999Z'],
    ['2101-01-02 00:00:00+00', null],
    ['infinity', null],
    ['', null],
  ])('%s', (text, moment) => expect(readMoment(text)).toBe(moment));
  test('only of a text', () => expect([12, null, undefined, {}].map(readMoment)).toEqual([null, null, null, null]));
});

describe('an entry from its row', () => {
  test('is what it says, its times in one form', () => {
    expect(readEntry(row)).toEqual({
      ...row,
      benchTime: '2026-11-23T09:00:00.500Z',
      receivedAt: '2026-11-23T09:00:01.000Z',
    });
  });
  test('that cannot be read says what is wrong and what it was', () => {
    expect(readEntry({ ...row, kind: 'spell' })).toEqual({
      ...row,
      kind: 'unreadable',
      benchTime: '2026-11-23T09:00:00.500Z',
      receivedAt: '2026-11-23T09:00:01.000Z',
      body: { kind: 'spell', problem: expect.stringMatching(/^\/kind /), was: '{"text":"x"}' },
    });
  });
  test('without a time of its own has that of its arrival, or none that anybody can have meant', () => {
    expect(readEntry({ ...row, benchTime: 'x' }).benchTime).toBe('2026-11-23T09:00:01.000Z');
    expect(readEntry({ ...row, benchTime: 'x', receivedAt: 'y' }).benchTime).toBe('1970-01-01T00:00:00.000Z');
  });
  test('is well-formed, and keeps its id and place, whatever stands in the row', () => {
    fc.assert(
      fc.property(
        fc.record({
          kind: fc.oneof(
            fc.string(),
            fc.constantFrom('note', 'reading', 'strike', 'intake', 'unreadable', '__proto__'),
          ),
          body: fc.oneof(fc.jsonValue({ maxDepth: 4 }), fc.constant({ text: 'x' })),
          author: fc.oneof(fc.string({ maxLength: 200 }), fc.constant('Juno Tam')),
          benchTime: fc.oneof(fc.string(), fc.constant(row.benchTime)),
          receivedAt: fc.oneof(fc.string(), fc.constant(row.receivedAt)),
        }),
        (rubbish) => {
          const entry = readEntry({ ...row, ...rubbish });
          expect(entryProblems(entry, 'stored')).toEqual([]);
          expect([entry.id, entry.seq]).toEqual([row.id, row.seq]);
        },
      ),
      { numRuns: 500 },
    );
  });
});
