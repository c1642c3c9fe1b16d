import { expect, test } from '@jest/globals';
import { TestJob } from '../../tests/testJob';
import { pass } from './pass.kind';

const line = (part: string) => ({ group: 'body-line', part, measure: 'deviation', clock: 0, at: 40 }) as const;

test('passes are counted by their kind and part, and what they make stale says which it was', () => {
  const job = new TestJob();
  const does = (kind: string, part: string) =>
    job.write('pass', { pass: kind, group: 'body-line', part, amount: 2, disturbs: [`body-line:${part}`] });
  does('straighten', 'body');
  does('straighten', 'neck');
  does('turn-bell', 'body');
  job.read(line('body'), 0.1);
  job.read(line('neck'), 0.1);
  does('straighten', 'body');
  does('straighten', 'neck');
  const stale = [...job.state.points.values()].map(({ readings }) => readings[0]?.stale);
  expect(stale.map((each) => [each?.operation, each?.title])).toEqual([
    ['pass:straighten:body', 'Straightening, pass 2'],
    ['pass:straighten:neck', 'Straightening, pass 2'],
  ]);
  expect(job.state.passes.map(({ pass: kind, part }) => `${kind} ${part}`)).toEqual([
    'straighten body',
    'straighten neck',
    'turn-bell body',
    'straighten body',
    'straighten neck',
  ]);
});

test('how far is said in degrees where it is turned, else as a figure', () => {
  const words = (kind: 'straighten' | 'lap', amount?: number) =>
    pass.words(
      { pass: kind, group: 'joint', part: 'neck', disturbs: [], ...(amount !== undefined && { amount }) },
      () => 'Neck',
    );
  expect([words('straighten', 2), words('lap', 0.1), words('lap')]).toEqual([
    'Straightening by 2°: Neck',
    'Lapping by 0.1 mm: Neck',
    'Lapping: Neck',
  ]);
});
