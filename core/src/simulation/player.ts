import type { Family } from '../vocabulary';
import { chanceFrom } from './trueInstrument';

/** How strong the partials of a family stand against one another, the lowest first. */
const partials: Record<Family, readonly number[]> = {
  flute: [1, 0.5, 0.2, 0.08, 0.03],
  piccolo: [1, 0.3, 0.08],
  clarinet: [1, 0.05, 0.6, 0.1, 0.4, 0.15, 0.3, 0.2],
  oboe: [0.35, 0.8, 1, 0.7, 0.5, 0.3, 0.2],
  saxophone: [0.7, 1, 0.7, 0.5, 0.35, 0.25, 0.2, 0.12],
  other: [1, 0.5, 0.3, 0.2],
};

/** A note as the stand-in player blows it. */
export interface Blown {
  /** Hz */
  frequency: number;
  seconds: number;
  /** from its beginning to its end, cents; the first half is as much below as the second is above */
  drift?: number;
  /** a key lifts half-way through: by so much it moves at once, cents */
  lifts?: number;
}

/** How a stand-in plays. */
export interface Playing {
  family: Family;
  /** samples a second */
  rate: number;
  /** how far the breath and the room lie below the note, dB */
  above: number;
  seed: number;
  /** silence after each note, seconds */
  rest?: number;
}

// Looked up once: a second of sound asks for them half a million times.
const { sin, min, PI } = Math;

/** How long the tongue takes, seconds. */
const tongue = 0.04;
/** Half of full scale: nothing is cut off. */
const loudness = 0.4;

/** Samples of breath that are made anew for each sound. */
const breathLength = 1 << 14;

/** One held note, sample by sample, into its place. */
function blow(into: Float32Array, at: number, note: Blown, { family, rate, above }: Playing, air: Float32Array): void {
  const { frequency, seconds, drift = 0, lifts = 0 } = note;
  const length = Math.round(seconds * rate);
  const own = partials[family].filter((_, k) => frequency * (k + 1) < rate / 2);
  const power = own.reduce((sum, a) => sum + (a * a) / 2, 0);
  const scale = loudness / Math.sqrt(2 * power);
  const breath = scale * Math.sqrt(power) * 10 ** (-above / 20);
  let phase = 0;
  for (let i = 0; i < length; i += 1) {
    const part = i / length;
    const cents = drift * (part - 0.5) + (part > 0.5 ? lifts : 0);
    phase += (2 * PI * frequency * 2 ** (cents / 1200)) / rate;
    const edge = min(1, i / (tongue * rate), (length - i) / (tongue * rate));
    let sum = 0;
    for (let k = 0; k < own.length; k += 1) sum += (own[k] ?? 0) * sin((k + 1) * phase);
    into[at + i] = scale * edge * sum + breath * (air[(at + i) % breathLength] ?? 0);
  }
}

/** Notes one after the other as a stand-in player blows them, −1 to 1; the same seed gives the same sound. */
export function playedSound(notes: readonly Blown[], playing: Playing): Float32Array {
  const { rate, rest = 0.3, seed } = playing;
  const { normal } = chanceFrom(seed);
  // A third of a second of breath, over and over: no look is long enough to hear that it comes round.
  const breath = Float32Array.from({ length: breathLength }, normal);
  const pause = Math.round(rest * rate);
  const lengths = notes.map(({ seconds }) => Math.round(seconds * rate) + pause);
  const sound = new Float32Array(lengths.reduce((a, b) => a + b, 0));
  let at = 0;
  notes.forEach((note, i) => {
    blow(sound, at, note, playing, breath);
    at += lengths[i] ?? 0;
  });
  return sound;
}
