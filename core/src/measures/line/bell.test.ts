import { describe, expect, test } from '@jest/globals';
import { sax, TestJob, told } from '../../../tests/testJob';
import { referenceKey, referenceKeys, witnessMarks } from '..';
import { boreAt, shippedTypes } from '../../instruments';
import { partReport, turnPasses } from '..';

/** The gaps under the reference key of a bell, by the side they are read at. */
function bell(gaps: Partial<Record<0 | 90 | 180 | 270, number>>) {
  const job = new TestJob();
  for (const [clock, gap] of Object.entries(gaps))
    job.read({ group: 'body-line', part: 'bell', measure: 'key-gap', clock: Number(clock) }, gap, 'feeler-fine');
  const report = partReport(job.state, sax, 'body-line', 'bell');
  return { report, words: told(report?.says) };
}

/** Reads the first witness mark of the bell. */
function mark(job: TestJob, gap: number) {
  const [first] = witnessMarks(sax, 'bell');
  job.read(
    { group: 'body-line', part: 'bell', measure: 'mark-gap', at: first?.at ?? 0, clock: first?.clock ?? 0 },
    gap,
    'feeler-fine',
  );
}

describe('pushes that turn a bell', () => {
  test('are logged with what each left: past, back, and what came back by itself', () => {
    const job = new TestJob();
    const key = (front: number, back: number) => {
      for (const [clock, gap] of [
        [0, front],
        [180, back],
      ] as const)
        job.read({ group: 'body-line', part: 'bell', measure: 'key-gap', clock }, gap, 'feeler-fine');
    };
    const push = (amount: number) =>
      job.write('pass', { pass: 'turn-bell', group: 'body-line', part: 'bell', amount, disturbs: ['body-line:bell'] });
    mark(job, 1);
    key(0.6, 0.1);
    const turned = turnPasses(job.state, sax, 'bell');
    expect(turned).toEqual([]);
    push(1.5);
    mark(job, -0.2);
    push(0.4);
    key(0.2, 0.2);
    const report = partReport(job.state, sax, 'body-line', 'bell');
    const [past, back] = report?.turns ?? [];
    const [first] = witnessMarks(sax, 'bell');
    const bellTube = sax.sections.find(({ id }) => id === 'bell');
    const radius = bellTube ? boreAt(bellTube, first?.at ?? 0) / 2 + bellTube.wall : NaN;
    const degrees = (mm: number) => (mm / radius) * (180 / Math.PI);
    expect(past?.before).toBeCloseTo(degrees(1), 9);
    expect(past?.after).toBeCloseTo(degrees(-0.2), 9);
    expect(past?.returned).toBeCloseTo(1 - degrees(1.2) / 1.5, 9);
    expect([past?.set, past?.keyBefore, past?.keyAfter]).toEqual([1.5, 0.5, null]);
    expect([back?.set, back?.after, back?.returned, back?.keyAfter]).toEqual([0.4, null, null, 0]);
  });
});

describe('what the reference key says of its bell', () => {
  test('front against back is the turn', () => {
    const { report, words } = bell({ 0: 0.5, 180: 0, 90: 0.2, 270: 0.2 });
    expect(words).toMatch(/open by 0\.500 mm more at the front: the bell is turned\. Turn past, let it return/);
    expect(words).not.toMatch(/the key or its post/);
    expect(report?.facts.map(({ id, verdict }) => [id, verdict])).toEqual([
      ['key-along', 'outside'],
      ['key-across', 'within'],
    ]);
  });
  test('left against right is the key or its post', () => {
    const { words } = bell({ 0: 0.2, 180: 0.2, 90: 0, 270: 0.5 });
    expect(words).toMatch(/open by 0\.500 mm more on the left: that is the key or its post, not the bell/);
    expect(words).not.toMatch(/bell is turned/);
  });
  test('with no marks read, the turn it shows is a finding; with marks that meet it is not', () => {
    const { report } = bell({ 0: 0.5, 180: 0 });
    expect(report?.findings.map(({ kind, severity }) => [kind, severity])).toEqual([
      ['bell-turned', expect.any(Number)],
    ]);
    expect(told(report?.findings[0]?.remedy)).toMatch(/past, let it return, go back less/);
    expect(bell({ 90: 0.5, 270: 0 }).report?.findings).toEqual([]);
    const job = new TestJob();
    for (const [clock, gap] of [
      [0, 0.5],
      [180, 0],
    ] as const)
      job.read({ group: 'body-line', part: 'bell', measure: 'key-gap', clock }, gap, 'feeler-fine');
    mark(job, 0);
    expect(partReport(job.state, sax, 'body-line', 'bell')?.findings).toEqual([]);
  });
  test('any sound key can be chosen; the one read last is the gauge', () => {
    const [largest, other] = referenceKeys(sax, 'bell');
    expect(referenceKey(sax, 'bell')).toEqual(largest);
    expect(referenceKey(sax, 'bell', other?.at)).toEqual(other);
    expect([referenceKey(sax, 'bell', 1), referenceKey(sax, 'body'), referenceKeys(sax, 'body')]).toEqual([
      null,
      null,
      [],
    ]);
    const job = new TestJob();
    const read = (at: number | undefined, clock: number, gap: number) =>
      job.read(
        { group: 'body-line', part: 'bell', measure: 'key-gap', clock, ...(at !== undefined && { at }) },
        gap,
        'feeler-fine',
      );
    const words = () => told(partReport(job.state, sax, 'body-line', 'bell')?.says);
    read(undefined, 0, 0.5);
    read(undefined, 180, 0);
    expect(words()).toMatch(`The reference key of ${largest?.name} is open by 0.500 mm`);
    read(other?.at, 0, 0.3);
    read(other?.at, 180, 0);
    expect(words()).toMatch(`The reference key of ${other?.name} is open by 0.300 mm`);
    expect(words()).not.toMatch(`key of ${largest?.name} `);
  });
  test('even all round says neither', () => {
    const { report, words } = bell({ 0: 0.2, 180: 0.2, 90: 0.2, 270: 0.2 });
    expect([report?.state, words]).toEqual(['within', 'Within.']);
  });
});

test.each(
  shippedTypes
    .filter(({ sections }) => sections.some(({ id }) => id === 'bell'))
    .map((type) => [type.id, type] as const),
)('the large keys of a %s bell hinge on what does not turn with it', (_, type) => {
  if (type.family !== 'saxophone') return;
  const rod = type.rods.find(({ id }) => id === 'bell-key-rod');
  expect(rod?.section).toBe('body');
  for (const post of type.posts.filter((each) => each.rod === rod?.id)) expect(post.section).toBe('body');
});
