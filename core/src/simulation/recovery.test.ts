import { describe, expect, test } from '@jest/globals';
import { sax } from '../../tests/testJob';
import { shelfGauges, type ShelfGauge } from '../metrology';
import { solveRim } from '../rims';
import { solveSeat } from '../pads';
import { padGapLimit, rimLimits } from '../practice';
import { chanceFrom, gaugeShows, soundInstrument, trueGaps, trueRimHeight, type TrueRim } from '.';

const clocks = [0, 45, 90, 135, 180, 225, 270, 315];
const gauge = (id: string) => shelfGauges.find((shelf) => shelf.id === id) as ShelfGauge;
const seeds = Array.from({ length: 100 }, (_, seed) => seed + 1);

/** What a technician reads of a true rim with the shop's dial indicator. */
function readRim(seed: number, change: Partial<TrueRim>) {
  const chance = chanceFrom(seed);
  const truth = soundInstrument(sax, chance);
  const rim = Object.assign(truth.rims.get('e') as TrueRim, change);
  const heights = clocks.map((clock) => ({
    clock,
    height: gaugeShows(trueRimHeight(rim, clock), gauge('dial-indicator'), chance),
  }));
  return {
    chance,
    truth,
    rim,
    found: solveRim({ heights, limits: rimLimits({ family: 'saxophone', practice: 'stage' }, 31) }),
  };
}

describe('what was put in is found again, whatever the seed', () => {
  test('a tilted rim: by how much and toward where', () => {
    for (const seed of seeds) {
      const { found, rim } = readRim(seed, { tilt: 0.2, highClock: (seed * 37) % 360, saddle: 0, dent: 0 });
      expect(Math.abs(found.tilt - rim.tilt)).toBeLessThan(0.006);
      const apart = Math.abs((found.highClock ?? NaN) - rim.highClock);
      expect(Math.min(apart, 360 - apart)).toBeLessThan(3);
      expect(found.verdicts.tilt).toBe('outside');
    }
  });
  test('a dent: where it is low', () => {
    for (const seed of seeds) {
      const dentClock = (seed % 8) * 45;
      const { found } = readRim(seed, { tilt: 0, saddle: 0, dent: 0.15, dentClock });
      expect(found.verdicts.flatness).toBe('outside');
      const lowest = found.residuals.reduce((a, b) => (b.residual < a.residual ? b : a));
      expect(lowest.clock).toBe(dentClock);
    }
  });
  test('a sound rim passes', () => {
    for (const seed of seeds) expect(readRim(seed, {}).found.verdicts).toEqual({ flatness: 'within', tilt: 'within' });
  });
  test('a pad over a saddling rim blames the rim; a thick pad over a sound one does not', () => {
    const pad = sax.pads.find(({ hole }) => hole === 'e');
    const seatOf = (seed: number, change: Partial<TrueRim>, thickness: number) => {
      const { chance, truth, found } = readRim(seed, change);
      Object.assign(truth.pads.get('e') ?? {}, { thickness });
      const gaps = trueGaps(sax, truth, 'e', clocks, chance).map(({ clock, gap }) => ({
        clock,
        gap: Math.max(0, gaugeShows(gap, gauge('feeler-fine'), chance)),
      }));
      return solveSeat({
        gaps,
        padDiameter: pad?.diameter ?? 0,
        axisDistance: pad?.axisDistance ?? 0,
        limits: { gap: padGapLimit({ family: 'saxophone', practice: 'stage' }) },
        rimResiduals: found.residuals,
      });
    };
    for (const seed of seeds) {
      const saddled = seatOf(seed, { saddle: 0.12, saddleClock: (seed * 13) % 180, tilt: 0, dent: 0 }, 0);
      expect(saddled).toMatchObject({ rimSuspected: true, advice: 'level-rim' });
      const thick = seatOf(seed, {}, 0.08);
      expect(thick).toMatchObject({ picture: 'touches-back', rimSuspected: false });
      // The pad's own softness hides a little of what is too much.
      expect(thick.thicknessCorrection).toBeLessThan(-0.06);
      expect(thick.thicknessCorrection).toBeGreaterThan(-0.1);
    }
  });
});

describe('chance', () => {
  test('the same seed gives the same numbers, another seed others', () => {
    const numbers = (seed: number) => {
      const chance = chanceFrom(seed);
      return [chance.uniform(), chance.normal(), chance.uuid()];
    };
    expect(numbers(7)).toEqual(numbers(7));
    expect(numbers(7)).not.toEqual(numbers(8));
    expect(numbers(7)[2]).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
  });
  test('normal numbers are normal enough', () => {
    const chance = chanceFrom(3);
    const values = Array.from({ length: 20_000 }, () => chance.normal());
    const mean = values.reduce((sum, x) => sum + x, 0) / values.length;
    const variance = values.reduce((sum, x) => sum + (x - mean) ** 2, 0) / values.length;
    expect(Math.abs(mean)).toBeLessThan(0.03);
    expect(Math.abs(variance - 1)).toBeLessThan(0.05);
  });
});
