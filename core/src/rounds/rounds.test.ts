import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { sax, TestJob } from '../../tests/testJob';
import { measuringPoints } from '../measures';
import { downTheTube } from '../instruments';
import { misfits } from '../job';
import { pointOf, padPoint } from '../measures';
import { pointKey, type MeasuringPoint } from '../readings';
import { usualGauge } from '../metrology';
import { orderRound, roundProgress } from '.';

const all = measuringPoints(sax).map(pointOf);
const gaugeOf = ({ measure }: MeasuringPoint) => usualGauge[measure];
const order = (points: readonly MeasuringPoint[]) => orderRound(sax, points, (measure) => usualGauge[measure]);

describe('the order of a round', () => {
  test('keeps every point once, changes the gauge as seldom as can be, and goes down the tube with each', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray(all, { minLength: 1, maxLength: 120 }), (points) => {
        const walked = order(points);
        expect(walked.map(pointKey).sort()).toEqual(points.map(pointKey).sort());
        const changes = walked.slice(1).filter((point, i) => gaugeOf(point) !== gaugeOf(walked[i] as MeasuringPoint));
        expect(changes).toHaveLength(new Set(points.map(gaugeOf)).size - 1);
        const place = new Map(
          downTheTube(sax, [...new Set(points.map(({ part }) => part))].sort()).map((id, i) => [id, i]),
        );
        for (const gauge of new Set(points.map(gaugeOf))) {
          const parts = walked.filter((point) => gaugeOf(point) === gauge).map(({ part }) => place.get(part) ?? -1);
          expect(parts).toEqual([...parts].sort((a, b) => a - b));
        }
      }),
      { numRuns: 40 },
    );
  });
  test('reads the baseline of the tester before the leak it is taken from', () => {
    const joint = order(all.filter(({ group }) => group === 'joint')).map(({ measure, part }) => `${part} ${measure}`);
    expect(joint.indexOf('neck-receiver leak-baseline')).toBe(joint.indexOf('neck-receiver leak') - 1);
  });
  test('does not depend on the order it is asked in', () => {
    const points = all.slice(0, 200);
    expect(order([...points].reverse())).toEqual(order(points));
  });
});

describe('a round', () => {
  const points = [padPoint('e', 0), padPoint('e', 45), padPoint('f', 0)];
  const id = '00000000-0000-4000-8000-00000000aaaa';
  const progress = (job: TestJob) => {
    const round = job.state.rounds.get(id);
    if (!round) throw new Error('no round');
    return roundProgress(job.state, round);
  };
  test('is of parts the instrument has, to the last of its points', () => {
    const wrong = (list: readonly object[]) =>
      misfits(new TestJob().state, { kind: 'round', body: { round: id, name: 'Pads', points: list } } as never);
    expect(wrong(points)).toEqual([]);
    expect(wrong([...points, padPoint('nowhere', 0)])).toMatchObject([{ message: expect.stringContaining('nowhere') }]);
  });
  test('goes on where it stood: only readings younger than it count', () => {
    const job = new TestJob();
    job.read(points[0] as MeasuringPoint, 0.01);
    job.write('round', { round: id, name: 'Pads', points });
    expect(progress(job)).toMatchObject({ next: 0, taken: 0 });
    const first = job.read(points[0] as MeasuringPoint, 0.02);
    expect(progress(job)).toMatchObject({ next: 1, taken: 1 });
    job.write('round-skip', { round: id, point: points[1] });
    expect(progress(job)).toMatchObject({ next: 2, taken: 1, skipped: 1 });
    job.read(points[2] as MeasuringPoint, 0.02);
    job.read(points[2] as MeasuringPoint, 0.021);
    expect(progress(job)).toMatchObject({ next: 3, taken: 2 });
    expect(progress(job).steps[2]).toMatchObject({ step: 'taken', readings: 2 });
    job.write('strike', { entry: first });
    expect(progress(job)).toMatchObject({ next: 0, taken: 1 });
    job.write('round-over', { round: id });
    expect(job.state.rounds.get(id)?.over).toBe(true);
  });
  test('opens a point again when work disturbs its reading; a reading makes good a skip', () => {
    const job = new TestJob();
    job.write('round', { round: id, name: 'Pads', points });
    job.write('round-skip', { round: id, point: points[0] });
    job.read(points[0] as MeasuringPoint, 0.02);
    expect(progress(job)).toMatchObject({ taken: 1, skipped: 0 });
    job.done('bend-cup:e', { disturbs: ['pad:e'] });
    expect(progress(job).steps[0]?.step).toBe('skipped');
  });
});
