import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import type { InstrumentType } from '../instruments';
import { toRadians } from '../metrology';

/** Chance from a seed: the same seed, the same numbers, on every machine. */
export interface Chance {
  /** uniform in [0, 1) */
  uniform: () => number;
  /** normal with mean 0 and standard deviation 1 */
  normal: () => number;
  /** a version-4 shaped UUID */
  uuid: () => string;
}

/** A stream of chance from an integer seed. */
export function chanceFrom(seed: number): Chance {
  const generator = xoroshiro128plus(seed);
  const uniform = () => uniformInt(generator, 0, 0x3fffffff) / 0x40000000;
  // Box–Muller; 1 − u keeps the logarithm off 0.
  const normal = () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform());
  const hex = (digits: number) =>
    Array.from({ length: digits }, () => uniformInt(generator, 0, 15).toString(16)).join('');
  const uuid = () => `${hex(8)}-${hex(4)}-4${hex(3)}-${'89ab'[uniformInt(generator, 0, 3)]}${hex(3)}-${hex(12)}`;
  return { uniform, normal, uuid };
}

/** What a rim really is: a tilt, a saddle and one dent, mm and clock degrees. */
export interface TrueRim {
  tilt: number;
  highClock: number;
  saddle: number;
  saddleClock: number;
  dent: number;
  dentClock: number;
}

/** What a pad really is in its cup: thickness error (+ too thick), sideways lift at 90°, roughness of its bed, mm. */
export interface TruePad {
  thickness: number;
  side: number;
  roughness: number;
}

/** What a tube really is: one bend, and dents that press its bore in from one side. */
export interface TrueTube {
  bend: { at: number; clock: number; degrees: number } | null;
  dents: { at: number; clock: number; depth: number; halfWidth: number }[];
  /** degrees a bell is turned against the body */
  turned: number;
}
export interface TrueHinge {
  clearance: number;
  endPlay: number;
  /** of a pivot: what it rises and falls, what is worn off it */
  rise: number;
  wear: number;
}
export interface TrueJoint {
  clearance: number;
  /** how much narrower the tenon is at its leading end than at the shoulder */
  taper: number;
  tenonOvality: number;
  receiverOvality: number;
  /** mL/min through a gouge or a crack that no diameter shows */
  gouge: number;
  /** how much fuller the cork is than its receiver */
  squeeze: number;
}

/** The hidden truth behind made-up readings: what the solvers should find. */
export interface TrueInstrument {
  rims: Map<string, TrueRim>;
  pads: Map<string, TruePad>;
  tubes: Map<string, TrueTube>;
  hinges: Map<string, TrueHinge>;
  joints: Map<string, TrueJoint>;
  /** by post */
  posts: Map<string, { lean: number; lift: number }>;
  /** run-out by rod */
  rods: Map<string, number>;
  /** newtons by key */
  springs: Map<string, { force: number; weight: number }>;
  /** lost motion by link */
  links: Map<string, number>;
  /** by how much a hole is wider than it should be, mm; those that are right are not named */
  holes: Map<string, number>;
}

/** The rest of a sound instrument draws from a stream of its own, so that rims and pads stay what they were. */
const restSeed = 8191;

/**
 * A sound instrument of this type: small, harmless deviations everywhere.
 *
 * @param rest the chance that everything but rims and pads comes from
 */
export function soundInstrument(
  type: InstrumentType,
  chance: Chance,
  rest: Chance = chanceFrom(restSeed),
): TrueInstrument {
  const small = (sigma: number) => Math.abs(chance.normal()) * sigma;
  const scale = type.family === 'saxophone' ? 1 : 0.5;
  return {
    rims: new Map(
      type.holes.map(({ id }) => [
        id,
        {
          tilt: small(0.012) * scale,
          highClock: chance.uniform() * 360,
          saddle: small(0.002) * scale,
          saddleClock: chance.uniform() * 180,
          dent: 0,
          dentClock: 0,
        },
      ]),
    ),
    pads: new Map(type.pads.map(({ hole }) => [hole, { thickness: 0, side: 0, roughness: 0.003 * scale }])),
    ...soundRest(type, rest, scale),
  };
}

/** Everything but rims and pads of a sound instrument. */
function soundRest(type: InstrumentType, rest: Chance, scale: number): Omit<TrueInstrument, 'rims' | 'pads'> {
  const small = (sigma: number) => Math.abs(rest.normal()) * sigma * scale;
  const by = <T>(list: readonly { id: string }[], make: () => T) => new Map(list.map(({ id }) => [id, make()]));
  return {
    tubes: by(type.sections, () => ({ bend: null, dents: [], turned: 0 })),
    hinges: by(type.keys, () => ({
      clearance: 0.012 + small(0.004),
      endPlay: 0.022 + small(0.008),
      rise: small(0.005),
      wear: small(0.005),
    })),
    joints: new Map(
      type.joints.map(({ id, kind }) => [
        id,
        {
          // A metal joint seals by its fit; a corked one leaves room for the wood to swell.
          clearance: (kind === 'corked' || kind === 'wound' ? 0.1 : 0.008) + small(0.002),
          taper: small(0.002),
          tenonOvality: small(0.002),
          receiverOvality: small(0.002),
          gouge: 0,
          squeeze: 0.35,
        },
      ]),
    ),
    posts: by(type.posts, () => ({ lean: small(0.1), lift: small(0.01) })),
    rods: by(type.rods, () => small(0.006)),
    springs: by(type.keys, () => ({ force: (0.32 + small(0.05)) * (scale === 1 ? 1.5 : 1), weight: 0.12 })),
    links: by(type.links, () => 0.02 + small(0.005)),
    holes: new Map(),
  };
}

/** Half-width of a dent round the clock, degrees. */
const dentWidth = 40;

/** Height of the true rim at a clock position, mm. */
export function trueRimHeight(rim: TrueRim, clock: number): number {
  const tilt = (rim.tilt / 2) * Math.cos(toRadians(clock - rim.highClock));
  const saddle = (rim.saddle / 2) * Math.cos(2 * toRadians(clock - rim.saddleClock));
  const away = Math.abs(((clock - rim.dentClock + 540) % 360) - 180);
  const dent = rim.dent * Math.exp(-((away / dentWidth) ** 2));
  return tilt + saddle - dent;
}

/** How far a pad skin gives before it must be pressed, mm. */
const padSoftness = 0.012;

/** The true gap under a pad at the lightest touch: lever of the hinge, twist of the cup, hollows of the rim. */
export function trueGaps(
  type: InstrumentType,
  truth: TrueInstrument,
  part: string,
  clocks: readonly number[],
  chance: Chance,
): { clock: number; gap: number }[] {
  const pad = type.pads.find(({ hole }) => hole === part);
  const cup = truth.pads.get(part);
  const rim = truth.rims.get(part);
  if (!pad || !cup || !rim) return [];
  const { diameter: D, axisDistance: R } = pad;
  const far = cup.thickness >= 0 ? (cup.thickness * D) / (R - D / 2) : (-cup.thickness * D) / (R + D / 2);
  const raw = clocks.map((clock) => {
    const cos = Math.cos(toRadians(clock));
    const lever = (far / 2) * (cup.thickness >= 0 ? cos : -cos);
    return lever + cup.side * Math.sin(toRadians(clock)) - trueRimHeight(rim, clock) + chance.normal() * cup.roughness;
  });
  // The pad swings until its highest places touch, and a little further into its own skin.
  const lands = Math.min(...raw) + padSoftness;
  return clocks.map((clock, i) => ({ clock, gap: Math.max(0, (raw[i] ?? 0) - lands) }));
}

/** What a gauge shows of a true value: its error and its steps. */
export function gaugeShows(
  value: number,
  gauge: { resolution: number; maxPermissibleError: number },
  chance: Chance,
): number {
  const read = value + chance.normal() * (gauge.maxPermissibleError / 2.5);
  return gauge.resolution > 0 ? Math.round(read / gauge.resolution) * gauge.resolution : read;
}
