import { describe, expect, test } from '@jest/globals';
import { shippedTypes } from '../instruments';
import { playedSound } from '../simulation';
import { compassOf, whichNote } from '../sound';
import { centsOf } from '../tuning';
import { Listener, notesIn, type SteadyNote } from '.';

const types = shippedTypes.map((type) => [type.id, type] as const);
const rate = 48_000;
const all = (sound: Float32Array, at = rate): SteadyNote[] => {
  const steps = notesIn(sound, at);
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
  }
};
const seconds = 0.9;

describe.each(types)('%s', (_, type) => {
  const whole = compassOf(type).filter(({ alternative }) => alternative === null);
  const { family } = type;
  // Every other note in one breath, those between in the other.
  test.each([
    [30, 1, 0],
    [15, 3, 1],
  ])('breath %i dB below: within %i cents, and in its octave', (above, within, first) => {
    const compass = whole.filter((_note, i) => i % 2 === first);
    // Each a little off its name, as notes are.
    const notes = compass.map(({ near }, i) => ({ frequency: near * 2 ** ((((i * 37) % 41) - 20) / 1200), seconds }));
    const heard = all(playedSound(notes, { family, rate, above, seed: 3 }));
    expect(heard).toHaveLength(notes.length);
    const off = heard.map(({ frequency }, i) => Math.abs(centsOf(frequency, notes[i]?.frequency ?? 0)));
    expect(off.filter((cents) => cents > within)).toEqual([]);
    // Two notes of one name lie an octave or a register apart: each is taken for its own.
    expect(heard.map(({ frequency }) => whichNote(frequency, whole)?.fingering.near)).toEqual(
      compass.map(({ near }) => near),
    );
    // The doubt that is told is no smaller than what is off, nineteen times in twenty.
    const doubted = heard.filter(({ uncertainty }, i) => (off[i] ?? 0) > uncertainty + 0.4);
    expect(doubted.length).toBeLessThanOrEqual(Math.ceil(notes.length / 20));
  });
});

describe('listening', () => {
  const a = { frequency: 440, seconds: 1.6 };
  const playing = { family: 'oboe', rate, above: 30, seed: 5 } as const;
  test('silence, breath and what is too short are no notes', () => {
    const breath = playedSound([a], { ...playing, above: -20 });
    expect(all(new Float32Array(rate))).toEqual([]);
    expect(all(breath)).toEqual([]);
    expect(all(playedSound([{ ...a, seconds: 0.3 }], playing))).toEqual([]);
  });
  test('says when a note began and how long it was steady; a drift is a spread and no step', () => {
    const [first, second, ...none] = all(playedSound([a, { ...a, drift: 20 }], playing));
    expect(none).toEqual([]);
    expect(first?.from).toBeGreaterThan(0.05);
    expect(first?.from).toBeLessThan(0.3);
    expect(first?.seconds).toBeGreaterThan(1);
    expect(first?.spread).toBeLessThan(0.5);
    expect(second?.from).toBeGreaterThan(1.9);
    expect(second?.spread).toBeGreaterThan(3);
    expect(Math.abs(second?.step ?? 9)).toBeLessThan(5);
  });
  test('a key that lifts while another is worked is a step', () => {
    const [note] = all(playedSound([{ ...a, lifts: -14 }], playing));
    expect(note?.step).toBeLessThan(-12);
    expect(note?.step).toBeGreaterThan(-16);
  });
  test('the next note is another note, with no silence between', () => {
    const notes = all(playedSound([a, { ...a, frequency: 466.16 }], { ...playing, rest: 0 }));
    expect(notes.map(({ frequency }) => Math.round(frequency))).toEqual([440, 466]);
  });
  test('it comes in pieces of any length, and another rate is the same pitch', () => {
    const sound = playedSound([a], playing);
    const listener = new Listener(rate);
    const said: (number | null)[] = [];
    for (let at = 0; at < sound.length; at += 128)
      for (const { look } of listener.take(sound.subarray(at, at + 128))) said.push(look && look.frequency);
    expect(listener.end()?.frequency ?? all(sound)[0]?.frequency).toBeCloseTo(all(sound)[0]?.frequency ?? 0, 9);
    expect(said.filter((each) => each !== null).length).toBeGreaterThan(30);
    const [other] = all(playedSound([a], { ...playing, rate: 44_100 }), 44_100);
    expect(Math.abs(centsOf(other?.frequency ?? 0, 440))).toBeLessThan(1);
  });
  test('what was asked for is taken where it is near enough; far from every name it is nothing', () => {
    const [[, type] = []] = types.filter(([id]) => id === 'alto-saxophone');
    const compass = type ? compassOf(type) : [];
    const side = compass.find(({ alternative }) => alternative !== null);
    if (!side) throw new Error('the alto has alternatives');
    expect(whichNote(side.near * 1.01, compass)?.fingering.alternative).toBeNull();
    expect(whichNote(side.near * 1.01, compass, side)).toMatchObject({ fingering: side });
    expect(whichNote(side.near * 2 ** (80 / 1200), compass, side)?.fingering).not.toBe(side);
    expect(whichNote(20, compass)).toBeNull();
  });
});
