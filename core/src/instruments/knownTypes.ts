import type { InstrumentType } from './instrumentType.schema';

const known = new Map<string, InstrumentType>();

/**
 * Makes types known, so that an intake can name one instead of bringing it along. All that ship are known wherever
 * `shippedTypes` is loaded; a page of a job knows those its own intakes name, for the ten together weigh as much as all
 * else it loads.
 */
export function knowTypes(types: readonly InstrumentType[]): void {
  for (const type of types) known.set(type.id, type);
}

/** The known type with this id, its options still to be chosen, or null. */
export const instrumentType = (id: string): InstrumentType | null => known.get(id) ?? null;
