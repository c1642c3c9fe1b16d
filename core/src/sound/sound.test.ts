import { describe, expect, test } from '@jest/globals';
import { applyOptions, shippedTypes } from '../instruments';
import { centsOf } from '../tuning';
import { compassOf, frequencyOf, semitoneOf, soundNotes, soundOf } from '.';

describe('notes', () => {
  test.each([
    ['A4', 0, 440],
    ['A3', 0, 220],
    ['C4', -2, 233.0819],
    ['B♭3', -9, 138.5913],
  ])('%s moved by %d sounds at %d Hz', (note, by, hertz) => expect(frequencyOf(note, by)).toBeCloseTo(hertz, 3));
  test('a note may be written either way; what is none is none', () => {
    expect(semitoneOf('A♯3')).toBe(semitoneOf('B♭3'));
    expect([semitoneOf('H4'), semitoneOf('B'), semitoneOf('C9'), frequencyOf('', 0)]).toEqual([null, null, null, null]);
  });
});

describe('every shipped type plays a scale', () => {
  const withOptions = shippedTypes.flatMap((type) => [
    [type.name, applyOptions(type, [])] as const,
    ...type.options.map(({ id, name }) => [`${type.name}, ${name}`, applyOptions(type, [id])] as const),
  ]);
  test.each(withOptions)('%s: two registers within 60 cents of their names', (_, type) => {
    const sound = soundOf(type);
    if (!sound) throw new Error('nobody has said how it is blown');
    const compass = compassOf(type).filter(({ register, alternative }) => register <= 2 && alternative === null);
    expect(compass.length).toBeGreaterThan(20);
    const far = soundNotes(sound, compass)
      .map(({ fingering: { note, register, near }, frequency }) => ({
        note: `${note} of register ${register}`,
        cents: frequency === null ? null : Math.round(centsOf(frequency, near)),
      }))
      .filter(({ cents }) => cents === null || Math.abs(cents) > 60);
    expect(far).toEqual([]);
  });
});
