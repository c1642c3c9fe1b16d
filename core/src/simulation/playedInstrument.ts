import type { InstrumentType } from '../instruments';
import { compassOf } from '../sound';
import { playedSound, type Blown, type Playing } from './player';
import type { TrueInstrument } from './trueInstrument';
import { pitchesOf } from './truePitch';

/** How long the stand-in holds each note, seconds, and how far it drifts, cents. */
const seconds = 1.2;
const drift = 1.5;
/** What does not speak is breath, so far above the note that there is none, dB. */
const onlyBreath = -40;

/**
 * The notes of a hidden instrument as a stand-in plays them one after the other, and how far each really is from its
 * name, cents; null for one that does not speak.
 *
 * @param wanted fingerings, in the order they are played
 */
export function playedInstrument(
  type: InstrumentType,
  truth: TrueInstrument,
  wanted: readonly string[],
  playing: Omit<Playing, 'family'>,
): { sound: Float32Array; notes: { id: string; cents: number | null }[] } {
  const compass = new Map(compassOf(type).map((note) => [note.id, note]));
  const pitches = pitchesOf(type, truth);
  const sounds: Float32Array[] = [];
  const notes = wanted.flatMap((id, i) => {
    const note = compass.get(id);
    if (!note) return [];
    const cents = pitches.get(id) ?? null;
    const blown: Blown = {
      frequency: note.near * 2 ** ((cents ?? 0) / 1200),
      seconds,
      drift: i % 2 === 0 ? drift : -drift,
    };
    sounds.push(
      playedSound([blown], {
        ...playing,
        family: type.family,
        seed: playing.seed + i,
        above: cents === null ? onlyBreath : playing.above,
      }),
    );
    return [{ id, cents }];
  });
  const sound = new Float32Array(sounds.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const each of sounds) {
    sound.set(each, at);
    at += each.length;
  }
  return { sound, notes };
}
