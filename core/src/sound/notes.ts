import { closedHoles, fingeringId, oncePerType, usualStandard } from '../instruments';

const names = ['C', 'C♯', 'D', 'E♭', 'E', 'F', 'F♯', 'G', 'G♯', 'A', 'B♭', 'B'];
const flats: Record<string, string> = { 'D♭': 'C♯', 'D♯': 'E♭', 'G♭': 'F♯', 'A♭': 'G♯', 'A♯': 'B♭' };

/** Semitones of a note above C0; written as in a type: `B♭3`. Null for what is no note. */
export function semitoneOf(note: string): number | null {
  const [, name = '', octave = ''] = /^([A-G][♯♭]?)([0-8])$/.exec(note) ?? [];
  const at = names.indexOf(flats[name] ?? name);
  return at === -1 ? null : at + 12 * Number(octave);
}

/** A4 is nine semitones above C4. */
const aboveC0 = 57;

/**
 * Where a written note should sound, Hz, in equal steps from the pitch standard.
 *
 * @param transposition semitones from what is written to what sounds; below 0 it sounds lower
 * @param standard of A4, Hz
 *
 * @example frequencyOf('A4', 0) // => 440
 */
export function frequencyOf(note: string, transposition: number, standard = usualStandard): number | null {
  const semitone = semitoneOf(note);
  return semitone === null ? null : standard * 2 ** ((semitone + transposition - aboveC0) / 12);
}

/** One fingering of an instrument, and where it should sound. */
export interface Fingering {
  /** the same on every instrument of its type: note, register and which alternative */
  id: string;
  note: string;
  register: number;
  alternative: string | null;
  down: readonly string[];
  closed: ReadonlySet<string>;
  /** Hz */
  near: number;
}

/**
 * How far a note is from its name, with its sign.
 *
 * @example centsText(-12) // => "−12"
 */
export const centsText = (cents: number): string => `${cents > 0 ? '+' : cents < 0 ? '−' : ''}${Math.abs(cents)}`;

/**
 * Every fingering of an instrument from its lowest note up; of several for one note the main one first. Empty where
 * nobody has said how it is blown. Made once for each instrument.
 */
export const compassOf = oncePerType((type): readonly Fingering[] => {
  const { sound } = type;
  if (!sound) return [];
  const { standard = usualStandard } = sound;
  const seen = new Set<string>();
  return type.fingerings
    .flatMap((fingering): Fingering[] => {
      const { note, register, down, alternative = null } = fingering;
      const near = frequencyOf(note, sound.transposition, standard);
      const id = fingeringId(fingering);
      if (near === null || seen.has(id)) return [];
      seen.add(id);
      return [{ id, note, register, alternative, down, closed: closedHoles(type, down), near }];
    })
    .sort((a, b) => a.near - b.near || Number(a.alternative !== null) - Number(b.alternative !== null));
});
