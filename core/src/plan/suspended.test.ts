import { describe, expect, test } from '@jest/globals';
import { sax, TestJob } from '../../tests/testJob';
import { explainedFindings, settledByLook } from '../findings';
import { judgeJob } from '../judgement';
import { jobPlan } from '.';

const planOf = (job: TestJob) => jobPlan(job.state, sax, judgeJob(job.state, sax), job.now);
const step = (job: TestJob, id: string) => planOf(job).steps.find((each) => each.id === id);
const rod = sax.keys.find(({ id }) => id === 'e-key')?.rod ?? '';
const pads = ['f', 'e', 'd'];

/** Three pads in a row open to the right, and the rod they turn on found bent. */
function dropped() {
  const job = new TestJob({ scope: 'repair' });
  for (const part of pads) {
    job.write('observation', { part, about: 'light', sectors: [45, 90, 135] });
    job.finding('pad-leaking', part);
  }
  return { job, bent: job.finding('rod-bent', rod) };
}

describe('findings that a deeper one explains', () => {
  test('wait for it, and then for a look: they are neither worked blindly nor forgotten', () => {
    const { job, bent } = dropped();
    expect(explainedFindings(job.state, sax).map(({ finding, by }) => [finding.part, by.kind])).toEqual([
      ['f', 'rod-bent'],
      ['e', 'rod-bent'],
      ['d', 'rod-bent'],
    ]);
    // The keys on that rod come off first.
    expect(planOf(job).next?.id).toBe('strip-some:instrument');
    job.done('strip-some:instrument');
    const straighten = planOf(job).next;
    expect(straighten?.id).toBe(`straighten-rod:${rod}`);
    for (const part of pads)
      expect(step(job, `reseat-pad:${part}`)?.waitsFor.map(({ id }) => id)).toContain(straighten?.id);
    job.done(straighten?.id ?? '', { disturbs: [...(straighten?.spoils ?? [])], cures: [bent] });
    for (const part of pads)
      expect(step(job, `reseat-pad:${part}`)).toMatchObject({
        status: 'waiting',
        waitsFor: [],
        gate: [{ group: 'pad', open: false, why: expect.stringMatching(/^look again at the pad of .*put right/) }],
      });
    // It can be looked at only with the keys on: putting them back waits for no look.
    expect(planOf(job).next?.id).toBe('assemble-some:instrument');
    job.done('assemble-some:instrument');
    expect(planOf(job).next).toBeNull();
    // A look at one opens its own way and no other.
    job.write('tick', { group: 'pad', part: 'e', says: 'free-side' });
    expect(step(job, 'reseat-pad:e')?.status).toBe('ready');
    expect(step(job, 'reseat-pad:d')?.status).toBe('waiting');
    // The others are found sound by a look, which settles what went with the rod and nothing else.
    for (const part of ['f', 'd']) {
      const look = job.write('tick', { group: 'pad', part, says: 'no-light' });
      const settled = settledByLook(job.state, sax, 'pad', part, look);
      expect(settled).toMatchObject([{ part, kind: 'pad-leaking', status: 'cured', evidence: [look] }]);
      for (const body of settled) job.write('finding', body);
    }
    const alone = job.finding('pad-leaking', 'g');
    expect(settledByLook(job.state, sax, 'pad', 'g', alone)).toEqual([]);
    expect(planOf(job).next?.id).toBe('reseat-pad:e');
  });
  test('stand by themselves while it is only suspected, or where they open to another side', () => {
    const { job, bent } = dropped();
    job.write('finding', { finding: bent, kind: 'rod-bent', part: rod, severity: 2, status: 'suspected' });
    expect(explainedFindings(job.state, sax)).toEqual([]);
    const other = new TestJob({ scope: 'repair' });
    pads.forEach((part, i) => {
      other.write('observation', { part, about: 'light', sectors: [[45, 90, 135], [225, 270, 315], [0]][i] });
      other.finding('pad-leaking', part);
    });
    other.finding('rod-bent', rod);
    expect(explainedFindings(other.state, sax)).toEqual([]);
  });
});
