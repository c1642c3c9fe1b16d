import { describe, expect, test } from '@jest/globals';
import { Validator } from '@cfworker/json-schema';
import { damagesOf, sampleOf, type Schema } from '../../tests/fromSchema';
import { shippedTypes } from '../instruments';
import { entryBodies, entryKinds, storedEntrySchema, type EntryKind } from '../job';
import { newPiece, pieceProblems } from '../practicePieces';
import { chanceFrom } from '../simulation';
import { publishedSchemas } from '.';
import { entryProblems } from '../jobForms';

// Another validator than the one that compiles our own: what is published must mean the same to others.
const documents = new Validator(publishedSchemas['job-document'] as object, '2020-12', true);
const types = new Validator(publishedSchemas['instrument-type'] as object, '2020-12', true);
const takes = (entry: unknown) =>
  documents.validate({
    format: 'holotonos-job',
    version: 1,
    exportedAt: '2026-11-23T09:00:00.000Z',
    units: { length: 'mm' },
    ticket: 'LL-1',
    entries: [entry],
  }).valid;

const envelope = (kind: EntryKind, body: unknown) => ({
  id: '00000000-0000-4000-8000-000000000001',
  seq: 1,
  kind,
  body,
  author: 'Juno Tam',
  benchTime: '2026-11-23T09:00:00.000Z',
  receivedAt: '2026-11-23T09:00:00.000Z',
});
/** Bodies of one kind, some with everything and some with what is required. */
const bodiesOf = (kind: EntryKind) =>
  [1, 2, 3].map((seed) => {
    const body = sampleOf(entryBodies[kind] as Schema, chanceFrom(seed * 31 + kind.length), seed === 1) as Record<
      string,
      unknown
    >;
    return kind === 'intake' && body.type ? { ...body, type: shippedTypes[0] } : body;
  });

describe.each(entryKinds)('the published schema of a job and an entry of kind %s', (kind) => {
  const schema = entryBodies[kind] as Schema;
  test('takes what is well-formed, as the import does', () => {
    for (const body of bodiesOf(kind)) {
      expect([entryProblems(envelope(kind, body), 'stored'), takes(envelope(kind, body))]).toEqual([[], true]);
    }
  });
  test('refuses every damage, as the import does', () => {
    const [body] = bodiesOf(kind);
    const damages = damagesOf(schema, body);
    expect(damages.length).toBeGreaterThan(3);
    const missed = damages.filter(({ document }) => takes(envelope(kind, document)));
    expect(missed.map(({ path, what }) => `${path} ${what}`)).toEqual([]);
    const passed = damages.filter(({ document }) => entryProblems(envelope(kind, document), 'stored').length === 0);
    expect(passed.map(({ path, what }) => `${path} ${what}`)).toEqual([]);
  });
});

test('the envelope of an entry is held too', () => {
  const entry = envelope('note', { text: 'x' });
  expect(takes(entry)).toBe(true);
  const damages = damagesOf(storedEntrySchema as Schema, entry).filter(({ path }) => path !== '/body');
  expect(damages.filter(({ document }) => takes(document)).map(({ path, what }) => `${path} ${what}`)).toEqual([]);
  expect(takes({ ...entry, kind: 'spell' })).toBe(false);
  expect(takes({ ...entry, body: 'x' })).toBe(false);
});

test.each(shippedTypes.map((type) => [type.id, type] as const))('the type %s fits its own schema', (_, type) => {
  expect(types.validate(type).valid).toBe(true);
  expect(types.validate({ ...type, holes: 'many' }).valid).toBe(false);
});

describe('the published schema of a practice piece', () => {
  const pieces = new Validator(publishedSchemas['practice-piece'] as object, '2020-12', true);
  const piece = newPiece({ instrument: 'concert-flute', practice: 'stage', grade: 5, seed: 9 });
  test('takes a piece with faults of every kind, as we do', () => {
    const faults = [...piece.faults, { kind: 'twist', key: 'd-key', times: 2 }];
    expect([pieces.validate({ ...piece, faults }).valid, pieceProblems({ ...piece, faults })]).toEqual([true, []]);
  });
  test.each([
    ['no seed', { ...piece, seed: undefined }],
    ['no faults', { ...piece, faults: [] }],
    ['a strange word', { ...piece, strange: 1 }],
    ['a fault half said', { ...piece, faults: [{ kind: 'adjuster', link: 'f-to-f-sharp' }] }],
    ['a fault with more than its own', { ...piece, faults: [{ kind: 'hinge', key: 'f-key', play: 0.1, steps: 2 }] }],
    ['play of nothing', { ...piece, faults: [{ kind: 'hinge', key: 'f-key', play: 0 }] }],
  ])('refuses %s, as we do', (_, strange) => {
    const plain = JSON.parse(JSON.stringify(strange)) as object;
    expect(pieces.validate(plain).valid).toBe(false);
    expect(pieceProblems(plain)).not.toEqual([]);
  });
});
