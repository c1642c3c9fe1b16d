import { describe, expect, test } from '@jest/globals';
import { sax, TestJob, told } from '../../../tests/testJob';
import { measuringPoints } from '..';
import { changeType, sharesSpan, spanOf, spansOf, tubesOf, type InstrumentType } from '../../instruments';
import { partReport } from '..';

const hinge = (part: string, measure: 'tube-outer' | 'tube-inner' | 'tube-length' | 'rod' | 'post-gap') =>
  ({ group: 'hinge', part, measure, clock: 0 }) as const;
/** E and F of the lower stack stand between the same two posts. */
const shared = spanOf(sax, 'e-key');
if (!shared) throw new Error('the key has no span');
const readTube = (job: TestJob, part: string, length: number, inner = 3.02) => {
  job.read(hinge(part, 'tube-outer'), 5, 'micrometer');
  job.read(hinge(part, 'tube-inner'), inner, 'pin-gauges');
  job.read(hinge(part, 'tube-length'), length, 'micrometer');
  job.read(hinge(part, 'rod'), 3, 'micrometer');
};
const readGap = (job: TestJob, gap: number) =>
  job.read({ group: 'post', part: shared.lower.id, measure: 'post-gap', clock: 0 }, gap, 'micrometer');

describe('keys that share the room between two posts', () => {
  test('are asked for no gap of their own', () => {
    expect(tubesOf(shared).map(({ id }) => id)).toEqual(expect.arrayContaining(['e-key', 'f-key']));
    const asked = measuringPoints(sax).filter(({ group, measure }) => group === 'hinge' && measure === 'post-gap');
    expect(asked.map(({ part }) => part).filter((part) => sharesSpan(sax, part))).toEqual([]);
    expect(asked.map(({ part }) => part)).toContain('d-key');
    expect([spanOf(sax, 'no-such-key'), spansOf(sax, 'no-such-rod'), sharesSpan(sax, 'no-such-key')]).toEqual([
      null,
      [],
      false,
    ]);
  });
  test('before all is read a tube is judged on its rod, and told where its end play belongs', () => {
    const job = new TestJob();
    readTube(job, 'e-key', 30);
    const report = partReport(job.state, sax, 'hinge', 'e-key');
    expect(report?.facts.map(({ id }) => id)).toEqual(['clearance', 'rock', 'pad-wander']);
    expect(told(report?.missing)).toMatch(/^End play belongs to the span it shares with F key: read their tubes/);
    expect(report?.findings).toEqual([]);
  });
  test('nobody is told to make a tube as long as the span', () => {
    const job = new TestJob();
    readTube(job, 'e-key', 30);
    readTube(job, 'f-key', 36);
    readGap(job, 66.06);
    const report = partReport(job.state, sax, 'hinge', 'e-key');
    expect(report?.facts.find(({ id }) => id === 'room-left')).toMatchObject({ verdict: 'within' });
    expect(report?.state).toBe('within');
    readGap(job, 66.3);
    const loose = new TestJob();
    readTube(loose, 'e-key', 30);
    readTube(loose, 'f-key', 36);
    readGap(loose, 66.3);
    const said = partReport(loose.state, sax, 'hinge', 'e-key');
    expect(said?.findings).toMatchObject([{ kind: 'end-play' }]);
    expect(told(said?.findings[0]?.cause)).toMatch(/span is loose: 0\.300 mm left for all its tubes together/);
    // Each tube makes up its share of what is too much.
    const lengthen = Number(/Swage it ([\d.]+) mm longer/.exec(told(said?.says))?.[1]);
    expect(lengthen).toBeGreaterThan(0.1);
    expect(lengthen).toBeLessThan(0.25);
  });
});

describe('a tube that runs on another', () => {
  const nested: InstrumentType = changeType(sax, {
    put: { keys: sax.keys.filter(({ id }) => id === 'f-key').map((key) => ({ ...key, nestsIn: 'e-key' })) },
  });
  test('is fitted to the outside of the inner one as it is now', () => {
    const job = new TestJob();
    readTube(job, 'e-key', 30, 4.42);
    job.read(hinge('e-key', 'post-gap'), 30.02, 'micrometer');
    expect(told(partReport(job.state, nested, 'hinge', 'e-key')?.missing)).toMatch(
      /outside of F key, which runs inside it/,
    );
    job.read(hinge('f-key', 'tube-outer'), 4.4, 'micrometer');
    const fit = partReport(job.state, nested, 'hinge', 'e-key')?.facts.find(({ id }) => id === 'clearance');
    expect(fit).toMatchObject({ words: 'Clearance on F key', value: expect.closeTo(0.02, 9) });
    job.read(hinge('f-key', 'tube-outer'), 4.34, 'micrometer');
    const now = partReport(job.state, nested, 'hinge', 'e-key')?.facts.find(({ id }) => id === 'clearance');
    expect(now?.value).toBeCloseTo(0.05, 9);
    expect(sharesSpan(nested, 'e-key')).toBe(false);
  });
});
