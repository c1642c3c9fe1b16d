import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { sax, TestJob } from '../../tests/testJob';
import { judgeJob } from '../judgement';
import { findingKinds, practiceNames, scopes } from '../vocabulary';
import { isOpenStep, jobPlan } from '.';

const planOf = (job: TestJob) => jobPlan(job.state, sax, judgeJob(job.state, sax), job.now);
const parts = ['e', 'f', 'low-b', 'body', 'bell', 'e-key', 'lower-stack-rod', 'f-to-f-sharp', 'neck-receiver'];

describe('a step stays until somebody does it, skips it, or its finding is withdrawn', () => {
  test('a resoldered hole is still looked at again, and what it moved regulated', () => {
    const job = new TestJob({ scope: 'repair' });
    job.finding('hole-unsoldered', 'e');
    const solder = planOf(job).steps.find(({ kind }) => kind === 'resolder-hole');
    job.done(solder?.id ?? '', { disturbs: [...(solder?.spoils ?? [])], cures: solder?.cures ?? [] });
    expect(planOf(job).steps.map(({ id, status }) => [id, status])).toEqual([
      ['strip-some:instrument', 'ready'],
      ['resolder-hole:e', 'curing'],
      ['wash-flux:e', 'waiting'],
      ['look-again:e', 'waiting'],
      ['assemble-some:instrument', 'waiting'],
      ['check-moved:instrument', 'waiting'],
      ['bring-in-links:instrument', 'waiting'],
      ['play-test:instrument', 'waiting'],
      ['hand-over:instrument', 'waiting'],
    ]);
  });
  test('whatever was found and whatever is done first', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ kind: fc.constantFrom(...findingKinds), part: fc.constantFrom(...parts) }), {
          minLength: 1,
          maxLength: 6,
        }),
        fc.constantFrom(...practiceNames),
        fc.constantFrom(...scopes),
        fc.array(fc.nat(30), { minLength: 1, maxLength: 8 }),
        (findings, practice, scope, order) => {
          const job = new TestJob({ practice, scope });
          for (const { kind, part } of findings) job.finding(kind, part);
          for (const turn of order) {
            const before = planOf(job);
            const open = before.steps.filter(isOpenStep);
            const step = open[turn % Math.max(1, open.length)];
            if (!step) return;
            job.minute += 2000;
            job.done(step.id, { disturbs: [...step.spoils], cures: step.cures });
            const left = new Set(planOf(job).steps.map(({ id }) => id));
            expect(before.steps.map(({ id }) => id).filter((id) => !left.has(id))).toEqual([]);
          }
        },
      ),
      { numRuns: 60, endOnFailure: true },
    );
  });
});
