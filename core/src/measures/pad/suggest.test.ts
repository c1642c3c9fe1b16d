import { expect, test } from '@jest/globals';
import { told } from '../../../tests/testJob';
import type { SeatOutput } from '../../pads';
import type { PadReport } from './report';
import { suggestFromSeat } from './suggest';

const report = {
  part: 'e',
  points: [
    { mean: 0.08, state: 'outside' },
    { mean: null, state: 'unread' },
  ],
  limit: 0.03,
  evidence: ['a'],
  newestSeq: 4,
} as unknown as PadReport;
const seat = (change: Partial<SeatOutput>): SeatOutput =>
  ({
    advice: 'shim',
    picture: 'saddle',
    openClock: 90,
    tilt: 0.02,
    unevenness: 0.03,
    thicknessCorrection: 0.12,
    predictedMaxGap: 0.01,
    shims: [{ clock: 90, thickness: 0.1 }],
    ...change,
  }) as unknown as SeatOutput;

test('shims are named with their places, and what they leave', () =>
  expect(told(suggestFromSeat(report, seat({}))?.remedy)).toMatch(/Shims 90°: 0\.10+ mm; leaves 0\.010* mm\./));
test.each([
  ['reset-bed', 0.12, /The pad stands 0\.120* mm too thin\./],
  ['change-pad', -0.3, /The pad stands 0\.30+ mm too thick\./],
] as const)('%s says by how much the pad stands wrong', (advice, thicknessCorrection, words) =>
  expect(told(suggestFromSeat(report, seat({ advice, thicknessCorrection }))?.remedy)).toMatch(words),
);
test('nothing is suggested where nothing is to be done, or no gap is surely too wide', () => {
  expect(suggestFromSeat(report, seat({ advice: 'none' }))).toBeNull();
  const doubtful = { ...report, points: [{ mean: 0.04, state: 'undecided' }] } as unknown as PadReport;
  expect(suggestFromSeat(doubtful, seat({}))).toBeNull();
});
