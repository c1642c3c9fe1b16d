import { describe, expect, test } from '@jest/globals';
import { listAddress, listOf, perPage } from './listQuestion';

describe('the list of tickets by its address', () => {
  test('is all of it where nothing is asked', () => {
    const list = listOf({});
    expect(list).toMatchObject({ view: 'all', search: '', by: 'none', page: 1, narrowed: false });
    // Grouped is not narrowed: every ticket is there.
    expect(listOf({ by: 'stage' })).toMatchObject({ by: 'stage', narrowed: false });
    expect(list.question).toEqual({
      standing: ['ready', 'waiting', 'over'],
      search: '',
      limit: perPage,
      offset: 0,
    });
    expect(listAddress(list, 1)).toBe('/');
  });
  test('reads what it writes', () => {
    for (const list of [
      { view: 'waiting', search: 'oboe & 100%', by: 'hands', page: 3 },
      { view: 'all', search: 'x', by: 'stage', page: 1 },
      { view: 'over', search: '', by: 'none', page: 2 },
    ] as const) {
      const url = new URL(listAddress(list, list.page), 'http://here');
      expect(listOf(Object.fromEntries(url.searchParams))).toMatchObject({ ...list, narrowed: true });
    }
    expect(listOf({ page: '3' }).question.offset).toBe(2 * perPage);
    expect(listOf({ page: '3' }).narrowed).toBe(false);
  });
  test('passes over what makes no sense', () => {
    for (const page of ['0', '-1', 'x', '', '1e9', 'Infinity']) expect(listOf({ page }).page).toBe(1);
    expect(listOf({ page: '2.9' }).page).toBe(2);
    expect(listOf({ show: 'constructor' }).view).toBe('all');
    expect(listOf({ by: 'toString' }).by).toBe('none');
    expect(listOf({ show: ['ready', 'over'], find: ['a', 'b'] })).toMatchObject({ view: 'ready', search: 'a' });
    expect(listOf({ find: ' a\u0000b ' }).search).toBe('ab');
    expect(listOf({ find: 'x'.repeat(500) }).search).toHaveLength(80);
  });
});
