import { describe, expect, test } from '@jest/globals';
import { applyOptions, instrumentType, type InstrumentType } from '../instruments';
import { compassOf } from '../sound';
import { chanceFrom, pitchesOf, playedInstrument, playedSound, soundInstrument } from '.';

const rate = 16_000;
const playing = { family: 'flute', rate, above: 40, seed: 3 } as const;
const rms = (sound: Float32Array, from = 0, to = sound.length) => {
  const part = sound.subarray(from, to);
  return Math.sqrt(part.reduce((sum, x) => sum + x * x, 0) / part.length);
};

describe('the stand-in player', () => {
  test('plays the same from the same seed, within full scale, with silence after each note', () => {
    const notes = [
      { frequency: 440, seconds: 0.5 },
      { frequency: 660, seconds: 0.25 },
    ];
    const sound = playedSound(notes, playing);
    expect(sound).toEqual(playedSound(notes, playing));
    expect(sound).not.toEqual(playedSound(notes, { ...playing, seed: 4 }));
    expect(sound).toHaveLength(rate * (0.5 + 0.25 + 2 * 0.3));
    expect(Math.max(...sound.map(Math.abs))).toBeLessThan(1);
    expect(rms(sound, rate * 0.5, rate * 0.8)).toBe(0);
    expect(rms(sound, rate * 0.1, rate * 0.4)).toBeGreaterThan(0.1);
  });
  test('breath lies as far below the note as is asked', () => {
    const note = { frequency: 440, seconds: 1 };
    const clean = playedSound([note], { ...playing, above: 200 });
    for (const above of [10, 30]) {
      const breath = playedSound([note], { ...playing, above }).map((x, i) => x - (clean[i] ?? 0));
      const below = 20 * Math.log10(rms(clean, 0, rate) / rms(breath, 0, rate));
      expect(Math.abs(below - above)).toBeLessThan(0.5);
    }
  });
  test('partials above half the rate are left out: they would come back as other notes', () => {
    const sound = playedSound([{ frequency: 7000, seconds: 0.2 }], { ...playing, above: 200 });
    // Of a flute at 7 kHz only the first partial is left: a sine.
    const peak = Math.max(...sound);
    expect(rms(sound, 1000, 2200) / peak).toBeCloseTo(Math.SQRT1_2, 1);
  });
});

describe('what a hidden instrument plays', () => {
  const flute = applyOptions(instrumentType('concert-flute') as InstrumentType, []);
  const sound = () => soundInstrument(flute, chanceFrom(5));
  test('a fair one is within some cents of its names everywhere, and says the same each time', () => {
    const truth = sound();
    const pitches = pitchesOf(flute, truth);
    expect(pitches.size).toBe(compassOf(flute).length);
    expect(Math.max(...[...pitches.values()].map(Math.abs))).toBeLessThan(12);
    expect(pitchesOf(flute, truth)).toBe(pitches);
  });
  test('a hole that is narrow makes flat what comes out of it, and hardly moves what comes out far above', () => {
    const narrow = sound();
    narrow.holes.set('f', -2);
    const [fair, off] = [pitchesOf(flute, sound()), pitchesOf(flute, narrow)];
    const moved = (id: string) => (off.get(id) ?? NaN) - (fair.get(id) ?? NaN);
    expect(moved('f-sharp-4-1')).toBeLessThan(-8);
    expect(Math.abs(moved('c-sharp-5-1'))).toBeLessThan(3);
  });
  test('what a pad that does not seal has taken the voice of has no pitch; what it lies open for has one', () => {
    const leaky = sound();
    leaky.pads.set('a', { thickness: 0.6, side: 0.2, roughness: 0.003 });
    const pitches = pitchesOf(flute, leaky);
    expect(pitches.has('d4-1')).toBe(false);
    expect(pitches.has('c-sharp-5-1')).toBe(true);
    const { sound: played, notes } = playedInstrument(flute, leaky, ['d4-1', 'c-sharp-5-1', 'nothing'], {
      rate,
      above: 30,
      seed: 2,
    });
    expect(notes).toEqual([
      { id: 'd4-1', cents: null },
      { id: 'c-sharp-5-1', cents: pitches.get('c-sharp-5-1') },
    ]);
    // Two notes of one length: breath alone, then a note.
    const half = played.length / 2;
    expect(half).toBeGreaterThan(rate);
    expect(rms(played, 0, half)).toBeGreaterThan(0);
    expect(rms(played, half)).toBeGreaterThan(0.1);
  });
  test('an instrument nobody has said the sound of plays nothing', () => {
    const { sound: _, ...dumb } = flute;
    expect(pitchesOf(dumb, soundInstrument(dumb, chanceFrom(5))).size).toBe(0);
  });
});
