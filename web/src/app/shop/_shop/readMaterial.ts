import { freshId, idsOf, parseNumber, type ShopEntryBody, type SpringMaterial } from '@holotonos/core';

type Read = { ok: true; body: ShopEntryBody<'spring-material'> } | { ok: false; problem: string };

/** What springs are made of, as it was typed; `before` is what is changed. */
export function readMaterial(
  text: { name: string; modulus: string; yield: string },
  known: readonly SpringMaterial[],
  before: SpringMaterial | null,
): Read {
  const wrong = (problem: string): Read => ({ ok: false, problem });
  const name = text.name.trim();
  if (name === '') return wrong('Name: say what it is called.');
  const [modulus, strength] = [parseNumber(text.modulus), parseNumber(text.yield)];
  if (modulus === null || modulus <= 0) return wrong('Stiffness: type a figure in GPa, such as 205.');
  if (strength === null || strength <= 0) return wrong('Strength: type a figure in MPa, such as 1900.');
  const id = before?.id ?? freshId(name, 'material', idsOf(known));
  return { ok: true, body: { id, name, modulus, yield: strength } };
}
