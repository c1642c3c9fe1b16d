import type { InstrumentType } from './instrumentType.schema';

interface Optional {
  with?: string;
  without?: string;
}

/** Is this row there when these options are chosen? */
export const isThere = (row: Optional, chosen: ReadonlySet<string>): boolean =>
  (row.with === undefined || chosen.has(row.with)) && (row.without === undefined || !chosen.has(row.without));

/**
 * The plain type with the chosen options built in and none left to choose. An option the type does not offer says
 * nothing.
 */
export function applyOptions(type: InstrumentType, options: readonly string[]): InstrumentType {
  const chosen = new Set(options);
  const there = <T extends Optional>(rows: readonly T[]): T[] =>
    rows
      .filter((row) => isThere(row, chosen))
      .map((row) => {
        const { with: _with, without: _without, ...plain } = row;
        return plain as T;
      });
  const names = type.options
    .filter(({ id }) => chosen.has(id))
    .map(({ name }) => name.charAt(0).toLowerCase() + name.slice(1));
  return {
    ...type,
    name: [type.name, ...names].join(', '),
    options: [],
    sections: there(type.sections) as InstrumentType['sections'],
    joints: there(type.joints),
    holes: there(type.holes),
    rods: there(type.rods),
    posts: there(type.posts),
    keys: there(type.keys),
    pads: there(type.pads),
    links: there(type.links),
    fittings: there(type.fittings),
    fingerings: there(type.fingerings),
    rules: there(type.rules),
    measuringPoints: there(type.measuringPoints),
  };
}

/** A type's options are few, so that every choice of them can be checked. */
export const mostOptions = 6;

/** Every choice of options a type offers, none of them first. */
export function optionChoices(type: InstrumentType): string[][] {
  const ids = type.options.slice(0, mostOptions).map(({ id }) => id);
  return Array.from({ length: 2 ** ids.length }, (_, choice) => ids.filter((_id, bit) => (choice >> bit) & 1));
}
