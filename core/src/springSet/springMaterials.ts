import type { SpringMaterial } from './springMaterial.schema';

const made = (id: string, name: string, modulus: number, yieldStrength: number): SpringMaterial => ({
  id,
  name,
  modulus,
  yield: yieldStrength,
});

/** What springs are usually made of: workshop defaults, not anybody’s data sheet. A shop says its own. */
export const usualSpringMaterials: readonly SpringMaterial[] = [
  made('blued-steel', 'blued steel', 205, 1900),
  made('stainless-steel', 'stainless steel', 190, 1500),
  made('bronze', 'bronze', 110, 650),
  made('nickel-silver', 'nickel silver', 125, 600),
  made('gold-alloy', 'gold alloy', 95, 700),
];
