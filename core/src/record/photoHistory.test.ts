import { describe, expect, test } from '@jest/globals';
import { sax, TestJob } from '../../tests/testJob';
import { jobRecord, mostPhotoPairs, photoPairs } from '.';

const uuid = (n: number) => `00000000-0000-4000-8000-0000000a${String(n).padStart(4, '0')}`;
let taken = 0;
const photograph = (job: TestJob, more: object) => {
  taken += 1;
  job.minute += 1;
  const photo = uuid(taken);
  job.write('photo', { photo, width: 800, height: 600, ...more });
  return photo;
};

describe('photographs in pairs', () => {
  test('of a finding, of a part, and of the whole by its words: the first and the last of each', () => {
    const job = new TestJob();
    const dent = job.finding('dent', 'bell');
    const [front] = [photograph(job, { caption: 'Front' })];
    const bell = photograph(job, { part: 'bell' });
    const before = photograph(job, { part: 'bell', finding: dent });
    photograph(job, { part: 'bell', finding: dent, caption: 'half way' });
    const after = photograph(job, { part: 'bell', finding: dent });
    const home = photograph(job, { caption: ' front ' });
    const pairs = photoPairs(job.state).map(({ part, finding, first, last }) => [
      part,
      finding,
      first.photo,
      last?.photo,
    ]);
    expect(pairs).toEqual([
      [null, null, front, home],
      ['bell', dent, before, after],
      // What was photographed only once comes after the pairs.
      ['bell', null, bell, undefined],
    ]);
  });
  test('stand in the record with the name of what they show', () => {
    const job = new TestJob();
    const dent = job.finding('dent', 'bell');
    const photo = photograph(job, { part: 'bell', finding: dent });
    photograph(job, { part: 'e' });
    photograph(job, {});
    expect(jobRecord(job.state, sax, job.now)?.photos.map(({ title, first }) => [title, first.photo])).toEqual([
      ['Dent, Bell', photo],
      ['E', expect.any(String)],
      ['The whole instrument', expect.any(String)],
    ]);
  });
  test('are bounded: pairs first', () => {
    const job = new TestJob();
    for (let i = 0; i < mostPhotoPairs + 3; i += 1) photograph(job, { caption: `view ${i}` });
    photograph(job, { caption: `view ${mostPhotoPairs + 2}` });
    const pairs = photoPairs(job.state);
    expect(pairs).toHaveLength(mostPhotoPairs);
    expect(pairs[0]?.first.caption).toBe(`view ${mostPhotoPairs + 2}`);
    expect(pairs.filter(({ last }) => last !== null)).toHaveLength(1);
  });
});
