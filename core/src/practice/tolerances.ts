import { practiceQuestions, type Family, type PracticeName, type ToleranceName } from '../vocabulary';
import { holderOf, practices, type OwnSettings } from './practices';
import { practiceWords } from './practiceWords';

/** A limit: an upper bound, or a band from low to high. Millimetres unless the name says otherwise. */
export type Tolerance = number | readonly [number, number];
type ByPractice = readonly [stage: Tolerance, steady: Tolerance, keeper: Tolerance];
export type Column = 'flute' | 'reed' | 'saxophone';

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
  rodRunOut: { flute: [0.02, 0.03, 0.05], reed: [0.02, 0.04, 0.06], saxophone: [0.03, 0.06, 0.08] },
  pivotRise: { flute: [0.02, 0.03, 0.04], reed: [0.02, 0.04, 0.05], saxophone: [0.03, 0.06, 0.08] },
  pivotWear: { flute: [0.02, 0.04, 0.05], reed: [0.03, 0.05, 0.06], saxophone: [0.03, 0.06, 0.08] },
  postLean: { flute: [0.4, 0.8, 1], reed: [0.5, 1, 1.5], saxophone: [0.6, 1.2, 1.5] },
  postHeight: { flute: [0.03, 0.06, 0.08], reed: [0.05, 0.1, 0.12], saxophone: [0.06, 0.12, 0.15] },
  witnessGap: { saxophone: [0.2, 0.4, 0.5] },
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
  corkSqueeze: {
    flute: [
      [0.2, 0.5],
      [0.2, 0.5],
      [0.15, 0.4],
    ],
    reed: [
      [0.2, 0.5],
      [0.2, 0.6],
      [0.15, 0.5],
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
  leastForceNewtons: { flute: [0.2, 0.25, 0.25], reed: [0.25, 0.3, 0.3], saxophone: [0.35, 0.45, 0.45] },
  sealForceNewtons: { flute: [0.35, 0.5, 0.5], reed: [0.45, 0.65, 0.65], saxophone: [0.7, 1, 1] },
  jointLeakMlPerMinute: { flute: [5, 15, 25], reed: [5, 15, 25], saxophone: [10, 30, 50] },
  // Of the way from a tester's closed mark to its open one, above what the tester loses by itself, %.
  jointLeakShare: { flute: [1, 2, 3], reed: [1, 2, 3], saxophone: [1, 3, 5] },
  // From its name, once the whole instrument is tuned as well as it can be; an old one keeps its own scale.
  noteCents: { flute: [8, 12, 20], reed: [8, 12, 20], saxophone: [10, 15, 25] },
  // How far work may go before something else is done.
  rimRemoval: { flute: [0.08, 0.08, 0.08], reed: [0.08, 0.08, 0.08], saxophone: [0.08, 0.08, 0.08] },
  // Of the outside diameter, and of the length of the tube, %.
  tubeReduction: { flute: [5, 5, 5], reed: [5, 5, 5], saxophone: [5, 5, 5] },
  swageZone: { flute: [35, 35, 35], reed: [35, 35, 35], saxophone: [35, 35, 35] },
  swageFacing: { flute: [0.05, 0.05, 0.05], reed: [0.05, 0.05, 0.05], saxophone: [0.05, 0.05, 0.05] },
  tenonOvershoot: { flute: [0.02, 0.02, 0.02], reed: [0.02, 0.02, 0.02], saxophone: [0.02, 0.02, 0.02] },
  tenonStep: { flute: [0.01, 0.01, 0.01], reed: [0.01, 0.01, 0.01], saxophone: [0.01, 0.01, 0.01] },
} as const satisfies Record<ToleranceName, Partial<Record<Column, ByPractice>>>;

/** The column of the tables a family is read from. */
export const columnOf: Readonly<Record<Family, Column>> = {
  flute: 'flute',
  piccolo: 'flute',
  clarinet: 'reed',
  oboe: 'reed',
  saxophone: 'saxophone',
  // Anything else is judged like the wooden reed instruments, the middle column.
  other: 'reed',
};
const rank: Record<PracticeName, 0 | 1 | 2> = { stage: 0, steady: 1, keeper: 2 };

/** Limits that stand in place of those of the practice. */
export type OwnLimits = Readonly<Partial<Record<ToleranceName, Tolerance>>>;

/** What decides on a limit: the kind of instrument, the practice, and what the shop has set otherwise. */
export interface LimitSource {
  family: Family;
  practice: PracticeName;
  own?: OwnLimits;
  /** sides taken otherwise than the practice takes them */
  settings?: OwnSettings;
}

/** Whose column a limit is read from: another practice's where a side was taken that goes with that one's limits. */
function columnPractice(name: ToleranceName, { practice, settings = {} }: LimitSource): PracticeName {
  const question = practiceQuestions.find((each) => practiceWords[each].limits?.includes(name));
  const side = question && settings[question];
  if (side === undefined || side === practices[practice].settings[question as never]) return practice;
  return holderOf(question as never, side as never) ?? practice;
}

/**
 * The limit for a measure, or null where the measure does not arise. Millimetres, or the unit in its name; leans in
 * degrees. What the shop has set itself comes before the workshop default.
 *
 * @example tolerance('padGap', { family: 'saxophone', practice: 'stage' }) // => 0.03
 */
export function tolerance(name: ToleranceName, source: LimitSource): Tolerance | null {
  const set = source.own?.[name];
  if (set !== undefined) return set;
  const row: Partial<Record<Column, ByPractice>> = table[name];
  return row[columnOf[source.family]]?.[rank[columnPractice(name, source)]] ?? null;
}

/** The upper limit of a measure, or null where it does not arise or is a band. */
export function upperLimit(name: ToleranceName, source: LimitSource): number | null {
  const limit = tolerance(name, source);
  return typeof limit === 'number' ? limit : null;
}

/** The band of a measure, or null where it does not arise or has an upper limit only. */
export function bandOf(name: ToleranceName, source: LimitSource): readonly [number, number] | null {
  const limit = tolerance(name, source);
  return limit === null || typeof limit === 'number' ? null : limit;
}

/** Is a single figure of this limit the least that will do, and not the most? */
export const isLeast = (name: ToleranceName): boolean => name === 'leastForceNewtons';

/** Is this a band from low to high, or an upper limit? */
export const limitShape = (name: ToleranceName): 'band' | 'upper' =>
  (Object.values(table[name]) as ByPractice[]).some((row) => row.some((limit) => typeof limit !== 'number'))
    ? 'band'
    : 'upper';

const upper = (limit: Tolerance | null, otherwise: number) => (typeof limit === 'number' ? limit : otherwise);

/** Holes wider than this have a class of their own for the flatness of their rims, mm. */
const largeFrom = 20;
export const isLargeHole = (diameter: number): boolean => diameter > largeFrom;

/** Limits for a tone-hole rim: flatness depends on whether the hole is wider than 20 mm. */
export function rimLimits(source: LimitSource, holeDiameter: number) {
  const small = upper(tolerance('rimFlatness', source), 0);
  return {
    flatness: isLargeHole(holeDiameter) ? upper(tolerance('rimFlatnessLarge', source), small) : small,
    tilt: upper(tolerance('rimTilt', source), 0),
    ovality: upper(tolerance('holeOvality', source), 0),
  };
}

/** How far work may go where this practice does it, mm: the tables have it for every instrument. */
export const workLimit = (
  name: 'rimRemoval' | 'swageFacing' | 'tenonOvershoot' | 'tenonStep',
  source: LimitSource,
): number => upper(tolerance(name, source), 0);

/** The same of what is a part of a whole, 0 to 1: the tables have it as a percentage. */
export const workShare = (name: 'tubeReduction' | 'swageZone', source: LimitSource): number =>
  upper(tolerance(name, source), 0) / 100;

/** The largest gap under a pad at the lightest touch, mm. */
export const padGapLimit = (source: LimitSource): number => upper(tolerance('padGap', source), 0);

/** A limit in words a bench understands, with the unit it is in. */
export const toleranceWords: Record<
  ToleranceName,
  { words: string; unit: 'mm' | '°' | 'N' | 'mL/min' | '%' | 'cents' }
> = {
  bodyStraightness: { words: 'Body straightness zone', unit: 'mm' },
  boreOvality: { words: 'Bore ovality', unit: 'mm' },
  boreDeviation: { words: 'Bore deviation from its reference, either way', unit: 'mm' },
  rimFlatness: { words: 'Rim flatness, small hole', unit: 'mm' },
  rimFlatnessLarge: { words: 'Rim flatness, large hole', unit: 'mm' },
  rimTilt: { words: 'Rim tilt', unit: 'mm' },
  holeOvality: { words: 'Hole ovality', unit: 'mm' },
  hingeClearance: { words: 'Hinge clearance on its rod', unit: 'mm' },
  endPlay: { words: 'End play between posts', unit: 'mm' },
  rodRunOut: { words: 'Run-out of a rod', unit: 'mm' },
  pivotRise: { words: 'Rise and fall on a pivot', unit: 'mm' },
  pivotWear: { words: 'Wear of a pivot', unit: 'mm' },
  postLean: { words: 'Lean of a post', unit: '°' },
  postHeight: { words: 'Height of a post against its neighbours', unit: 'mm' },
  witnessGap: { words: 'Gap at the witness marks of the bell', unit: 'mm' },
  metalJointClearance: { words: 'Metal joint clearance', unit: 'mm' },
  corkedTenonClearance: { words: 'Wood clearance of a corked tenon', unit: 'mm' },
  corkSqueeze: { words: 'Squeeze of the cork', unit: 'mm' },
  padGap: { words: 'Gap under a pad at the lightest touch', unit: 'mm' },
  padStandSpread: { words: 'Spread of pad stand within a stack', unit: 'mm' },
  followerLateness: { words: 'Lateness of the follower of a linked pair', unit: 'mm' },
  lostMotion: { words: 'Lost motion at a link', unit: 'mm' },
  leastForceNewtons: { words: 'Force at the touch, at least', unit: 'N' },
  sealForceNewtons: { words: 'Force at the touch to seal', unit: 'N' },
  jointLeakMlPerMinute: { words: 'Leak of a joint at 2.5 kPa', unit: 'mL/min' },
  jointLeakShare: { words: 'Leak of a joint, of the way from closed to open', unit: '%' },
  noteCents: { words: 'A note from its name, either way', unit: 'cents' },
  rimRemoval: { words: 'Taken off a rim by dressing, before it is raised first', unit: 'mm' },
  tubeReduction: { words: 'Squeezed off the outside diameter of a hinge tube by swaging, of it', unit: '%' },
  swageZone: { words: 'Swaged at an end of a hinge tube, of its length', unit: '%' },
  swageFacing: { words: 'A hinge tube is swaged longer than it should be by, and faced off', unit: 'mm' },
  tenonOvershoot: { words: 'A tenon is expanded beyond its size by', unit: 'mm' },
  tenonStep: { words: 'A tenon is brought back by, at a time, until its own passes say', unit: 'mm' },
};
