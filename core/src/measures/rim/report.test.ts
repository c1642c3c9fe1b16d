import { expect, test } from '@jest/globals';
import { sax, TestJob } from '../../../tests/testJob';
import { diameterClocks, diameterPoint, heightPoint, rimClocks, rimReport } from './report';
import { suggestFromRim } from './suggest';

const low = [0, -0.06, 0, -0.06, 0, -0.06, 0, -0.06];
const method = (job: TestJob) => rimReport(job.state, sax, 'g')?.rim?.levelling.method;

test('how much may come off a rim is the shop’s to say', () => {
  const job = new TestJob();
  job.rim('g', low);
  expect(method(job)).toBe('dress');
  job.write('tolerances', { profile: 'p', changes: [{ name: 'rimRemoval', limit: 0.03, reason: 'r' }], reason: 'r' });
  expect(method(job)).toBe('raise-then-dress');
  const report = rimReport(job.state, sax, 'g');
  expect(report && suggestFromRim(report).map(({ kind }) => kind)).toEqual(['rim-warped']);
});
test('a hole the instrument does not have has no rim', () =>
  expect(rimReport(new TestJob().state, sax, 'nowhere')).toBeNull());
test('five heights are too few to be judged, six are enough', () => {
  const readAt = (many: number) => {
    const job = new TestJob();
    for (const [i, clock] of rimClocks.slice(0, many).entries())
      job.read(heightPoint('g', clock), low[i] ?? 0, 'dial-indicator');
    return rimReport(job.state, sax, 'g');
  };
  expect([readAt(5)?.rim, readAt(5)?.state]).toEqual([null, 'unmeasured']);
  expect(readAt(6)?.rim).not.toBeNull();
});
test('an oval hole shows in three diameters, not in two', () => {
  const readAcross = (many: number) => {
    const job = new TestJob();
    job.rim('g', [0, 0, 0, 0, 0, 0, 0, 0]);
    for (const [i, clock] of diameterClocks.slice(0, many).entries())
      job.read(diameterPoint('g', clock), [23.4, 23.1, 23.4][i] ?? 0, 'caliper');
    return rimReport(job.state, sax, 'g');
  };
  expect([readAcross(2)?.rim?.verdicts.ovality, readAcross(2)?.state]).toEqual([undefined, 'within']);
  expect([readAcross(3)?.rim?.verdicts.ovality, readAcross(3)?.state]).toEqual(['outside', 'outside']);
});
