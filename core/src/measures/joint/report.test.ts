import { describe, expect, test } from '@jest/globals';
import { sax, TestJob, told } from '../../../tests/testJob';
import { instrumentType, type InstrumentType } from '../../instruments';
import { partReport } from '..';

const part = 'neck-receiver';
const joint = sax.joints.find(({ id }) => id === part);
const depths = [0, (joint?.length ?? 0) / 2, joint?.length ?? 0];

interface Shape {
  /** clearance of the means at shoulder, middle and leading end, mm */
  gaps?: readonly [number, number, number];
  tenonOval?: number;
  receiverOval?: number;
  leak?: number;
  baseline?: number | null;
}
/** The neck's joint, read at three depths on two axes with a gauge that knows thousandths. */
function neck({ gaps = [0.012, 0.012, 0.012], tenonOval = 0, receiverOval = 0, leak, baseline = 1 }: Shape) {
  const job = new TestJob({ practice: 'steady' });
  depths.forEach((at, i) =>
    [0, 90].forEach((clock) => {
      const half = clock === 0 ? 0.5 : -0.5;
      job.read(
        { group: 'joint', part, measure: 'tenon', at, clock },
        24 - (gaps[i] ?? 0) + half * tenonOval,
        'micrometer',
      );
      job.read({ group: 'joint', part, measure: 'receiver', at, clock }, 24 + half * receiverOval, 'micrometer');
    }),
  );
  if (baseline !== null)
    job.read({ group: 'joint', part, measure: 'leak-baseline', clock: 0 }, baseline, 'leak-tester');
  if (leak !== undefined) job.read({ group: 'joint', part, measure: 'leak', clock: 0 }, leak, 'leak-tester');
  const report = partReport(job.state, sax, 'joint', part);
  if (!report) throw new Error('the neck has no report');
  return { ...report, words: told(report.says), kinds: report.findings.map(({ kind }) => kind) };
}

describe('a neck', () => {
  test('that is round and close fits', () => {
    expect(neck({})).toMatchObject({ state: 'within', words: 'It fits.', kinds: [] });
  });
  test('with an oval receiver does not, though its means agree: the receiver is trued first', () => {
    const egged = neck({ receiverOval: 0.06 });
    expect(egged).toMatchObject({ state: 'outside', kinds: ['receiver-oval', 'joint-tight'] });
    expect(egged.words).toMatch(/^True the receiver round over a plug first/);
    expect(egged.words).not.toMatch(/Expand at/);
    expect(egged.facts.find(({ id }) => id === 'widest-clearance')?.value).toBeCloseTo(0.042, 9);
  });
  test('with an oval tenon is brought round before anything else', () => {
    const oval = neck({ tenonOval: 0.06 });
    expect(oval.kinds).toEqual(['joint-loose', 'joint-tight']);
    expect(oval.words).toMatch(/Bring the tenon round\./);
    expect(oval.facts.find(({ id }) => id === 'tenon-ovality')?.verdict).toBe('outside');
  });
  test('loose at its end and tight at the shoulder is expanded at the end only', () => {
    const tapered = neck({ gaps: [-0.02, 0.03, 0.08] });
    expect(tapered.words).toMatch(/Expand at the leading end by/);
    expect(tapered.words).not.toMatch(/Expand at the shoulder/);
    expect(tapered.words).toMatch(/tight at the shoulder: shrink or lap it there, never expand it/);
    const loose = neck({ gaps: [0.05, 0.06, 0.07] });
    for (const zone of ['shoulder', 'middle', 'leading end']) expect(loose.words).toMatch(`Expand at the ${zone} by`);
  });
});

describe('a corked joint', () => {
  const clarinet = instrumentType('b-flat-clarinet') as InstrumentType;
  const corked = clarinet.joints.find(({ kind }) => kind === 'corked');
  const read = (clearance: number, tenonOval: number, receiverOval: number) => {
    const job = new TestJob({ instrumentType: clarinet.id, family: 'clarinet', practice: 'steady' });
    for (const at of [0, (corked?.length ?? 0) / 2, corked?.length ?? 0])
      for (const clock of [0, 90]) {
        const half = clock === 0 ? 0.5 : -0.5;
        const point = { group: 'joint', part: corked?.id ?? '', at, clock } as const;
        job.read({ ...point, measure: 'tenon' }, 22 - clearance + half * tenonOval, 'micrometer');
        job.read({ ...point, measure: 'receiver' }, 22 + half * receiverOval, 'micrometer');
      }
    const report = partReport(job.state, clarinet, 'joint', corked?.id ?? '');
    const fact = (id: string) => report?.facts.find((each) => each.id === id);
    return { kinds: report?.findings.map(({ kind }) => kind), fact };
  };
  test('is round enough when it stays between the limits of its own fit', () => {
    expect(read(0.12, 0.02, 0.02).kinds).toEqual([]);
    const { fact, kinds } = read(0.12, 0, 0.18);
    expect(fact('receiver-ovality')).toMatchObject({ verdict: 'outside' });
    expect(fact('receiver-ovality')?.limit?.upper).toBeCloseTo(0.15, 9);
    expect(kinds).toContain('receiver-oval');
  });
  test('rocks by its means: what the cork fills does not make it loose', () => {
    const { fact, kinds } = read(0.19, 0.06, 0.06);
    expect(fact('widest-clearance')?.value).toBeCloseTo(0.19, 9);
    expect(kinds).toEqual([]);
  });
});

describe('the leak leads', () => {
  test('a joint that holds air is not made to fit by figures', () => {
    const airtight = neck({ gaps: [0.05, 0.05, 0.05], leak: 4 });
    expect(airtight.kinds).toEqual([]);
    expect(airtight.words).toMatch(/It holds air by the tester: read the figures again/);
    // Without a baseline the tester proves nothing.
    expect(neck({ gaps: [0.05, 0.05, 0.05], leak: 4, baseline: null }).kinds).toEqual(['joint-loose']);
  });
  test.each([
    ['no baseline', { baseline: null }, /what does the tester lose by itself\? Take its baseline/, []],
    ['an oval receiver', { receiverOval: 0.06 }, /Then make both sides round/, ['receiver-oval', 'joint-tight']],
    ['a round fit', {}, /If the test holds, look for a gouge, a crack or a seam/, ['tenon-gouged']],
  ] as const)('with %s: the test first, then roundness, then the metal', (_, shape, words, kinds) => {
    const leaking = neck({ ...shape, leak: 200 });
    expect(leaking.words).toMatch(/leaks far more than its fit explains.*Suspect the test first/);
    expect(leaking.words).toMatch(words);
    expect(leaking.kinds).toEqual(kinds);
  });
  test('a leak that the fit explains is no riddle', () => {
    expect(neck({ gaps: [0.2, 0.2, 0.2], leak: 300 }).words).not.toMatch(/Suspect the test/);
  });
});

describe('a tester with a scale of its own', () => {
  const scale = (gap: number, shown: { leak: number; baseline?: number }) => {
    const job = new TestJob({ practice: 'steady' });
    for (const at of depths)
      for (const clock of [0, 90]) {
        job.read({ group: 'joint', part, measure: 'tenon', at, clock }, 24 - gap, 'micrometer');
        job.read({ group: 'joint', part, measure: 'receiver', at, clock }, 24, 'micrometer');
      }
    if (shown.baseline !== undefined)
      job.read({ group: 'joint', part, measure: 'leak-scale-baseline', clock: 0 }, shown.baseline, 'leak-scale');
    job.read({ group: 'joint', part, measure: 'leak-scale', clock: 0 }, shown.leak, 'leak-scale');
    const report = partReport(job.state, sax, 'joint', part);
    return {
      fact: report?.facts.find(({ id }) => id === 'leak'),
      words: told(report?.says),
      kinds: report?.findings.map(({ kind }) => kind),
    };
  };
  test('is compared with what it shows closed, in shares of the way to open', () => {
    const { fact, kinds } = scale(0.012, { leak: 4, baseline: 4 });
    expect(fact).toMatchObject({ unit: '%', verdict: 'within', limit: { upper: 3 } });
    expect(scale(0.012, { leak: 6, baseline: 4 }).fact?.value).toBeCloseTo(2, 9);
    expect(fact?.words).toMatch(/closed to its open mark, less the baseline/);
    expect(kinds).toEqual([]);
    expect(scale(0.012, { leak: 6 }).fact?.words).toMatch(/no baseline taken/);
  });
  test('leads like any other: a fit that should hold air and leaks is no matter of fit', () => {
    expect(scale(0.012, { leak: 40, baseline: 4 })).toMatchObject({
      kinds: ['tenon-gouged'],
      words: expect.stringMatching(/Suspect the test first/),
    });
    // A fit that cannot hold air explains it.
    expect(scale(0.2, { leak: 40, baseline: 4 }).words).not.toMatch(/Suspect the test/);
    expect(scale(0.05, { leak: 4, baseline: 4 }).words).toMatch(/It holds air by the tester/);
  });
  test('figures in mL/min come before it where both were read', () => {
    const job = new TestJob({ practice: 'steady' });
    job.read({ group: 'joint', part, measure: 'leak', clock: 0 }, 12, 'leak-tester');
    job.read({ group: 'joint', part, measure: 'leak-scale', clock: 0 }, 50, 'leak-scale');
    expect(partReport(job.state, sax, 'joint', part)?.facts.find(({ id }) => id === 'leak')).toMatchObject({
      unit: 'mL/min',
      value: 12,
    });
  });
});

test('what the passes have taught stays in reach while the joint waits to be read again', () => {
  const job = new TestJob();
  for (const at of depths)
    for (const clock of [0, 90]) job.read({ group: 'joint', part, measure: 'tenon', at, clock }, 23.9, 'micrometer');
  job.write('pass', { pass: 'expand', group: 'joint', part, disturbs: [`joint:${part}`] });
  const report = partReport(job.state, sax, 'joint', part);
  expect(report).toMatchObject({ state: 'stale', steps: { expand: { shoulder: null }, shrink: { leading: null } } });
});

test('how far a tenon is expanded beyond its size is the shop’s to say', () => {
  const expandedBy = (changes: object[]) => {
    const job = new TestJob({ practice: 'steady' });
    depths.forEach((at) =>
      [0, 90].forEach((clock) => {
        job.read({ group: 'joint', part, measure: 'tenon', at, clock }, 23.9, 'micrometer');
        job.read({ group: 'joint', part, measure: 'receiver', at, clock }, 24, 'micrometer');
      }),
    );
    if (changes.length > 0) job.write('tolerances', { profile: 'p', changes, reason: 'r' });
    const words = told(partReport(job.state, sax, 'joint', part)?.says);
    return Number(/Expand at the shoulder by ([\d.]+) mm/.exec(words)?.[1]);
  };
  const usual = expandedBy([]);
  const more = expandedBy([{ name: 'tenonOvershoot', limit: 0.05, reason: 'soft' }]);
  expect(more - usual).toBeCloseTo(0.03, 6);
});
