import { describe, expect, test } from '@jest/globals';
import { roleMay, actOfEntry } from '../access';
import { sax, TestJob, uuid } from '../../tests/testJob';
import { benchRow } from '../bench';
import { misfits, type NewEntry } from '../job';
import { judgeJob } from '../judgement';
import { jobPlan } from '../plan';
import { lookAt, looksWaiting } from '.';

const wrong = (job: TestJob, kind: string, body: object) =>
  misfits(job.state, { kind, body } as unknown as NewEntry).map(({ path }) => path);
const step = (job: TestJob) =>
  jobPlan(job.state, sax, judgeJob(job.state, sax), job.now).steps.find(({ id }) => id === 'dress-rim:e');
const ask = (job: TestJob, about: object) => job.write('look-asked', { ...about, question: 'is it good?' });
const answer = (job: TestJob, asked: string, good: boolean, reason = '') =>
  job.write('look-given', { asked, good, ...(reason && { reason }) });

describe('a finding that a master is asked to look at', () => {
  test('is confirmed by it, or suspected again with the reason', () => {
    const job = new TestJob();
    const found = job.finding('rim-warped', 'e', 'suspected');
    const asked = ask(job, { about: 'finding', of: found });
    expect(looksWaiting(job.state)).toMatchObject([
      { asked, about: 'finding', of: found, by: 'Juno Tam', question: 'is it good?' },
    ]);
    answer(job, asked, false, 'the plate was not clean');
    expect(looksWaiting(job.state)).toEqual([]);
    expect(job.state.findings.get(found)).toMatchObject({ status: 'suspected', reason: 'the plate was not clean' });
    const again = ask(job, { about: 'finding', of: found });
    answer(job, again, true);
    expect(job.state.findings.get(found)).toMatchObject({ status: 'confirmed' });
    expect(lookAt(job.state, 'finding', found)).toMatchObject({ asked: again, answer: { good: true } });
  });
  test('that was cured or left since stays what it is', () => {
    const job = new TestJob();
    const found = job.finding('rim-warped', 'e');
    const asked = ask(job, { about: 'finding', of: found });
    job.finding('rim-warped', 'e', 'left', found);
    answer(job, asked, false, 'no');
    expect(job.state.findings.get(found)?.status).toBe('left');
  });
});

describe('a step that a master is asked to look at', () => {
  const done = () => {
    const job = new TestJob();
    const found = job.finding('rim-warped', 'e');
    job.done('dress-rim:e', { cures: [found], disturbs: ['rim:e'] });
    return job;
  };
  test('stands while it is looked at and when it is good; sent back it is to be done again, until it is', () => {
    const job = done();
    expect(step(job)?.status).toBe('done');
    const asked = ask(job, { about: 'operation', of: 'dress-rim:e' });
    expect(step(job)?.status).toBe('done');
    answer(job, asked, false, 'still low at 90°');
    expect(step(job)?.status).not.toBe('done');
    expect(step(job)?.again).toBeNull();
    job.done('dress-rim:e', { disturbs: ['rim:e'] });
    expect(step(job)?.status).toBe('done');
    answer(job, ask(job, { about: 'operation', of: 'dress-rim:e' }), true);
    expect(step(job)?.status).toBe('done');
  });
  test('stands again when the answer is struck', () => {
    const job = done();
    const sent = answer(job, ask(job, { about: 'operation', of: 'dress-rim:e' }), false, 'wrong rim');
    expect(step(job)?.status).not.toBe('done');
    job.write('strike', { entry: sent, reason: 'another rim was meant' });
    expect(step(job)?.status).toBe('done');
    expect(looksWaiting(job.state)).toHaveLength(1);
  });
  test('is counted on the bench until it is answered', () => {
    const job = done();
    const looks = () => benchRow(job.state, sax, {}, job.now)?.summary.looks;
    expect(looks()).toBe(0);
    const asked = ask(job, { about: 'operation', of: 'dress-rim:e' });
    expect(looks()).toBe(1);
    answer(job, asked, true);
    expect(looks()).toBe(0);
  });
});

test('what is not there cannot be looked at, what is answered is answered, and a reason is owed', () => {
  const job = new TestJob();
  const found = job.finding('noise', 'e');
  expect(wrong(job, 'look-asked', { about: 'finding', of: uuid(1) })).toEqual(['/body/of']);
  expect(wrong(job, 'look-asked', { about: 'operation', of: 'dress-rim:e' })).toEqual(['/body/of']);
  expect(wrong(job, 'look-given', { asked: uuid(1), good: true })).toEqual(['/body/asked']);
  const asked = ask(job, { about: 'finding', of: found });
  expect(wrong(job, 'look-given', { asked, good: false, reason: ' ' })).toEqual(['/body/reason']);
  answer(job, asked, true);
  expect(wrong(job, 'look-given', { asked, good: true })).toEqual(['/body/asked']);
});

test('who learns may ask, and whoever may judge answers', () => {
  const may = (kind: 'look-asked' | 'look-given') =>
    (['owner', 'technician', 'apprentice', 'desk'] as const).filter((role) => roleMay(role, actOfEntry[kind]));
  expect(may('look-asked')).toEqual(['owner', 'technician', 'apprentice']);
  expect(may('look-given')).toEqual(['owner', 'technician']);
});
