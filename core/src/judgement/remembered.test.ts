import { describe, expect, test } from '@jest/globals';
import { flat, sax, TestJob } from '../../tests/testJob';
import { foldJob } from '../job';
import { chanceFrom } from '../simulation';
import { groupsAnsweredHere, placesOfType, pointOf } from '../measures';
import { judgeJob, type JobJudgement } from '.';

const gaps = (gap: number) => Array.from({ length: 8 }, () => gap);
/** A state that nothing is remembered of: told anew from copies of its entries. */
const forgetful = (job: TestJob) => foldJob(structuredClone([...job.state.entries]));

describe('a judgement', () => {
  test('judges one part anew for one more reading of it, and leaves the others as they were', () => {
    const job = new TestJob();
    job.pad('e', gaps(0.01));
    job.pad('g', gaps(0.01));
    job.rim('g', flat);
    const before = judgeJob(job.state, sax);
    job.pad('e', gaps(0.2));
    const after = judgeJob(job.state, sax);
    expect(after.pads.get('e')).not.toBe(before.pads.get('e'));
    expect(after.pads.get('e')?.state).toBe('undecided');
    expect(after.pads.get('g')).toBe(before.pads.get('g'));
    expect(after.rims.get('g')).toBe(before.rims.get('g'));
  });
  test('judges a pad anew when the rim under it is read', () => {
    const job = new TestJob();
    job.pad('g', [0, 0.1, 0, 0.1, 0, 0.1, 0, 0.1]);
    const before = judgeJob(job.state, sax).pads.get('g');
    job.rim('g', [0, -0.1, 0, -0.1, 0, -0.1, 0, -0.1]);
    const after = judgeJob(job.state, sax).pads.get('g');
    expect(before?.seat?.rimSuspected).toBe(false);
    expect(after?.seat?.rimSuspected).toBe(true);
  });
  test('judges all anew when the limits change', () => {
    const job = new TestJob();
    job.pad('g', gaps(0.04));
    expect(judgeJob(job.state, sax).pads.get('g')?.state).toBe('outside');
    job.write('tolerances', { profile: 'p', changes: [{ name: 'padGap', limit: 0.3, reason: 'r' }], reason: 'r' });
    expect(judgeJob(job.state, sax).pads.get('g')?.state).toBe('within');
  });
  test('looks again for what had no answer, and takes nobody’s answer for another’s', () => {
    const job = new TestJob();
    job.pad('g', gaps(0.04));
    let answer: 'none' | 'here' = 'none';
    const who = {};
    const asked = () => ({
      ...groupsAnsweredHere,
      by: who,
      rim: () => null,
      seat: () => (answer === 'none' ? null : ({ picture: 'sealed', advice: 'none' } as never)),
    });
    expect(judgeJob(job.state, sax, asked()).pads.get('g')?.seat).toBeNull();
    answer = 'here';
    const told = judgeJob(job.state, sax, asked()).pads.get('g');
    expect(told?.seat?.picture).toBe('sealed');
    expect(judgeJob(job.state, sax, asked()).pads.get('g')).toBe(told);
    expect(judgeJob(job.state, sax).pads.get('g')?.seat?.picture).toBe('held-off');
  });
  test('remembered through a story of readings, work and passes, says what a judgement from scratch says', () => {
    const chance = chanceFrom(11);
    const pick = <T>(list: readonly T[]): T => list[Math.floor(chance.uniform() * list.length)] as T;
    const held = new Set(['e', 'g', 'neck', 'body', 'e-key', 'g-key', 'main-rod', 'neck-tenon']);
    const near = placesOfType(sax).filter(({ part }, i) => held.has(part) || i % 9 === 0);
    const job = new TestJob();
    for (let i = 0; i < 400; i += 1) {
      const place = pick(near);
      const { group, part } = place;
      if (i % 23 === 22) job.done(`look:${part}`, { disturbs: [`${group}:${pick([part, '*'])}`] });
      else job.read(pointOf(place), Math.round(chance.uniform() * 300) / 1000);
      if (i % 5 > 0) continue;
      const told = ({ pads, rims, parts, suggestions }: JobJudgement) =>
        JSON.stringify([suggestions, [...pads], [...rims], [...parts]]);
      expect(told(judgeJob(job.state, sax))).toBe(told(judgeJob(forgetful(job), sax)));
    }
    expect(judgeJob(job.state, sax).parts.size).toBeGreaterThan(10);
  });
  test('knows a job by itself: a copy of its entries is another', () => {
    const job = new TestJob();
    job.pad('g', gaps(0.01));
    const here = judgeJob(job.state, sax).pads.get('g');
    const there = judgeJob(forgetful(job), sax).pads.get('g');
    expect(there).toEqual(here);
    expect(there).not.toBe(here);
  });
});
