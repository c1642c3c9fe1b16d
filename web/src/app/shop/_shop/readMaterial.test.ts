import { describe, expect, test } from '@jest/globals';
import { usualSpringMaterials } from '@holotonos/core';
import { readMaterial } from './readMaterial';

const text = (more: object = {}) => ({ name: 'Old stock', modulus: '200', yield: '1850,5', ...more });

describe('what springs are made of, as it is typed', () => {
  test('a new one gets an id of its own, whatever others are called; what is changed keeps its own', () => {
    expect(readMaterial(text(), usualSpringMaterials, null)).toEqual({
      ok: true,
      body: { id: 'old-stock', name: 'Old stock', modulus: 200, yield: 1850.5 },
    });
    expect(readMaterial(text({ name: 'Bronze' }), usualSpringMaterials, null)).toMatchObject({
      body: { id: 'bronze-2' },
    });
    const [steel] = usualSpringMaterials;
    expect(readMaterial(text(), usualSpringMaterials, steel ?? null)).toMatchObject({ body: { id: 'blued-steel' } });
  });
  test.each([
    [{ name: ' ' }, /^Name/],
    [{ modulus: 'stiff' }, /^Stiffness/],
    [{ modulus: '0' }, /^Stiffness/],
    [{ yield: '-1' }, /^Strength/],
  ])('%p is said at its field', (more, words) => {
    const read = readMaterial(text(more), [], null);
    expect(read.ok ? '' : read.problem).toMatch(words);
  });
});
