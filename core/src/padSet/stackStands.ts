import { padsDownTheTube, type InstrumentType } from '../instruments';
import type { JobState } from '../job';
import { limitsOf, readPoint } from '../measures';
import { chosenKey } from '../materials';
import { upperLimit } from '../practice';

/** How a pad stands: as it did before it was pulled, and as the new one does; mm, null where nobody has read it. */
export interface PadStand {
  hole: string;
  before: number | null;
  after: number | null;
}

/** The pads of one stack seen from the side. */
export interface StackStands {
  stack: string;
  pads: readonly PadStand[];
  /** highest less lowest; null with fewer than two */
  spreadBefore: number | null;
  spreadAfter: number | null;
  /** mm; null where the practice sets none */
  limit: number | null;
}

function spread(stands: readonly (number | null)[]): number | null {
  const known = stands.filter((stand) => stand !== null);
  return known.length < 2 ? null : Math.max(...known) - Math.min(...known);
}

/** How the pads of each stack stand, before and after, down the tube. Stacks of which nobody has read a pad are left out. */
export function stackStands(state: JobState, type: InstrumentType): StackStands[] {
  const limit = upperLimit('padStandSpread', limitsOf(state, type));
  const inOrder = padsDownTheTube(type);
  const standOf = (hole: string): PadStand => {
    const { mean, stale } = readPoint(state, { group: 'pad', part: hole, measure: 'stand', clock: 0 });
    const old = stale.at(-1)?.value ?? null;
    // Only a pad that was put in stands otherwise: until then every figure is of the one that was there.
    const isNew =
      state.chosen.get(chosenKey({ use: 'pad', part: hole }))?.taken != null || (old !== null && mean !== null);
    return isNew ? { hole, before: old, after: mean } : { hole, before: mean ?? old, after: null };
  };
  const stacks = [...new Set(type.pads.flatMap(({ stack }) => stack ?? []))];
  return stacks.flatMap((stack): StackStands[] => {
    const pads = inOrder.filter((pad) => pad.stack === stack).map(({ hole }) => standOf(hole));
    if (pads.every(({ before, after }) => before === null && after === null)) return [];
    return [
      {
        stack,
        pads,
        spreadBefore: spread(pads.map(({ before }) => before)),
        spreadAfter: spread(pads.map(({ after }) => after)),
        limit,
      },
    ];
  });
}
