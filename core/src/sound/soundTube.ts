import { sectionStarts, type InstrumentType } from '../instruments';
import { tubeOf, type PitchInput, type Tube } from '../tuning';
import type { Family } from '../vocabulary';

/** How high a pad stands open, as a part of the width of its hole, where nobody has read it. */
const usualVent: Record<Family, number> = {
  flute: 0.22,
  piccolo: 0.24,
  clarinet: 0.36,
  oboe: 0.34,
  saxophone: 0.28,
  other: 0.3,
};
const leastVent = 1;
/** The air in an instrument that has been played for some minutes, °C. */
const warm = 26;
/** Two points of a bore cannot lie at one place: a step inside it is as short as this, mm. */
const step = 0.1;

/** How high a pad stands open where nobody has read it, mm: by the family and the width of its hole. */
export const ventOf = (family: Family, diameter: number): number => Math.max(leastVent, usualVent[family] * diameter);

/** A place of the tube where air gets out that should not: as a slit `width` long round a rim, `gap` high, `land` deep; mm. */
export interface Slit {
  width: number;
  gap: number;
  land: number;
}

/** A leak of the wall itself: a crack, a joint, a seam. Mm from the top of the instrument. */
export interface WallLeak {
  id: string;
  at: number;
  slit: Slit;
}

/** An instrument as the model of sound takes it, without what is played on it. */
export type SoundTube = Omit<PitchInput, 'fingerings'>;

/** A crack or a joint is no hole: the smallest closed one stands in for the place, and takes nothing from the sound. */
const wallHole = { diameter: 0.5, chimney: 0.5 };

/** Of an edge it has to be known where it is and how large. */
const isWhole = (blown: NonNullable<InstrumentType['sound']>['excitation']): boolean =>
  blown.kind === 'reed' || (blown.at !== undefined && blown.diameter !== undefined && blown.length !== undefined);

/**
 * An instrument as the model of sound takes it; null where nobody has said how it is blown.
 *
 * @param heights how high pads stand open, by hole, mm, as far as they were read
 * @param wall leaks of the wall, which become closed holes
 */
export function soundOf(
  type: InstrumentType,
  heights: ReadonlyMap<string, number> = new Map(),
  wall: readonly WallLeak[] = [],
): SoundTube | null {
  const { sound } = type;
  if (!sound || !isWhole(sound.excitation)) return null;
  const starts = sectionStarts(type, 0);
  const bore: { at: number; diameter: number }[] = [];
  for (const { id, bore: points } of type.sections) {
    for (const { at, diameter } of points) {
      const along = (starts.get(id) ?? 0) + at;
      const before = bore.at(-1);
      bore.push({ at: before && along <= before.at ? before.at + step : along, diameter });
    }
  }
  const end = bore.at(-1)?.at ?? 0;
  const pads = new Map(type.pads.map(({ hole, diameter }) => [hole, diameter]));
  const holes: PitchInput['holes'][number][] = type.holes.map(({ id, section, at, diameter, chimney }) => {
    const pad = pads.get(id);
    const height = heights.get(id) ?? ventOf(type.family, diameter);
    return {
      id,
      at: Math.min((starts.get(section) ?? 0) + at, end),
      diameter,
      chimney,
      ...(pad !== undefined && height > 0 && { pad: { diameter: pad, height } }),
    };
  });
  for (const { id, at } of wall) holes.push({ id, at: Math.min(at, end), ...wallHole });
  return { bore, holes, excitation: sound.excitation, temperature: warm };
}

/** Four times as coarse as the solver takes it, mm: differences between two such tubes are the same to a thousandth. */
const slice = 2;

/** The tube of an instrument with these leaks, by hole or by the id of a leak of its wall. */
export const leakyTube = (sound: SoundTube, leaks: ReadonlyMap<string, Slit>): Tube =>
  tubeOf({ ...sound, fingerings: [], leaks: [...leaks].map(([hole, slit]) => ({ hole, ...slit })) }, slice);
