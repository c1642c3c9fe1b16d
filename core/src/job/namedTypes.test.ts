import { expect, test } from '@jest/globals';
import { instrumentType, knowTypes, shippedTypes, type InstrumentType } from '../instruments';
import { emptyJobState, foldJob, misfits, namedTypes, type Entry } from '.';

const intake = (seq: number, body: object): Entry =>
  ({
    id: `00000000-0000-4000-8000-${String(seq).padStart(12, '0')}`,
    seq,
    kind: 'intake',
    author: 'Juno Tam',
    benchTime: '2026-11-23T09:00:00.000Z',
    receivedAt: '2026-11-23T09:00:00.000Z',
    body: { ticket: 'T-1', owner: 'o', family: 'oboe', practice: 'stage', scope: 'repair', unit: 'mm', ...body },
  }) as unknown as Entry;
const own = { ...shippedTypes[0], id: 'own-flute' } as InstrumentType;
const note = { ...intake(9, {}), kind: 'note', body: { text: 'instrumentType' } } as unknown as Entry;

test('what a page must know is what its intakes name and do not bring along, each once', () => {
  const named = namedTypes([
    intake(1, { instrumentType: 'oboe' }),
    note,
    intake(2, { instrumentType: 'own-flute', type: own }),
    intake(3, { instrumentType: 'piccolo' }),
    intake(4, { instrumentType: 'oboe' }),
    intake(5, { instrumentType: 'nowhere' }),
    // Of a shipped type this ticket has its own.
    intake(6, { instrumentType: 'concert-flute', type: { ...own, id: 'concert-flute' } }),
    { ...note, body: { instrumentType: 'alto-saxophone' } } as unknown as Entry,
  ]);
  expect(named.map(({ id }) => id)).toEqual(['oboe', 'piccolo']);
});
test('a type is known once it was made known', () => {
  expect(instrumentType('made-known')).toBeNull();
  expect(foldJob([intake(1, { instrumentType: 'made-known' })]).instrument).toBeNull();
  knowTypes([{ ...own, id: 'made-known', name: 'Made known' }]);
  expect(foldJob([intake(1, { instrumentType: 'made-known' })]).instrument?.name).toBe('Made known');
});
test('a correction that names a type nobody here knows leaves the page with the instrument it has', () => {
  const job = foldJob([intake(1, { instrumentType: 'oboe' }), intake(2, { instrumentType: 'nowhere', owner: 'p' })]);
  expect([job.instrument?.id, job.intake?.owner]).toEqual(['oboe', 'p']);
});
test('a correction that names another known type takes it', () => {
  const job = foldJob([intake(1, { instrumentType: 'oboe' }), intake(2, { instrumentType: 'piccolo' })]);
  expect(job.instrument?.id).toBe('piccolo');
});
test('an intake stays of its ticket, and of a type that is known, came with it, or is the one there was', () => {
  const wrong = (state: ReturnType<typeof foldJob>, body: object) =>
    misfits(state, intake(9, body)).map(({ path, message }) => `${path} ${message}`);
  const nowhere = { instrumentType: 'nowhere' };
  expect(wrong(emptyJobState, nowhere)).toEqual([
    '/body/instrumentType “nowhere” is not a type known here, and none came with the intake',
  ]);
  expect(wrong(emptyJobState, { ...nowhere, type: own })).toEqual([]);
  expect(wrong(emptyJobState, { instrumentType: 'oboe' })).toEqual([]);
  expect(wrong(foldJob([intake(1, nowhere)]), nowhere)).toEqual([]);
  const oboe = foldJob([intake(1, { instrumentType: 'oboe' })]);
  expect(wrong(oboe, { instrumentType: 'oboe', ticket: 'T-2' })).toEqual(['/body/ticket must stay T-1']);
  expect(wrong(oboe, { instrumentType: 'oboe', owner: 'p' })).toEqual([]);
});
