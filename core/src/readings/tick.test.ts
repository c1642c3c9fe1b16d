import { describe, expect, test } from '@jest/globals';
import { sax, TestJob, told } from '../../tests/testJob';
import { misfits, type NewEntry } from '../job';
import { padClocks, padPoint } from '../measures';
import { figuresDecide, judgeJob, stateOf } from '../judgement';
import { partsOfGroup } from '../measures';
import { jobPlan } from '../plan';
import { jobRecord } from '../record';
import { choicesOf, tickGroups } from '../measures';
import { tickWords } from '.';
import { entryProblems } from '../jobForms';

const look = (job: TestJob, group: string, part: string, says: string, more: object = {}) =>
  job.write('tick', { group, part, says, ...more });
const stateIn = (job: TestJob, group: string, part: string) => stateOf(judgeJob(job.state, sax), group, part);
const kinds = (job: TestJob) =>
  judgeJob(job.state, sax).suggestions.map(({ kind, part, spring }) => [kind, part, spring]);

describe('the answers', () => {
  test.each(tickGroups)('of %s: one key each, none a figure begins with, one at least good and one bad', (group) => {
    const choices = choicesOf(group);
    expect(new Set(choices.map(({ press }) => press)).size).toBe(choices.length);
    expect(new Set(choices.map(({ id }) => id)).size).toBe(choices.length);
    expect(new Set(choices.map(({ words }) => words)).size).toBe(choices.length);
    const means = '(leak light|film|by hand|by eye|by mouth)';
    for (const { id, press, words, verdict, finds } of choices) {
      expect([id, words, press]).toEqual(
        [/^[a-z-]+$/, /^[a-z].*[a-z]$/, /^[a-z]$/].map((each) => expect.stringMatching(each)),
      );
      expect(told(tickWords({ group, says: id }))).toMatch(new RegExp(`^${words} \\(${means}\\)$`));
      expect([verdict, finds === undefined]).toEqual([verdict, verdict === 'good']);
    }
    expect(new Set(choices.map(({ verdict }) => verdict))).toEqual(expect.objectContaining(new Set(['good', 'bad'])));
    expect(partsOfGroup(sax, group).length).toBeGreaterThan(0);
  });
  test('read as they are meant, with what they were taken with, in the unit of the job', () => {
    expect(told(tickWords({ group: 'pad', says: 'drags-all-round', film: 0.0508 }), 'thou')).toBe(
      'film drags all round (film of 2.0 thou)',
    );
    expect(
      told(tickWords({ group: 'body-line', says: 'bowed-plainly', toward: 90, at: 254, note: 'fell' }), 'in'),
    ).toBe('bowed plainly, toward 90° at 10.00 in (by eye). fell');
  });
  test('nothing else is taken, nor a part the instrument has not', () => {
    const job = new TestJob();
    const entry = (body: object) => {
      const whole = { id: '00000000-0000-4000-8000-000000000099', kind: 'tick', author: 'J', benchTime: job.now, body };
      const problems = entryProblems(whole);
      return (problems.length > 0 ? problems : misfits(job.state, whole as unknown as NewEntry)).map(
        ({ path }) => path,
      );
    };
    expect(entry({ group: 'pad', part: 'e', says: 'no-light' })).toEqual([]);
    expect(entry({ group: 'pad', part: 'e', says: 'wiggles' })).toEqual(['/body/says']);
    expect(entry({ group: 'bore', part: 'body', says: 'no-light' })).toEqual(['/body/group']);
    expect(entry({ group: 'pad', part: 'no-such-pad', says: 'no-light' })).toEqual(['/body/part']);
    expect(entry({ group: 'pad', part: 'e', says: 'no-light', film: 0 })).toEqual(['/body/film']);
  });
});

describe('a look counts', () => {
  test('as the state of its part, until work disturbs it', () => {
    const job = new TestJob();
    expect(stateIn(job, 'hinge', 'd-key')).toBeNull();
    look(job, 'hinge', 'd-key', 'hinge-hair');
    expect(stateIn(job, 'hinge', 'd-key')).toBe('undecided');
    look(job, 'hinge', 'd-key', 'no-wiggle');
    expect(stateIn(job, 'hinge', 'd-key')).toBe('within');
    look(job, 'hinge', 'e-key', 'rocks');
    job.done('refit-keys:instrument', { disturbs: ['hinge:d-key'] });
    expect([stateIn(job, 'hinge', 'd-key'), stateIn(job, 'hinge', 'e-key')]).toEqual(['stale', 'outside']);
    expect(job.state.ticks.get('hinge:d-key')?.stale).toMatchObject({ operation: 'refit-keys:instrument' });
    job.write('pass', { pass: 'swage', group: 'hinge', part: 'e-key', disturbs: ['hinge:e-key'] });
    expect(stateIn(job, 'hinge', 'e-key')).toBe('stale');
  });
  test('until figures come to a verdict, which stand in its place', () => {
    const job = new TestJob();
    look(job, 'pad', 'e', 'no-light');
    expect(stateIn(job, 'pad', 'e')).toBe('within');
    padClocks.slice(0, 4).forEach((clock) => job.read(padPoint('e', clock), 0));
    expect([stateIn(job, 'pad', 'e'), figuresDecide(judgeJob(job.state, sax), 'pad', 'e')]).toEqual(['within', false]);
    job.read(padPoint('e', 180), 0.2);
    expect([stateIn(job, 'pad', 'e'), figuresDecide(judgeJob(job.state, sax), 'pad', 'e')]).toEqual(['outside', true]);
  });
  test('for a finding where it is bad, and for none where it is good, stale or measured', () => {
    const job = new TestJob();
    look(job, 'spring', 'e-key', 'strong');
    look(job, 'link', 'f-to-f-sharp', 'driver-free', { film: 0.02 });
    look(job, 'post', sax.posts[0]?.id ?? '', 'post-hair');
    look(job, 'pad', 'g', 'free-front', { film: 0.02 });
    expect(kinds(job)).toEqual(
      expect.arrayContaining([
        ['spring-weak', 'e-key', 'strong'],
        ['adjuster-out', 'f-to-f-sharp', undefined],
        ['pad-leaking', 'g', undefined],
      ]),
    );
    expect(kinds(job)).toHaveLength(3);
    job.pad('g', [0, 0, 0, 0, 0, 0, 0, 0]);
    job.done('balance-springs:instrument', { disturbs: ['spring:*'] });
    expect(kinds(job)).toEqual([['adjuster-out', 'f-to-f-sharp', undefined]]);
  });
  test('at a gate that needs no figure, and in what has to be looked at again', () => {
    const job = new TestJob();
    const rim = job.finding('rim-warped', 'e');
    job.finding('pad-leaking', 'e');
    job.finding('adjuster-out', 'f-to-f-sharp');
    const gate = (id: string) =>
      jobPlan(job.state, sax, judgeJob(job.state, sax), job.now).steps.find((step) => step.id === id)?.gate ?? [];
    look(job, 'pad', 'e', 'light');
    const id = 'bring-in-links:instrument';
    expect(gate(id).find(({ part }) => part === 'e')).toMatchObject({ open: false });
    look(job, 'pad', 'e', 'no-light');
    expect(gate(id).find(({ part }) => part === 'e')).toMatchObject({ open: true, why: 'pad of E: within' });
    job.done('dress-rim:e', { disturbs: ['pad:e'], cures: [rim] });
    expect(gate(id).find(({ part }) => part === 'e')).toMatchObject({ open: false, why: 'pad of E is stale' });
  });
  test('a rim that nothing speaks against keeps no pad of a repair waiting', () => {
    const gateOf = (job: TestJob) =>
      jobPlan(job.state, sax, judgeJob(job.state, sax), job.now).steps.find(({ id }) => id === 'reseat-pad:e')?.gate;
    const repair = new TestJob({ scope: 'repair' });
    repair.finding('pad-leaking', 'e');
    expect(gateOf(repair)).toEqual([]);
    look(repair, 'rim', 'e', 'low');
    expect(gateOf(repair)).toMatchObject([{ group: 'rim', open: false, why: 'rim of E is outside' }]);
    look(repair, 'rim', 'e', 'flat');
    expect(gateOf(repair)).toMatchObject([{ group: 'rim', open: true }]);
    const doubted = new TestJob({ scope: 'repair' });
    doubted.finding('pad-leaking', 'e');
    doubted.finding('rim-warped', 'e', 'suspected');
    expect(gateOf(doubted)).toMatchObject([{ group: 'rim', open: false }]);
  });
  test('in the record, newest of each part, down the tube', () => {
    const job = new TestJob();
    look(job, 'pad', 'e', 'light', { toward: 90 });
    look(job, 'pad', 'e', 'no-light');
    look(job, 'pad', 'c', 'drags-all-round', { film: 0.02 });
    const record = jobRecord(job.state, sax, job.now);
    expect(record?.looks.map(({ group, place, says, good }) => [group, place, told(says), good])).toEqual([
      ['pad', 'C', 'film drags all round (film of 0.02 mm)', true],
      ['pad', 'E', 'no light (leak light)', true],
    ]);
  });
});
