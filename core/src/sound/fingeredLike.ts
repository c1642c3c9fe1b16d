import type { InstrumentType } from '../instruments';

/**
 * How an instrument nobody has said it of is blown and fingered, taken from one that is like it: every fingering whose
 * keys and holes are there under the same names. What it is pitched in and where its mouth end lies are its own.
 *
 * @param transposition semitones from what is written to what sounds
 */
export function fingeredLike(
  type: InstrumentType,
  model: InstrumentType,
  transposition: number,
): Required<Pick<InstrumentType, 'sound' | 'fingerings'>> | null {
  if (!model.sound) return null;
  const there = new Set([...type.keys, ...type.holes].map(({ id }) => id));
  return {
    sound: { ...model.sound, transposition },
    fingerings: model.fingerings.filter(({ down }) => down.every((id) => there.has(id))),
  };
}
