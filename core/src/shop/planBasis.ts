import { cautions, deferral, type CautionId } from '../cautions';
import type { CustomWork, LearnedTimes, PlanBasis } from '../plan';
import { inUse, type OwnCaution, type ShopState } from './shopState';

const worked = new WeakMap<ShopState['operations'], { rules: ShopState['cureRules']; work: CustomWork | undefined }>();

/**
 * What the shop has added to the tables of work; undefined when nothing, so that plans are told apart by what counts. The
 * same object as long as it is the same work.
 */
export function customWork({ operations, cureRules }: ShopState): CustomWork | undefined {
  const known = worked.get(operations);
  if (known?.rules === cureRules) return known.work;
  const work = madeWork(operations, cureRules);
  worked.set(operations, { rules: cureRules, work });
  return work;
}

function madeWork(operations: ShopState['operations'], cureRules: ShopState['cureRules']): CustomWork | undefined {
  const work = inUse(operations);
  const rules = inUse(cureRules);
  if (work.length === 0 && rules.length === 0) return undefined;
  return {
    operations: work.map(({ id, work: own }) => ({ ...own, kind: id })),
    cures: rules.map(({ rule }) => rule),
    standing: work.flatMap(({ id, standing }) => (standing ? [{ operation: id, when: standing }] : [])),
  };
}

/** What a shop brings to every plan: its work, its cautions, its times, the sizes in its drawers. */
export function planBasis(shop: ShopState, learned?: LearnedTimes): PlanBasis {
  const custom = customWork(shop);
  const cautionsFor: Record<string, string[]> = {};
  for (const { id, operations } of shop.cautions) {
    for (const kind of operations) cautionsFor[kind] = [...(cautionsFor[kind] ?? []), id];
  }
  return { ...(custom && { custom }), sizes: shop.sizes, rules: shop.rules, cautionsFor, ...(learned && { learned }) };
}

/** A caution as the step card says it. */
export interface SaidCaution {
  id: string;
  text: string;
  /** the shipped words, where the shop has put its own in their place */
  shipped: string | null;
  reason: string | null;
}

/**
 * The words of a caution: the shop's own, else those that ship. One that nobody has words for is still named, so that
 * none is lost without a word.
 */
export function cautionWords(own: readonly OwnCaution[], id: string): SaidCaution {
  const shipped = Object.hasOwn(cautions, id) ? cautions[id as CautionId] : null;
  const changed = own.find((caution) => caution.id === id);
  if (changed) return { id, text: changed.text, shipped, reason: changed.reason };
  return { id, text: shipped ?? `Caution “${id}”. ${deferral}`, shipped: null, reason: null };
}
