import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { gaugeGate, readGaugeLine } from '.';

const line = (change: object = {}) =>
  JSON.stringify({ gauge: 'caliper-1', kind: 'caliper', name: 'Caliper', value: 12.34, unit: 'mm', ...change });

describe('a line of a gauge', () => {
  test('is read in the unit its figure is kept in', () => {
    const value = (change: object) => {
      const read = readGaugeLine(line(change));
      return read.ok ? [read.reading.value, read.reading.unit] : read.problem;
    };
    expect(value({})).toEqual([12.34, 'mm']);
    expect(value({ value: 1, unit: 'in' })).toEqual([25.4, 'mm']);
    expect(value({ value: 1, unit: 'thou' })).toEqual([0.0254, 'mm']);
    expect(value({ value: 100, unit: 'gf' })).toEqual([0.980665, 'N']);
    expect(value({ value: 41, unit: '%RH' })).toEqual([41, '%']);
  });
  test('keeps what the device showed, its name, and the point it was aimed at', () => {
    expect(readGaugeLine(line({ aim: 'a1', more: 'ignored' }))).toMatchObject({
      reading: { shown: '12.34 mm', name: 'Caliper', aim: 'a1' },
    });
    expect(readGaugeLine(line({ name: undefined }))).toMatchObject({ reading: { name: 'caliper-1', aim: null } });
  });
  test.each([
    ['', 'is not JSON'],
    ['12.34', 'it must be object'],
    [line({ value: 'wide' }), '/value must be number'],
    [line({ unit: 'ell' }), /unit/],
    [line({ value: 1e9 }), /value/],
    ['x'.repeat(3000), 'the line is too long'],
  ])('%j is refused in words', (text, problem) => {
    const read = readGaugeLine(text);
    expect(read.ok).toBe(false);
    if (!read.ok) expect(read.problem).toMatch(problem);
  });
  test('no text at all makes it throw', () => {
    fc.assert(fc.property(fc.string(), (text) => expect(typeof readGaugeLine(text).ok).toBe('boolean')));
    fc.assert(fc.property(fc.json(), (text) => expect(typeof readGaugeLine(text).ok).toBe('boolean')));
  });
});

describe('the gate', () => {
  test('lets a person through and counts rubbish', () => {
    const gate = gaugeGate();
    expect(gate.pass(line(), 0)).toMatchObject({ reading: { value: 12.34 } });
    expect(gate.pass('garbage', 10)).toEqual({ refused: 'bad', problem: 'is not JSON' });
    expect(gate.pass(line(), 600)).toMatchObject({ reading: { gauge: 'caliper-1' } });
    expect(gate.counts()).toEqual({ taken: 2, bad: 1, flooded: 0, lastProblem: 'is not JSON' });
  });
  test('of a thousand lines in a second only the first passes, and a quiet device is heard again', () => {
    const gate = gaugeGate();
    const passed = Array.from({ length: 1000 }, (_, i) => gate.pass(line(), i)).filter((each) => 'reading' in each);
    expect(passed).toHaveLength(1);
    expect(gate.counts()).toMatchObject({ taken: 1, flooded: 999 });
    expect('reading' in gate.pass(line(), 1999)).toBe(false);
    expect('reading' in gate.pass(line(), 3600)).toBe(true);
  });
  test('one wild gauge does not silence another', () => {
    const gate = gaugeGate();
    for (let i = 0; i < 100; i += 1) gate.pass(line(), i);
    expect('reading' in gate.pass(line({ gauge: 'dial-1', kind: 'indicator' }), 100)).toBe(true);
  });
});
