import { describe, expect, test } from '@jest/globals';
import { TestJob, told } from '../../tests/testJob';
import { partReport } from '../measures';
import { judgeJob } from '../judgement';
import { jobPlan } from '../plan';
import { measuringPoints } from '../measures';
import {
  changeType,
  instrumentType,
  instrumentTypeProblems,
  keysOfPart,
  postsOf,
  rodsOf,
  spanOf,
  tubesOf,
  type InstrumentType,
} from '.';

const soprano = instrumentType('soprano-saxophone') as InstrumentType;
const bass = instrumentType('bass-clarinet') as InstrumentType;
const both = soprano.posts.find(({ other }) => other !== undefined);

describe('a compound post', () => {
  test('is the end of one rod and the beginning of another, and stands once', () => {
    expect(both && rodsOf(both)).toEqual(['upper-stack-rod', 'lower-stack-rod']);
    expect(postsOf(soprano, 'upper-stack-rod').at(-1)).toBe(both);
    expect(postsOf(soprano, 'lower-stack-rod')[0]).toBe(both);
    expect(spanOf(soprano, 'f-sharp-key')?.upper).toBe(both);
    expect(spanOf(soprano, 'g-key')?.lower).toBe(both);
    const asked = measuringPoints(soprano).filter(({ group, part }) => group === 'post' && part === both?.id);
    expect(asked.map(({ measure }) => measure).sort()).toEqual(['height', 'lean', 'post-gap']);
  });
  test('bears on the keys of both its rods', () => {
    const keys = keysOfPart(soprano, both?.id ?? '');
    expect(keys).toEqual(expect.arrayContaining(['g-key', 'f-sharp-key']));
    expect(
      keys.every((id) =>
        ['upper-stack-rod', 'lower-stack-rod'].includes(soprano.keys.find((key) => key.id === id)?.rod ?? ''),
      ),
    ).toBe(true);
  });
  test('is judged against the other posts of either rod', () => {
    const job = new TestJob({ instrumentType: soprano.id });
    const height = (part: string, value: number) =>
      job.read({ group: 'post', part, measure: 'height', clock: 0 }, value, 'caliper');
    height(both?.id ?? '', 7);
    height(postsOf(soprano, 'lower-stack-rod').at(-1)?.id ?? '', 6);
    const fact = partReport(job.state, soprano, 'post', both?.id ?? '')?.facts.find(({ id }) => id === 'height-step');
    expect(fact?.value).toBeCloseTo(1, 9);
  });
  test('is steadied against its neighbour, and only the side that bears is worked', () => {
    const plan = (part: string) => {
      const job = new TestJob({ instrumentType: soprano.id });
      job.finding('post-leaning', part);
      return jobPlan(job.state, soprano, judgeJob(job.state, soprano), job.now).steps.find(
        ({ id }) => id === `true-post:${part}`,
      );
    };
    expect(plan(both?.id ?? '')?.how.at(-1)).toBe(
      'It carries Upper stack rod and Lower stack rod: steady it against its neighbour, and work only the side that bears.',
    );
    const single = soprano.posts.find(({ rod, other }) => rod !== undefined && other === undefined);
    expect(plan(single?.id ?? '')?.how.join(' ')).not.toMatch(/It carries/);
    // The keys of both rods are moved with it.
    expect(plan(both?.id ?? '')?.disturbs).toEqual(expect.arrayContaining(['hinge:g-key', 'hinge:f-sharp-key']));
  });
  test('needs a second rod that there is', () => {
    const wrong = (other: string) =>
      instrumentTypeProblems(changeType(soprano, { put: { posts: [{ ...both, other }] } } as never)).map(
        ({ message }) => message,
      );
    expect(wrong('no-such-rod')).toContain('there is no second rod “no-such-rod” for it to carry');
    expect(wrong('upper-stack-rod')).toContain('there is no second rod “upper-stack-rod” for it to carry');
  });
});

describe('a tube inside another', () => {
  test('ships with the bass clarinet, and takes no room of its own between the posts', () => {
    const inner = bass.keys.find(({ nestsIn }) => nestsIn !== undefined);
    expect(inner).toMatchObject({ id: 'left-f-lever', nestsIn: 'left-f-sharp-lever' });
    const span = spanOf(bass, 'left-f-lever');
    expect(span?.keys.map(({ id }) => id).sort()).toEqual(['left-f-lever', 'left-f-sharp-lever']);
    expect(span && tubesOf(span).map(({ id }) => id)).toEqual(['left-f-sharp-lever']);
  });
  test('is fitted first; its outside is what the outer turns on', () => {
    const job = new TestJob({ instrumentType: bass.id, family: 'clarinet' });
    const read = (part: string, figures: Record<string, number>) => {
      for (const [measure, value] of Object.entries(figures))
        job.read({ group: 'hinge', part, measure, clock: 0 } as never, value, 'micrometer');
    };
    read('left-f-lever', { 'tube-outer': 4, 'tube-inner': 2.62, 'tube-length': 99.6, 'rod': 2.6 });
    read('left-f-sharp-lever', { 'tube-outer': 5.4, 'tube-inner': 4.09, 'tube-length': 99.6, 'post-gap': 99.63 });
    const outer = partReport(job.state, bass, 'hinge', 'left-f-sharp-lever');
    const clearance = outer?.facts.find(({ id }) => id === 'clearance');
    expect(clearance?.value).toBeCloseTo(0.09, 9);
    expect(clearance?.words).toMatch(/Left F lever/);
    expect(told(outer?.says)).toMatch(/Left F lever runs inside it: fit the inner tube first/);
  });
});
