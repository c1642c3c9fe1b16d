import { centsOf, inputImpedance, resonanceNear, type Tube } from '../tuning';
import type { Fingering } from './notes';
import { leakyTube, type Slit, type SoundTube } from './soundTube';

/** What leaks do to one note. */
export interface NoteLoss {
  id: string;
  /** how much weaker its resonance stands, dB; 0 where nothing leaks that it needs shut */
  loss: number;
  /** how far it is moved, cents; null where it does not speak any more, or never did in the model */
  shift: number | null;
}

/** Softer than this nothing is told apart by ear or embouchure, dB. */
export const heardFrom = 1.5;

const size = ({ re, im }: { re: number; im: number }) => Math.hypot(re, im);
/** A reed wants a high impedance, an edge a low one: the ratio in dB of how well each stands. */
const lossOf = (tube: Tube, sound: number, leaky: number) =>
  20 * Math.log10(tube.excitation.kind === 'reed' ? sound / leaky : leaky / sound);

/** A note of the sound instrument: where it stands and how well. */
export interface SoundNote {
  fingering: Fingering;
  /** holes it has shut, and all walls that may leak */
  closed: ReadonlySet<string>;
  /** Hz; null where the model finds no resonance within half an octave of its name */
  frequency: number | null;
  impedance: number;
}

/** The notes of an instrument without a leak, with all walls that may leak shut. */
export function soundNotes(sound: SoundTube, compass: readonly Fingering[], wall: readonly string[] = []): SoundNote[] {
  const tube = leakyTube(sound, new Map());
  return compass.map((fingering) => {
    const closed = new Set([...fingering.closed, ...wall]);
    const frequency = resonanceNear(tube, closed, fingering.near);
    return {
      fingering,
      closed,
      frequency,
      impedance: frequency === null ? 0 : size(inputImpedance(tube, closed, frequency)),
    };
  });
}

/** Does any of these leaks lie where this note wants it shut? */
const isMoved = ({ closed }: SoundNote, leaks: ReadonlyMap<string, Slit>) =>
  [...leaks.keys()].some((place) => closed.has(place));

/**
 * What leaks do to every note: how much weaker it stands, and how far it moves. A leak at a hole that a note has open
 * does nothing to it; one high up spoils every note below it, the lowest most.
 *
 * @param notes of the same instrument without leaks, from `soundNotes`
 * @param leaks by hole, or by the id of a leak of the wall
 */
export function leaksByNote(
  sound: SoundTube,
  notes: readonly SoundNote[],
  leaks: ReadonlyMap<string, Slit>,
): NoteLoss[] {
  const tube = leakyTube(sound, leaks);
  return notes.map((note) => {
    const { frequency, closed, impedance } = note;
    const { id } = note.fingering;
    if (frequency === null) return { id, loss: 0, shift: null };
    if (!isMoved(note, leaks)) return { id, loss: 0, shift: 0 };
    const now = resonanceNear(tube, closed, frequency);
    // Without a resonance of its own the note still has what is left where it stood.
    const leaky = size(inputImpedance(tube, closed, now ?? frequency));
    return {
      id,
      loss: Math.max(0, lossOf(tube, impedance, leaky)),
      shift: now === null ? null : centsOf(now, frequency),
    };
  });
}

/** The same loss of every note where it stood before, dB: a few hundred of these are made for one list of suspects. */
export function quickLoss(sound: SoundTube, notes: readonly SoundNote[], leaks: ReadonlyMap<string, Slit>): number[] {
  const tube = leakyTube(sound, leaks);
  return notes.map((note) => {
    const { frequency, closed, impedance } = note;
    if (frequency === null || !isMoved(note, leaks)) return 0;
    return Math.max(0, lossOf(tube, impedance, size(inputImpedance(tube, closed, frequency))));
  });
}
