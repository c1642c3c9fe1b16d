import type { InstrumentType } from '../instruments';
import { columnOf, type Column } from '../practice';
import type { Family } from '../vocabulary';

/**
 * What a mechanism of a family is like where nobody has read it. Workshop defaults, plausible and no more: millimetres
 * at the pad, newtons at the pad.
 */
export interface MechanismFigures {
  /** how far a pad of an open key stands above its rim, as a share of its diameter, and at most this, mm */
  opening: { share: number; most: number };
  /** by which a spring grows for a millimetre at the pad, N/mm */
  springRate: number;
  /** of a pad, N/mm */
  stiffness: number;
  /** by how much more a neighbour on the same rod has to close for a newton on a key beside it, and beyond that one */
  flex: { next: number; further: number };
  /** one step of an adjuster at the follower's pad: a sixteenth of a turn of a screw times the ratio of its arm */
  screwStep: number;
}

const figuresBy: Record<Column, MechanismFigures> = {
  flute: {
    opening: { share: 0.15, most: 2.8 },
    springRate: 0.008,
    stiffness: 8,
    flex: { next: 0.05, further: 0.02 },
    screwStep: 0.02,
  },
  reed: {
    opening: { share: 0.2, most: 2.6 },
    springRate: 0.01,
    stiffness: 8,
    flex: { next: 0.04, further: 0.015 },
    screwStep: 0.02,
  },
  saxophone: {
    opening: { share: 0.16, most: 7 },
    springRate: 0.01,
    stiffness: 10,
    flex: { next: 0.05, further: 0.02 },
    screwStep: 0.025,
  },
};

/** The figures of a family, until somebody has read them on the instrument itself. */
export const mechanismFigures = (family: Family): MechanismFigures => figuresBy[columnOf[family]];

type AdjusterKind = InstrumentType['links'][number]['adjuster'];

/** One step of an adjuster: what it changes the gap of its link by, mm, and how many steps there are either way. */
export interface AdjusterStep {
  step: number;
  /** toward “earlier”, not above 0 */
  min: number;
  /** toward “later”, not below 0 */
  max: number;
}

/**
 * What an adjuster can do: a screw goes by sixteenths of a turn, an arm by about 0.05 mm a bend; cork and felt are
 * shaved, or get paper under them by the thinnest film there is. What is fixed cannot be set.
 *
 * @param film the thinnest paper or film in the shop, mm
 */
export function adjusterStep(kind: AdjusterKind, { screwStep }: MechanismFigures, film: number): AdjusterStep | null {
  switch (kind) {
    case 'screw':
      return { step: screwStep, min: -12, max: 12 };
    case 'arm':
      return { step: 0.05, min: -6, max: 6 };
    case 'cork':
    case 'felt':
      return { step: 0.05, min: -6, max: 8 };
    case 'paper':
      return { step: film, min: -8, max: 8 };
    case 'fixed':
      return null;
  }
}
