import { expect, test } from '@jest/globals';
import { gaugeKinds, measures } from '../vocabulary';
import { gaugeTakes, shelfGauges, usualGauge } from '.';

test('every measure is usually taken by a gauge of the shelf that can take it', () => {
  for (const measure of measures) {
    const gauge = shelfGauges.find(({ id }) => id === usualGauge[measure]);
    expect([measure, gauge && gaugeTakes[gauge.kind].includes(measure)]).toEqual([measure, true]);
  }
  expect(Object.keys(gaugeTakes).sort()).toEqual([...gaugeKinds].sort());
});

test('a line that is sighted is as sure as an eye along an edge, not as a dial', () => {
  const sighted = shelfGauges.find(({ id }) => id === usualGauge.deviation);
  expect(sighted?.resolution).toBeGreaterThanOrEqual(0.05);
});
