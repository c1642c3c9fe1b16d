import type { InstrumentType } from '../instruments';
import type { Family } from '../vocabulary';

/** How far the face of a pad stands above the edge of its cup, where nobody says otherwise, mm: workshop defaults. */
export const usualStand: Readonly<Record<Family, number>> = {
  flute: 0.3,
  piccolo: 0.3,
  clarinet: 0.8,
  oboe: 0.6,
  saxophone: 1.1,
  other: 0.8,
};

/** A cup whose depth nobody has read, mm: a workshop default. */
export const usualCupDepth = 2.5;

/** A pad goes into its cup with this much to spare on the diameter, mm: a workshop default. */
const usualRoom = 0.2;

/** The inside of a cup as the pad that belongs into it has it, mm. */
export const cupAcross = ({ diameter }: Pick<InstrumentType['pads'][number], 'diameter'>): number =>
  diameter + usualRoom;
