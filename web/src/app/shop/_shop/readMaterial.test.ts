import { expect, test } from '@jest/globals';
import { usualSpringMaterials } from '@holotonos/core';
import { readMaterial } from './readMaterial';

const typed = (change: object = {}) => ({ name: ' Own wire ', modulus: '205', yield: '1900', ...change });
const read = (change: object = {}, before: Parameters<typeof readMaterial>[2] = null) =>
  readMaterial(typed(change), usualSpringMaterials, before);

test('a material is read as it was typed, with an id nobody else has', () => {
  expect(read({ modulus: '205,5' })).toEqual({
    ok: true,
    body: { id: 'own-wire', name: 'Own wire', modulus: 205.5, yield: 1900 },
  });
  const [first] = usualSpringMaterials;
  if (!first) throw new Error('the shop starts with materials');
  const another = read({ name: first.id });
  expect(another.ok && another.body.id).not.toBe(first.id);
  // Changed, it stays what it is.
  const changed = read({ name: 'Another name' }, first);
  expect(changed.ok && changed.body).toMatchObject({ id: first.id, name: 'Another name' });
});
test.each([
  [{ name: '  ' }, /^Name: /],
  ...['', 'stiff', '0', '-1'].map((modulus) => [{ modulus }, /^Stiffness: .* GPa/] as const),
  ...['', 'strong', '0', '-1'].map((text) => [{ yield: text }, /^Strength: .* MPa/] as const),
] as const)('%j is no material', (change, said) => {
  const wrong = read(change);
  expect(wrong.ok ? '' : wrong.problem).toMatch(said);
});
test('anything above nothing is one', () => expect(read({ modulus: '0.1', yield: '0.1' }).ok).toBe(true));
