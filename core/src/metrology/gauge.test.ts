import { expect, test } from '@jest/globals';
import { gaugeKinds, measures } from '../vocabulary';
import { gaugeOfReading, gaugeTakes, shareOfScale, shelfGauges, usualGauge, type ShelfGauge } from '.';

test('every measure is usually taken by a gauge of the shelf that can take it', () => {
  for (const measure of measures) {
    const gauge = shelfGauges.find(({ id }) => id === usualGauge[measure]);
    expect([measure, gauge && gaugeTakes[gauge.kind].includes(measure)]).toEqual([measure, true]);
  }
  expect(Object.keys(gaugeTakes).sort()).toEqual([...gaugeKinds].sort());
});

test('a scale that is the tester’s own is kept as a share, its doubt too, and its marks stay with the reading', () => {
  const dial = { unit: 'kPa', closed: 0, open: 2.5 };
  expect(shareOfScale(0, dial)).toBe(0);
  expect(shareOfScale(2.5, dial)).toBe(100);
  // A scale may fall from closed to open.
  expect(shareOfScale(80, { unit: 'marks', closed: 100, open: 20 })).toBe(25);
  const tester = { ...shelfGauges[0], resolution: 0.05, maxPermissibleError: 0.1, scale: { ...dial, open: -2.5 } };
  expect(gaugeOfReading(tester as ShelfGauge)).toMatchObject({
    resolution: 2,
    maxPermissibleError: 4,
    scale: { unit: 'kPa', closed: 0, open: -2.5 },
  });
  expect(gaugeOfReading(shelfGauges[0] as ShelfGauge)).not.toHaveProperty('scale');
});

test('a line that is sighted is as sure as an eye along an edge, not as a dial', () => {
  const sighted = shelfGauges.find(({ id }) => id === usualGauge.deviation);
  expect(sighted?.resolution).toBeGreaterThanOrEqual(0.05);
});
