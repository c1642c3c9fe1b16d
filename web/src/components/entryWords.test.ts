import { describe, expect, test } from '@jest/globals';
import { entryKinds, type Entry } from '@holotonos/core';
import { bodyResolver, withoutBlanks } from '../client/bodyResolver';
import { entryWords } from './entryWords';

const names = new Map([
  ['e', 'E'],
  ['instrument', 'whole instrument'],
]);
const bodies: Record<string, [object, string]> = {
  'intake': [{ owner: 'The band' }, 'Taken in from The band'],
  'reading': [
    {
      point: { group: 'rim', part: 'e', measure: 'height', clock: 45 },
      typed: '-0.02',
      gauge: { name: 'Dial indicator' },
    },
    'Read −0.02 · rim of E, height at 45° · Dial indicator',
  ],
  'finding': [{ kind: 'rim-warped', part: 'e', status: 'confirmed' }, 'Rim not flat, E: confirmed'],
  'operation-started': [{ operation: 'dress-rim:e' }, 'Started: dress rim, E'],
  'operation-done': [
    { title: 'Level the rim: E', override: 'owner waits' },
    'Done: Level the rim: E (although it waited: owner waits)',
  ],
  'operation-skipped': [{ title: 'Polish', reason: 'thin plate' }, 'Skipped: Polish, because thin plate'],
  'note': [{ text: 'The wood is dry.' }, 'The wood is dry.'],
  'decision': [{ question: 'Pin it?', choice: 'No.', reason: 'It is short.' }, 'Pin it? No. Because: It is short.'],
  'practice-change': [
    { practice: 'keeper', reason: 'older than thought' },
    'Practice changed to Keeper, because older than thought',
  ],
  'time': [{ minutes: 6, what: 'telephone' }, '6 min: telephone'],
  'sign-off': [{}, 'Signed off'],
  'strike': [{ reason: 'wrong key' }, 'Struck an entry: wrong key'],
};

describe('entryWords', () => {
  test.each(entryKinds)('says what a %s says', (kind) => {
    const [body, words] = bodies[kind] ?? [{}, ''];
    expect(entryWords({ kind, body } as unknown as Entry, names)).toBe(words);
  });
});

describe('the resolver of the intake form', () => {
  const good = {
    ticket: 'LL-9',
    owner: 'The band',
    instrumentType: 'oboe',
    family: 'oboe',
    practice: 'steady',
    scope: 'repair',
    unit: 'mm',
  };
  const resolve = (values: Record<string, unknown>) =>
    bodyResolver<Record<string, unknown>>('body_intake', { ticket: 'Give it a number.' })(values, undefined, {
      fields: {},
      shouldUseNativeValidation: false,
    });

  test('leaves out what was left empty', async () => {
    expect(withoutBlanks({ a: '', b: 'x', c: false, d: undefined })).toEqual({ b: 'x', c: false });
    expect(await resolve({ ...good, maker: '', dueBy: '' })).toEqual({ values: good, errors: {} });
  });
  test('puts each problem at its field, in our words where there are some', async () => {
    const { errors } = await resolve({ ...good, ticket: '!', owner: '', dueBy: 'soon' });
    expect(Object.keys(errors).sort()).toEqual(['dueBy', 'owner', 'ticket']);
    expect(errors).toMatchObject({ ticket: { message: 'Give it a number.' }, owner: { message: 'This is required' } });
  });
});
