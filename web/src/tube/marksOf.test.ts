import { describe, expect, test } from '@jest/globals';
import type { PartReport } from '@holotonos/core';
import { marksOf } from './marksOf';

const report = (more: Partial<PartReport>) => ({ part: 'body', ...more }) as PartReport;

describe('what a report shows on the strip', () => {
  test('nothing before anything is known, or of a straight tube', () => {
    expect(marksOf(undefined, 'mm')).toEqual([]);
    expect(marksOf(report({ line: { zone: 0, shape: 'straight', verdict: 'within', centres: [] } }), 'mm')).toEqual([]);
  });
  test('stretches of bore, named with how much', () => {
    const features = [{ kind: 'narrow' as const, from: 100, to: 130, peakAt: 110, peak: -0.254 }];
    expect(marksOf(report({ bore: { features } as unknown as NonNullable<PartReport['bore']> }), 'mm')).toEqual([
      { kind: 'narrow', section: 'body', at: 100, to: 130, words: 'narrow 0.25 mm' },
    ]);
  });
  test('the support of a bend on the side it leans to, the push on the other', () => {
    const line = {
      zone: 1,
      shape: 'kink' as const,
      verdict: 'outside' as const,
      centres: [],
      bend: { at: 200, towardClock: 325, angleDegrees: 0.5 },
      correction: { supportAt: 200, pushClock: 145, setDegrees: 0.6 },
    };
    expect(marksOf(report({ line }), 'in')).toEqual([
      { kind: 'support', section: 'body', at: 200, clock: 325, words: 'support' },
      { kind: 'push', section: 'body', at: 200, clock: 145, words: 'push 0.60° toward 145°' },
    ]);
  });
});
