import { describe, expect, test } from '@jest/globals';
import { sax, TestJob, told } from '../../../tests/testJob';
import { padStandFacts } from '..';
import { judgeJob } from '../../judgement';

const stand = (part: string) => ({ group: 'pad', part, measure: 'stand', clock: 0 }) as const;
const stackOf = (hole: string) => {
  const stack = sax.pads.find((pad) => pad.hole === hole)?.stack;
  return sax.pads.filter((pad) => pad.stack === stack).map((pad) => pad.hole);
};
const said = (job: TestJob) =>
  judgeJob(job.state, sax).suggestions.map(({ kind, part, severity, cause, remedy }) => [
    kind,
    part,
    severity,
    told(cause),
    told(remedy),
  ]);

describe('how pads stand in their cups', () => {
  const [first = '', second = '', third = ''] = stackOf('e');
  test('one that stands out of its stack is named, high or low, with a cure for the pad and none for the cup', () => {
    const job = new TestJob();
    for (const part of [first, second]) job.read(stand(part), 1.1, 'caliper');
    expect(said(job)).toEqual([]);
    job.read(stand(third), 1.6, 'caliper');
    expect(said(job)).toEqual([
      ['pad-worn', third, 3, expect.stringMatching(/stand 0\.500 mm apart/), expect.stringMatching(/^A thinner pad/)],
    ]);
    expect(padStandFacts(job.state, sax, first)).toMatchObject([{ id: 'stand-spread', verdict: 'outside' }]);
    const low = new TestJob();
    for (const part of [first, second]) low.read(stand(part), 1.6, 'caliper');
    low.read(stand(third), 1.1, 'caliper');
    expect(said(low)).toMatchObject([
      ['pad-worn', third, 3, expect.anything(), expect.stringMatching(/^A thicker pad/)],
    ]);
  });
  test('a new pad is held against the one that was pulled', () => {
    const job = new TestJob();
    job.read(stand('e'), 1.1, 'caliper');
    job.done('renew-pads:instrument', { disturbs: ['pad:*'] });
    expect(padStandFacts(job.state, sax, 'e')).toEqual([]);
    job.read(stand('e'), 1.12, 'caliper');
    expect(padStandFacts(job.state, sax, 'e')).toMatchObject([{ id: 'stand-change', verdict: 'within' }]);
    expect(said(job)).toEqual([]);
    job.read(stand('e'), 2.4, 'caliper');
    expect(said(job)).toMatchObject([
      ['pad-worn', 'e', 3, expect.stringMatching(/0\.660 mm higher/), expect.anything()],
    ]);
  });
  test('opening height is another thing', () => {
    const job = new TestJob();
    for (const [part, value] of [
      [first, 5],
      [second, 9],
    ] as const)
      job.read({ group: 'pad', part, measure: 'height', clock: 0 }, value, 'caliper');
    expect([padStandFacts(job.state, sax, first), said(job)]).toEqual([[], []]);
  });
});
