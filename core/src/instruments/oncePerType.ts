import type { InstrumentType } from './instrumentType.schema';

/**
 * Something worked out of an instrument type, made once and kept as long as the type itself is. Types are never changed
 * in place: one that is described further is another object.
 *
 * @example
 * const padCount = oncePerType((type) => type.pads.length);
 */
export function oncePerType<Made>(make: (type: InstrumentType) => Made): (type: InstrumentType) => Made {
  const kept = new WeakMap<InstrumentType, { made: Made }>();
  return (type) => {
    const known = kept.get(type) ?? { made: make(type) };
    kept.set(type, known);
    return known.made;
  };
}
