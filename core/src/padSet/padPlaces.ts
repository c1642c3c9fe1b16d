import { padsDownTheTube, type InstrumentType } from '../instruments';
import { readPoint } from '../measures';
import { medianOf } from '../metrology';
import type { JobState } from '../job';
import type { Measure } from '../vocabulary';
import { cupAcross, usualCupDepth, usualStand } from './usualStand';

export const standSources = ['old', 'stack', 'practice'] as const;
/** What the stand of a new pad goes by: the pad that was pulled, the middle of its stack, or a figure of the shop. */
export type StandBy = (typeof standSources)[number];

/** How a whole set is chosen. */
export interface PadSetSettings {
  standBy: StandBy;
  /** mm, where the stand goes by a figure; undefined: what is usual for the family */
  stand?: number;
  /** adhesive behind a glued pad, mm */
  bed: number;
  /** cup less pad, on diameter, least and most, mm */
  clearance: readonly [number, number];
  /** hole of the pads of open cups, mm; null: as the stock has them */
  pierce: number | null;
}

export const usualPadSet: PadSetSettings = { standBy: 'old', bed: 0.3, clearance: [0, 0.3], pierce: null };

/** A cup that wants a pad: what is known of it, and what of that nobody has read. */
export interface PadPlace {
  hole: string;
  hold: InstrumentType['pads'][number]['hold'];
  open: boolean;
  cup: { diameter: number; depth: number };
  /** what comes from the type or a default, because nobody has read it */
  assumed: readonly ('cup' | 'cup-depth')[];
  stand: number;
  /** what the stand goes by in the end: an old pad that was never read gives none */
  standBy: StandBy;
  bed: number;
  axisDistance: number;
  /** the pad that was there goes back */
  reuse: boolean;
}

/** The last figure at a pad: work that made it stale has not moved a cup. */
function lastRead(state: JobState, hole: string, measure: Measure): number | null {
  const { mean, stale } = readPoint(state, { group: 'pad', part: hole, measure, clock: 0 });
  return mean ?? stale.at(-1)?.value ?? null;
}

/**
 * Every cup of an instrument as a new pad finds it, down the tube. Figures are the last that were read; what nobody has
 * read comes from the type.
 *
 * A dry pad has no adhesive behind it: its bed is nothing, and what it lacks is made up by shims.
 */
export function padPlaces(state: JobState, type: InstrumentType, settings: PadSetSettings): PadPlace[] {
  const stands = new Map(type.pads.map(({ hole }) => [hole, lastRead(state, hole, 'stand')]));
  const ofStack = (stack: string | undefined) =>
    medianOf(
      type.pads.flatMap((pad) => {
        const stand = stands.get(pad.hole);
        return pad.stack === stack && stand != null ? [stand] : [];
      }),
    );
  return padsDownTheTube(type).map((pad): PadPlace => {
    const { hole, hold, centre, axisDistance, stack } = pad;
    const [across, deep] = [lastRead(state, hole, 'cup'), lastRead(state, hole, 'cup-depth')];
    const bySource = {
      old: stands.get(hole) ?? null,
      stack: ofStack(stack),
      practice: settings.stand ?? usualStand[type.family],
    };
    // Whoever goes by the old pad goes by its stack where that one was not read, and by the figure where none was.
    const from = standSources.slice(standSources.indexOf(settings.standBy));
    const standBy = from.find((source) => bySource[source] !== null) ?? 'practice';
    return {
      hole,
      hold,
      open: centre === 'open',
      cup: { diameter: across ?? cupAcross(pad), depth: deep ?? pad.cupDepth ?? usualCupDepth },
      assumed: [...(across === null ? ['cup' as const] : []), ...(deep === null ? ['cup-depth' as const] : [])],
      stand: bySource[standBy] ?? bySource.practice,
      standBy,
      bed: hold === 'adhesive' ? settings.bed : 0,
      axisDistance,
      reuse: state.observations.get(`fit:${hole}`)?.reuse === true,
    };
  });
}
