import { describe, expect, test } from '@jest/globals';
import { TestJob } from '../../tests/testJob';
import { applyOptions, instrumentType, partNames, type InstrumentType } from '../instruments';
import { judgeJob } from '../judgement';
import { findingKinds } from '../vocabulary';
import { causeRules, commonCauses, likelyCauses } from '.';

const flute = applyOptions(instrumentType('concert-flute') as InstrumentType, []);
const fluteJob = () => new TestJob({ instrumentType: 'concert-flute', family: 'flute' });
const causes = (job: TestJob) => commonCauses(job.state, flute, partNames(flute));
const leaks = (job: TestJob, part: string, sectors: number[]) => {
  job.write('observation', { part, about: 'light', sectors });
  job.finding('pad-leaking', part);
};

describe('common causes', () => {
  test('three pads in a row on one rod open at the same side: the rod, not the pads', () => {
    const job = fluteJob();
    for (const part of ['f', 'e', 'd']) leaks(job, part, [45, 90, 135]);
    const [cause, ...others] = causes(job);
    expect(others).toEqual([]);
    expect(cause).toMatchObject({ kind: 'rod-bent', part: 'lower-stack-rod', rule: 'pads-open-one-side-on-a-rod' });
    expect(cause?.reason).toMatch(/F, E, D.*open at the right.*one cause upstream/);
    expect(cause?.gathers).toHaveLength(3);
  });
  test.each([
    [45, 'right'],
    [135, 'back'],
    [225, 'left'],
    [315, 'front'],
    [0, 'front'],
  ])('light at %d° is on the %s', (clock, side) => {
    const job = fluteJob();
    for (const part of ['f', 'e', 'd']) leaks(job, part, [clock]);
    expect(causes(job).map(({ reason }) => reason)).toEqual([expect.stringContaining(`open at the ${side}`)]);
  });
  test('across two rods it is the tube', () => {
    const job = fluteJob();
    for (const part of ['lower-g', 'g-sharp', 'f-sharp']) leaks(job, part, [0, 45]);
    expect(causes(job)).toMatchObject([{ kind: 'body-bent', part: 'body' }]);
  });
  test.each([
    ['two are not enough', ['f', 'e'], [90, 90]],
    ['different sides are different faults', ['f', 'e', 'd'], [90, 270, 90]],
    ['a sound pad between breaks the row', ['f-sharp', 'f', 'd'], [90, 90, 90]],
  ])('%s', (_words, parts, sides) => {
    const job = fluteJob();
    parts.forEach((part, i) => leaks(job, part, [sides[i] ?? 0]));
    expect(causes(job)).toEqual([]);
  });
  test('a fault that is known is not suspected again, and one that is declined stays declined', () => {
    const job = fluteJob();
    for (const part of ['f', 'e', 'd']) leaks(job, part, [90]);
    job.finding('rod-bent', 'lower-stack-rod');
    expect(causes(job)).toEqual([]);
    const other = fluteJob();
    for (const part of ['f', 'e', 'd']) leaks(other, part, [90]);
    expect(judgeJob(other.state, flute).suggestions[0]).toMatchObject({ kind: 'rod-bent', severity: 2 });
    other.finding('rod-bent', 'lower-stack-rod', 'declined');
    expect(judgeJob(other.state, flute).suggestions).toEqual([]);
  });
  test('cured findings and struck ones speak no more', () => {
    const job = fluteJob();
    for (const part of ['f', 'e', 'd']) leaks(job, part, [90]);
    const last = job.entries.at(-1)?.id ?? '';
    job.write('strike', { entry: last });
    expect(causes(job)).toEqual([]);
  });
  test.each([
    ['hinge-loose', ['f-key', 'e-key', 'd-key'], 'rod-bent', 'lower-stack-rod'],
    ['post-leaning', ['upper-stack-rod-post-1', 'lower-stack-rod-post-2', 'trill-rod-post-3'], 'body-bent', 'body'],
    ['hole-oval', ['e', 'd'], 'dent', 'body'],
    ['pad-worn', ['a', 'b-flat', 'f', 'e', 'd'], 'pad-worn', 'instrument'],
    ['spring-weak', ['a-key', 'b-flat-key', 'f-key', 'e-key', 'd-key'], 'stuck-part', 'instrument'],
    ['lost-motion', ['f-key', 'e-key', 'd-key'], 'cork-worn', 'lower-stack-rod'],
    ['cork-worn', ['a-key', 'b-flat-key', 'f-key', 'e-key', 'd-key'], 'cork-worn', 'instrument'],
  ])('%s at %j speaks for %s at %s', (kind, parts, suspect, part) => {
    const job = fluteJob();
    for (const each of parts) job.finding(kind, each);
    expect(causes(job)).toMatchObject([{ kind: suspect, part }]);
  });
  test('every rule has a test above or is named here', () => {
    expect(causeRules.map(({ id }) => id)).toEqual([
      'posts-lean-together',
      'holes-beside-a-blow',
      'pads-open-one-side-on-a-rod',
      'pads-open-one-side-down-the-body',
      'rod-worn-along',
      'springs-rusted',
      'links-out',
      'pads-aged',
      'corks-aged',
    ]);
  });
  test('every kind of finding has its likely causes in words', () => {
    for (const kind of findingKinds) expect(likelyCauses[kind].length).toBeGreaterThan(20);
  });
});
