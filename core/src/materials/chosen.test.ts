import { describe, expect, test } from '@jest/globals';
import { sax, TestJob } from '../../tests/testJob';
import { misfits, type NewEntry } from '../job';
import { judgeJob } from '../judgement';
import { doSteps, jobPlan } from '../plan';
import { chosenSums, needsOf, takenBy, usedOf } from '.';

const thing = { kind: 'pad', diameter: 31, thickness: 4 };
const line = (part: string, more: object = {}) => ({
  part,
  use: 'pad',
  item: 'pad-31',
  thing,
  count: 1,
  ...more,
});
const keys = (job: TestJob) => [...job.state.chosen.keys()];
const putIn = (job: TestJob, takes: string[], operation = 'renew-pads:instrument') =>
  job.write('operation-done', { operation, title: operation, minutes: 10, disturbs: [], cures: [], takes });

describe('what parts are given out of the drawers', () => {
  test('the last word on each part and use counts; nothing after all is nothing', () => {
    const job = new TestJob();
    job.write('chosen', { lines: [line('e'), line('f'), line('e', { use: 'resonator', item: 'disc-9' })] });
    expect(keys(job)).toEqual(['pad:e', 'pad:f', 'resonator:e']);
    job.write('chosen', { lines: [line('e', { item: 'pad-30' }), line('f', { count: 0 })] });
    expect(needsOf(job.state)).toEqual([
      { item: 'disc-9', count: 1 },
      { item: 'pad-30', count: 1 },
    ]);
  });
  test('is still needed until a step puts it in, and used from then on; struck, it goes back', () => {
    const job = new TestJob();
    job.write('chosen', { lines: ['e', 'f', 'd'].map((part) => line(part)) });
    const done = putIn(job, ['pad:e', 'pad:f', 'pad:nowhere']);
    expect([needsOf(job.state), usedOf(job.state)]).toEqual([
      [{ item: 'pad-31', count: 1 }],
      [{ item: 'pad-31', count: 2 }],
    ]);
    // Done a second time it takes nothing a second time.
    putIn(job, ['pad:e']);
    expect(usedOf(job.state)).toEqual([{ item: 'pad-31', count: 2 }]);
    expect(job.state.chosen.get('pad:e')?.taken).toBe(done);
    job.write('strike', { entry: done });
    expect(usedOf(job.state)).toEqual([{ item: 'pad-31', count: 1 }]);
  });
  test('what is in is not chosen anew, and no part is given two of one use', () => {
    const job = new TestJob();
    job.write('chosen', { lines: [line('e')] });
    putIn(job, ['pad:e']);
    const wrong = (...lines: object[]) =>
      misfits(job.state, { kind: 'chosen', body: { lines } } as unknown as NewEntry).map(({ path }) => path);
    expect(wrong(line('e'))).toEqual(['/body/lines/0/part']);
    expect(wrong(line('f'), line('nowhere'))).toEqual(['/body/lines/1/part']);
    expect(wrong(line('f'))).toEqual([]);
  });
  test('a step of one part puts in what is its own, a step of the whole instrument what is left of all', () => {
    const job = new TestJob();
    job.write('chosen', { lines: [line('e'), line('f'), line('f', { use: 'cork', item: 'sheet' })] });
    expect(takenBy(job.state, ['pad', 'resonator'], 'f')).toEqual(['pad:f']);
    expect(takenBy(job.state, ['pad'], null)).toEqual(['pad:e', 'pad:f']);
    putIn(job, ['pad:e']);
    expect(takenBy(job.state, ['pad'], null)).toEqual(['pad:f']);
    expect(takenBy(job.state, [], null)).toEqual([]);
    expect(chosenSums(job.state, ['pad:e', 'pad:f', 'cork:f', 'pad:d'])).toEqual([
      { thing, count: 2 },
      { thing, count: 1 },
    ]);
  });
  test('the plan says what each step takes, and a step that is done writes it down', () => {
    const job = new TestJob();
    job.finding('pad-worn', 'e');
    job.write('chosen', { lines: [line('e'), line('f')] });
    const plan = () => jobPlan(job.state, sax, judgeJob(job.state, sax), job.now);
    const step = plan().steps.find(({ kind }) => kind === 'replace-pad');
    expect(step).toMatchObject({ part: 'e', takes: ['pad:e'] });
    const before = plan().steps;
    const ready = before.map((each) => ({ ...each, waitsFor: [], gate: [], cautions: [] }));
    const { done } = doSteps(ready, new Set([step?.id ?? '']), new Set(), job.now);
    expect(done).toMatchObject([{ operation: step?.id, takes: ['pad:e'] }]);
    putIn(job, ['pad:e'], step?.id);
    expect(plan().steps.find(({ id }) => id === step?.id)?.takes).toEqual([]);
  });
});
