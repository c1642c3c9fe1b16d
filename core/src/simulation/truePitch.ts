import type { InstrumentType } from '../instruments';
import { padClocks } from '../measures';
import { compassOf, heardOf, leaksByNote, soundNotes, soundOf, usualSlit, wallOf, type Slit } from '../sound';
import { centsOf } from '../tuning';
import { chanceFrom, trueGaps, type TrueInstrument } from './trueInstrument';

/** How much a note wavers under a steady player, cents. */
export const usualSpread = 1.5;
/** How far the notes of a fair instrument stand from their names beside one another, cents. */
const scatter = 2.5;
/** Notes of a made-up instrument are the same however often they are asked for. */
const scatterSeed = 911;
/** A gap that a finger or a light touch closes is no leak, mm. */
const leastGap = 0.03;

/** What does not seal of a hidden instrument, by hole. */
function hiddenLeaks(type: InstrumentType, truth: TrueInstrument): Map<string, Slit> {
  const leaks = new Map<string, Slit>();
  for (const { hole } of type.pads) {
    const gaps = trueGaps(type, truth, hole, padClocks, chanceFrom(scatterSeed));
    const widest = Math.max(0, ...gaps.map(({ gap }) => gap));
    const slit = widest < leastGap ? null : usualSlit(type, hole, widest);
    if (slit) leaks.set(hole, slit);
  }
  return leaks;
}

/** Moved by more than this a note has broken into another, cents. */
const breaks = 60;

const known = new WeakMap<TrueInstrument, ReadonlyMap<string, number>>();

/**
 * How far every note of a hidden instrument really is from its name, cents, by its fingering. What does not speak is not
 * there. Worked out once.
 */
export function pitchesOf(type: InstrumentType, truth: TrueInstrument): ReadonlyMap<string, number> {
  const before = known.get(truth);
  if (before) return before;
  const walls = wallOf(type);
  const made = soundOf(type, new Map(), walls);
  const pitches = new Map<string, number>();
  if (made) {
    const is = {
      ...made,
      holes: made.holes.map((hole) => ({ ...hole, diameter: hole.diameter + (truth.holes.get(hole.id) ?? 0) })),
    };
    const notesOf = (tube: typeof made) =>
      soundNotes(
        tube,
        compassOf(type),
        walls.map(({ id }) => id),
      );
    const [meant, own] = [notesOf(made), notesOf(is)];
    const losses = leaksByNote(is, own, hiddenLeaks(type, truth));
    const chance = chanceFrom(scatterSeed);
    meant.forEach(({ fingering, frequency }, i) => {
      const off = scatter * chance.normal();
      const [now, lost] = [own[i]?.frequency ?? null, losses[i]];
      // What a leak has taken the voice of has no pitch either.
      if (frequency === null || now === null || !lost || lost.shift === null || heardOf(lost.loss) === 'silent') return;
      if (Math.abs(lost.shift) > breaks) return;
      pitches.set(fingering.id, centsOf(now, frequency) + lost.shift + off);
    });
  }
  known.set(truth, pitches);
  return pitches;
}
