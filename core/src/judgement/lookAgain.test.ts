import { describe, expect, test } from '@jest/globals';
import { flat, sax, TestJob } from '../../tests/testJob';
import { measuringPoints } from '../measures';
import { pointOf } from '../measures';
import { isUnchecked, judgeJob, lookAgain } from '.';

const again = (job: TestJob) =>
  lookAgain(job.state, sax, judgeJob(job.state, sax)).map(({ why, group, part, after }) => [why, group, part, after]);
const unchecked = (job: TestJob, id: string) => {
  const finding = job.state.findings.get(id);
  if (!finding) throw new Error('it was written');
  return isUnchecked(job.state, judgeJob(job.state, sax), finding);
};
const tick = (job: TestJob, group: string, part: string, says: string) => job.write('tick', { group, part, says });
const say = (job: TestJob, finding: string, kind: string, part: string, status: string) =>
  job.write('finding', { finding, kind, part, severity: 2, status });

describe('what was worked on', () => {
  test('is no cure before somebody has looked: a good look, or good figures, make it one', () => {
    const job = new TestJob();
    const pad = job.finding('pad-leaking', 'e');
    const rim = job.finding('rim-warped', 'e');
    expect([unchecked(job, pad), again(job)]).toEqual([false, []]);
    job.done('reseat-pad:e', { cures: [pad], disturbs: ['pad:e'] });
    job.done('dress-rim:e', { cures: [rim], disturbs: ['rim:e'] });
    expect(again(job)).toEqual([
      ['worked', 'rim', 'e', 'dress-rim:e'],
      ['worked', 'pad', 'e', 'reseat-pad:e'],
    ]);
    tick(job, 'pad', 'e', 'light');
    expect(unchecked(job, pad)).toBe(true);
    tick(job, 'pad', 'e', 'no-light');
    expect(unchecked(job, pad)).toBe(false);
    job.rim('e', flat);
    expect([unchecked(job, rim), again(job)]).toEqual([false, []]);
  });
  test('is spoilt again by later work, and then waits for another look', () => {
    const job = new TestJob();
    const pad = job.finding('pad-leaking', 'e');
    job.done('reseat-pad:e', { cures: [pad], disturbs: ['pad:e'] });
    tick(job, 'pad', 'e', 'no-light');
    job.done('straighten-key:e-key', { disturbs: ['pad:e'] });
    expect(again(job)).toEqual([['worked', 'pad', 'e', 'reseat-pad:e']]);
  });
  test('that no look can judge waits for a person’s word, good or bad', () => {
    const job = new TestJob();
    const dent = job.finding('dent', 'bell');
    job.done('raise-dent:bell', { cures: [dent] });
    expect(again(job)).toEqual([['worked', null, 'bell', 'raise-dent:bell']]);
    say(job, dent, 'dent', 'bell', 'cured');
    expect([unchecked(job, dent), again(job)]).toEqual([false, []]);
    job.done('raise-dent:bell', { cures: [dent] });
    say(job, dent, 'dent', 'bell', 'confirmed');
    expect([unchecked(job, dent), again(job)]).toEqual([false, []]);
  });
});

test('a post that stands firm may still lean: only figures, or a word, say that it does not', () => {
  const job = new TestJob();
  const post = sax.posts[0]?.id ?? '';
  const lean = job.finding('post-leaning', post);
  job.done(`straighten-post:${post}`, { cures: [lean], disturbs: [`post:${post}`] });
  tick(job, 'post', post, 'firm');
  expect(again(job)).toEqual([['worked', null, post, `straighten-post:${post}`]]);
  for (const { point } of measuringPoints(sax).map((each) => ({ point: pointOf(each) })))
    if (point.group === 'post' && point.part === post) job.read(point, 0, 'caliper');
  expect([unchecked(job, lean), again(job)]).toEqual([false, []]);
});

describe('what work has moved', () => {
  test('is named once with the work that moved it, in the order of groups and down the tube', () => {
    const job = new TestJob();
    for (const part of ['low-b', 'e', 'c']) tick(job, 'pad', part, 'no-light');
    tick(job, 'rim', 'e', 'flat');
    tick(job, 'post', 'octave-post', 'firm');
    expect(again(job)).toEqual([]);
    job.done('straighten-body:body', { disturbs: ['pad:*', 'rim:*'] });
    const found = again(job);
    expect(found.map(([why, , , after]) => [why, after])).toEqual(Array(4).fill(['disturbed', 'straighten-body:body']));
    expect(found.map(([, group, part]) => `${group}:${part}`)).toEqual(['rim:e', 'pad:c', 'pad:e', 'pad:low-b']);
    tick(job, 'pad', 'e', 'no-light');
    expect(again(job)).toHaveLength(3);
  });
});

test('what a deeper fault explained is looked at when that one has been put right, and not before', () => {
  const job = new TestJob();
  const keys = ['d', 'e', 'f'];
  for (const part of keys) {
    job.write('observation', { part, about: 'light', sectors: [90] });
    job.finding('pad-leaking', part, 'suspected');
  }
  const rod = job.finding('rod-bent', 'lower-stack-rod');
  expect(again(job)).toEqual([]);
  job.done('straighten-rod:lower-stack-rod', { cures: [rod] });
  const suspended = again(job).filter(([why]) => why === 'suspended');
  expect(suspended.map(([, group, part, after]) => [group, part, after])).toEqual(
    ['f', 'e', 'd'].map((part) => ['pad', part, 'straighten-rod:lower-stack-rod']),
  );
});
