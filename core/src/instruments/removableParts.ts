import type { InstrumentType } from './instrumentType.schema';
import { fingeringNames } from './mechanism';
import { oncePerType } from './oncePerType';
import { downTheTube, partNames } from './partNames';

/** Something that comes off an instrument when it is stripped. */
export interface RemovablePart {
  id: string;
  name: string;
  kind: 'key' | 'rod' | 'pivot' | 'fitting' | 'section';
  /** which end of its key a pivot screw sits at */
  end: 'top' | 'bottom' | null;
  /** what must be known before it is put among others like it */
  keepApart: string | null;
}

const isScrewed = (kind: string) => kind !== 'ring' && kind !== 'rest' && kind !== 'plate';
/** The two screws of a key that turns on pivots; they are no rows of the type. */
export const pivotId = (rod: string, end: 'top' | 'bottom') => `${rod}-${end}-pivot`;

/**
 * Everything that can be taken off an instrument, down the tube: sections, fittings, rods, pivot screws and keys. Pads,
 * posts and rings stay where they are. Made once for each instrument: every key at the strip-down asks for it.
 */
export const removableParts = oncePerType((type): readonly RemovablePart[] => {
  const parts: RemovablePart[] = [
    ...(type.sections.length > 1 ? type.sections : []).map(({ id, name }) => ({
      id,
      name,
      kind: 'section' as const,
      end: null,
      keepApart: null,
    })),
    ...type.fittings
      .filter(({ kind }) => isScrewed(kind))
      .map(({ id, name }) => ({ id, name, kind: 'fitting' as const, end: null, keepApart: null })),
    ...type.rods.flatMap(({ id, name, kind, pivot }): RemovablePart[] => {
      if (kind === 'through') return [{ id, name, kind: 'rod', end: null, keepApart: 'Fits its own tubes only.' }];
      const keepApart =
        pivot === 'cylinder'
          ? 'Cylinder pivot: not interchangeable, each fits its own seat.'
          : 'Top and bottom are kept apart.';
      return (['top', 'bottom'] as const).map((end) => ({
        id: pivotId(id, end),
        name: `${name.replace(/ (rod|axle|pivots)$/, '')} ${end} pivot`,
        kind: 'pivot',
        end,
        keepApart,
      }));
    }),
    ...type.keys.map(({ id, name }) => ({ id, name, kind: 'key' as const, end: null, keepApart: null })),
  ];
  const rodOf = new Map(
    type.rods.flatMap(({ id }) => [pivotId(id, 'top'), pivotId(id, 'bottom')].map((pivot) => [pivot, id])),
  );
  const order = new Map(
    downTheTube(type, [...new Set(parts.map(({ id }) => rodOf.get(id) ?? id))]).map((id, i) => [id, i]),
  );
  const rank = ({ id }: RemovablePart) => order.get(rodOf.get(id) ?? id) ?? 0;
  return parts.sort((a, b) => rank(a) - rank(b));
});

/** The names of all parts, pivot screws among them. Made once for each instrument: every reading asks for them. */
export const removableNames = oncePerType(
  (type): ReadonlyMap<string, string> =>
    new Map([...partNames(type), ...removableParts(type).map(({ id, name }) => [id, name] as const)]),
);

/** What anything that can be read is called: every part, and every note by its fingering. */
export const namesToRead = oncePerType(
  (type): ReadonlyMap<string, string> => new Map([...fingeringNames(type), ...removableNames(type)]),
);

/** One part that has to go on after another, and why. */
export interface OverRelation {
  over: string;
  under: string;
  reason: string;
}

/**
 * What passes over what: as the type and the technician say it, and because a rod runs through its keys and a pivot
 * screw holds its key.
 */
export function overRelations(type: InstrumentType): OverRelation[] {
  const names = removableNames(type);
  const name = (id: string) => names.get(id) ?? id;
  const passing = [...type.keys, ...type.fittings].flatMap(({ id, over = [] }) =>
    over.map((under) => ({ over: id, under, reason: `${name(id)} passes over ${name(under)}` })),
  );
  const turning = type.keys.flatMap(({ id, rod: rodId }) => {
    const rod = type.rods.find((each) => each.id === rodId);
    if (!rod) return [];
    if (rod.kind === 'through') return [{ over: rod.id, under: id, reason: `${rod.name} runs through ${name(id)}` }];
    return (['top', 'bottom'] as const).map((end) => ({
      over: pivotId(rod.id, end),
      under: id,
      reason: `${name(pivotId(rod.id, end))} holds ${name(id)}`,
    }));
  });
  const nesting = type.keys.flatMap(({ id, nestsIn }) =>
    nestsIn === undefined ? [] : [{ over: id, under: nestsIn, reason: `${name(id)} runs inside ${name(nestsIn)}` }],
  );
  return [...passing, ...turning, ...nesting];
}
