import type { Family, PracticeName } from '../vocabulary';

/** A limit: an upper bound, or a band from low to high. Millimetres unless the name says otherwise. */
export type Tolerance = number | readonly [number, number];
type ByPractice = readonly [stage: Tolerance, steady: Tolerance, keeper: Tolerance];
type Column = 'flute' | 'reed' | 'saxophone';

/**
 * Workshop defaults by measure and kind of instrument, Stage / Steady / Keeper. Not from any standard; a shop edits
 * its own copy. A missing column means the measure does not arise there.
 */
const table = {
  bodyStraightness: { flute: [0.1, 0.2, 0.25], reed: [0.2, 0.3, 0.5], saxophone: [0.4, 0.6, 0.8] },
  boreOvality: { flute: [0.03, 0.06, 0.1], reed: [0.05, 0.1, 0.15], saxophone: [0.2, 0.4, 0.5] },
  boreDeviation: { flute: [0.03, 0.06, 0.1], reed: [0.04, 0.08, 0.12], saxophone: [0.15, 0.3, 0.4] },
  rimFlatness: { flute: [0.01, 0.02, 0.03], reed: [0.015, 0.025, 0.035], saxophone: [0.02, 0.03, 0.04] },
  rimFlatnessLarge: { reed: [0.02, 0.03, 0.04], saxophone: [0.03, 0.05, 0.06] },
  rimTilt: { flute: [0.05, 0.1, 0.15], reed: [0.05, 0.1, 0.15], saxophone: [0.1, 0.15, 0.2] },
  holeOvality: { flute: [0.05, 0.1, 0.15], reed: [0.05, 0.1, 0.15], saxophone: [0.1, 0.2, 0.3] },
  hingeClearance: {
    flute: [
      [0.005, 0.012],
      [0.005, 0.025],
      [0.005, 0.04],
    ],
    reed: [
      [0.008, 0.02],
      [0.008, 0.035],
      [0.008, 0.05],
    ],
    saxophone: [
      [0.01, 0.025],
      [0.01, 0.045],
      [0.01, 0.06],
    ],
  },
  endPlay: {
    flute: [
      [0, 0.02],
      [0, 0.04],
      [0, 0.06],
    ],
    reed: [
      [0.01, 0.04],
      [0.01, 0.06],
      [0.01, 0.08],
    ],
    saxophone: [
      [0.01, 0.05],
      [0.01, 0.08],
      [0.01, 0.1],
    ],
  },
  metalJointClearance: {
    flute: [
      [0, 0.02],
      [0, 0.03],
      [0, 0.04],
    ],
    saxophone: [
      [0, 0.01],
      [0, 0.02],
      [0, 0.03],
    ],
  },
  corkedTenonClearance: {
    flute: [
      [0.05, 0.15],
      [0.05, 0.15],
      [0.05, 0.15],
    ],
    reed: [
      [0.05, 0.15],
      [0.05, 0.2],
      [0.05, 0.25],
    ],
  },
  padGap: { flute: [0.01, 0.02, 0.03], reed: [0.015, 0.03, 0.04], saxophone: [0.03, 0.05, 0.06] },
  padStandSpread: { flute: [0.05, 0.1, 0.15], reed: [0.08, 0.12, 0.2], saxophone: [0.1, 0.2, 0.3] },
  followerLateness: {
    flute: [
      [0, 0.02],
      [0, 0.04],
      [0, 0.04],
    ],
    reed: [
      [0, 0.02],
      [0, 0.04],
      [0, 0.05],
    ],
    saxophone: [
      [0, 0.03],
      [0, 0.06],
      [0, 0.08],
    ],
  },
  lostMotion: {
    flute: [
      [0, 0.02],
      [0, 0.05],
      [0, 0.05],
    ],
    reed: [
      [0.01, 0.05],
      [0.01, 0.08],
      [0.01, 0.1],
    ],
    saxophone: [
      [0, 0.03],
      [0, 0.08],
      [0, 0.1],
    ],
  },
  sealForceNewtons: { flute: [0.35, 0.5, 0.5], reed: [0.45, 0.65, 0.65], saxophone: [0.7, 1, 1] },
  jointLeakMlPerMinute: { flute: [5, 15, 25], reed: [5, 15, 25], saxophone: [10, 30, 50] },
} as const satisfies Record<string, Partial<Record<Column, ByPractice>>>;

export type ToleranceName = keyof typeof table;

const columnOf: Record<Family, Column> = {
  flute: 'flute',
  piccolo: 'flute',
  clarinet: 'reed',
  oboe: 'reed',
  saxophone: 'saxophone',
  // Anything else is judged like the wooden reed instruments, the middle column.
  other: 'reed',
};
const rank: Record<PracticeName, 0 | 1 | 2> = { stage: 0, steady: 1, keeper: 2 };

/**
 * The limit for a measure on this family under this practice, or null where the measure does not arise.
 *
 * @example tolerance('padGap', 'saxophone', 'stage') // => 0.03
 */
export function tolerance(name: ToleranceName, family: Family, practice: PracticeName): Tolerance | null {
  const row: Partial<Record<Column, ByPractice>> = table[name];
  return row[columnOf[family]]?.[rank[practice]] ?? null;
}

/** The upper limit of a measure, or null where it does not arise or is a band. */
export function upperLimit(name: ToleranceName, family: Family, practice: PracticeName): number | null {
  const limit = tolerance(name, family, practice);
  return typeof limit === 'number' ? limit : null;
}

/** The band of a measure, or null where it does not arise or has an upper limit only. */
export function bandOf(name: ToleranceName, family: Family, practice: PracticeName): readonly [number, number] | null {
  const limit = tolerance(name, family, practice);
  return limit === null || typeof limit === 'number' ? null : limit;
}

const upper = (limit: Tolerance | null, otherwise: number) => (typeof limit === 'number' ? limit : otherwise);

/** Limits for a tone-hole rim: flatness depends on whether the hole is wider than 20 mm. */
export function rimLimits(family: Family, practice: PracticeName, holeDiameter: number) {
  const small = upper(tolerance('rimFlatness', family, practice), 0);
  return {
    flatness: holeDiameter > 20 ? upper(tolerance('rimFlatnessLarge', family, practice), small) : small,
    tilt: upper(tolerance('rimTilt', family, practice), 0),
    ovality: upper(tolerance('holeOvality', family, practice), 0),
  };
}

/** The largest gap under a pad at the lightest touch, mm. */
export const padGapLimit = (family: Family, practice: PracticeName): number =>
  upper(tolerance('padGap', family, practice), 0);
