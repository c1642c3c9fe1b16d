import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { blankType, shippedTypes } from '@holotonos/core';
import { keepType, keptTypes, knownTypes, typeById } from '../src';
import { testDatabase, type TestDatabase } from './database';

let store: TestDatabase;
beforeAll(async () => {
  store = await testDatabase();
});
afterAll(() => store.drop());

const own = { ...blankType('clarinet', 'Very large clarinet'), id: 'very-large-clarinet' };

describe('the shop’s own types', () => {
  test('are kept, a later revision standing before an earlier one', async () => {
    expect(await keepType(store.db, own, 'Juno Tam')).toMatchObject({ status: 'kept' });
    await keepType(store.db, { ...own, name: 'Very large clarinet, two register keys' }, 'Juno Tam');
    expect((await keptTypes(store.db)).map(({ name }) => name)).toEqual(['Very large clarinet, two register keys']);
    expect((await typeById(store.db, own.id))?.name).toBe('Very large clarinet, two register keys');
    const known = await knownTypes(store.db);
    expect(known.filter(({ ships }) => ships)).toHaveLength(shippedTypes.length);
    expect(known.at(-1)?.type.id).toBe(own.id);
  });
  test('may not take the name of one that ships, nor be broken', async () => {
    expect(await keepType(store.db, { ...own, id: 'oboe' }, 'x')).toMatchObject({
      status: 'refused',
      problems: [{ path: '/id' }],
    });
    expect(await keepType(store.db, { ...own, holes: 3 }, 'x')).toMatchObject({
      status: 'refused',
      problems: [{ path: '/holes' }],
    });
    const loose = { ...own, pads: [{ hole: 'x', key: 'y', diameter: 5, axisDistance: 9, hold: 'adhesive' }] };
    const refused = await keepType(store.db, loose, 'x');
    expect(refused.status === 'refused' && refused.problems.map(({ message }) => message).join()).toMatch(
      /pad without a hole/,
    );
    expect((await typeById(store.db, 'oboe'))?.name).toBe('Oboe, conservatoire system');
    expect(await typeById(store.db, 'none')).toBeNull();
  });
  test('stay as they were written', async () => {
    await expect(store.pool.query("update instrument_types set id = 'x'")).rejects.toThrow(/append-only/);
  });
});
