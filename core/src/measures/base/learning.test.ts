import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { sax, TestJob, told, uuid } from '../../../tests/testJob';
import { jobLessons } from '../../memory';
import { learn, shelfGauges } from '../../metrology';
import { holeOfNote } from '../../instruments/mechanism';
import { emptyJobState, foldEntries, misfits, type NewEntry } from '../../job';
import type { MeasuringPoint } from '../../readings';
import { pointsOfPart, partReport } from '../reports';
import { airWarnings } from './airWarnings';
import { learnedReturn, learnedSteps, straightenPasses } from './passHistory';
import { padReport, padPoint } from '../pad/report';
import { deciderWords, whatDecides } from './whatDecides';
import { judgeFigure } from './partReport';

const cosine = (degrees: number) => Math.cos((degrees * Math.PI) / 180);
/** Reads a body bent at 280 mm toward 40° by so many degrees. */
function readBend(job: TestJob, degrees: number): void {
  for (const { point } of pointsOfPart(job.state, sax, 'body-line', 'body')) {
    if (point.measure !== 'deviation') continue;
    const off = Math.max(0, (point.at ?? 0) - 280) * Math.tan((degrees * Math.PI) / 180);
    job.read(point, off * cosine(point.clock - 40), 'dial-indicator');
  }
}
const straighten = (job: TestJob, amount: number) =>
  job.write('pass', {
    pass: 'straighten',
    group: 'body-line',
    part: 'body',
    amount,
    disturbs: ['body-line:body', 'rim:*'],
  });

describe('what a job teaches about its own metal', () => {
  test('each pass says how much sprang back; the middle of them goes into the next correction', () => {
    const job = new TestJob();
    readBend(job, 1);
    expect(learnedReturn(straightenPasses(job.state, 'body'))).toBeNull();
    const plain = partReport(job.state, sax, 'body-line', 'body')?.line?.correction?.setDegrees ?? NaN;
    expect(plain).toBeCloseTo(1, 2);
    straighten(job, 0.8);
    expect(partReport(job.state, sax, 'body-line', 'body')?.state).toBe('stale');
    readBend(job, 0.4);
    expect(straightenPasses(job.state, 'body')).toMatchObject([{ set: 0.8 }]);
    expect(learnedReturn(straightenPasses(job.state, 'body'))).toMatchObject({ seen: 1, spread: null });
    expect(learnedReturn(straightenPasses(job.state, 'body'))?.value).toBeCloseTo(0.25, 2);
    const report = partReport(job.state, sax, 'body-line', 'body');
    expect(report?.line?.correction?.setDegrees).toBeCloseTo(0.4 / 0.75, 2);
    expect(told(report?.says)).toMatch(/25 % sprang back \(1 pass\)/);
  });
  test('going past straight counts as what it is, and one odd pass does not spoil the rest', () => {
    const job = new TestJob();
    readBend(job, 1);
    for (const [set, left] of [
      [0.5, 0.62],
      [0.4, 0.31],
      [0.4, 0.29],
      [0.5, -0.09],
    ] as const) {
      straighten(job, set);
      readBend(job, left);
    }
    expect(straightenPasses(job.state, 'body').at(-1)?.after).toBeLessThan(0);
    expect(learnedReturn(straightenPasses(job.state, 'body'))?.value).toBeCloseTo(0.24, 1);
    expect(learnedReturn(straightenPasses(job.state, 'body'))?.seen).toBe(4);
  });
  test('a pass that was not measured after teaches nothing; a struck one is forgotten and nothing is stale', () => {
    const job = new TestJob();
    readBend(job, 1);
    const pass = straighten(job, 0.5);
    expect(learnedReturn(straightenPasses(job.state, 'body'))).toBeNull();
    job.write('strike', { entry: pass });
    expect(job.state.passes).toEqual([]);
    expect(partReport(job.state, sax, 'body-line', 'body')?.state).toBe('outside');
  });
  test('passes fold the same however the logbook is cut', () => {
    const job = new TestJob();
    readBend(job, 1);
    straighten(job, 0.5);
    readBend(job, 0.6);
    const whole = job.state;
    fc.assert(
      fc.property(fc.integer({ min: 1, max: job.entries.length - 1 }), (cut) => {
        const parts = foldEntries(foldEntries(emptyJobState, job.entries.slice(0, cut)), job.entries.slice(cut));
        expect(parts.passes).toEqual(whole.passes);
        expect(straightenPasses(parts, 'body')).toEqual(straightenPasses(whole, 'body'));
      }),
      { numRuns: 20 },
    );
  });
  test('one pass of the expander grows each third by its own', () => {
    const job = new TestJob();
    const tenon = (shoulder: number, middle: number, leading: number) => {
      for (const { point } of pointsOfPart(job.state, sax, 'joint', 'neck-receiver')) {
        if (point.measure === 'receiver') job.read(point, 24.47, 'bore-gauge');
        if (point.measure !== 'tenon') continue;
        job.read(point, point.at === 0 ? shoulder : point.at === 12 ? middle : leading, 'micrometer');
      }
    };
    const pass = () =>
      job.write('pass', { pass: 'expand', group: 'joint', part: 'neck-receiver', disturbs: ['joint:neck-receiver'] });
    tenon(24.4, 24.38, 24.35);
    pass();
    tenon(24.41, 24.4, 24.38);
    pass();
    tenon(24.422, 24.418, 24.405);
    const steps = learnedSteps(job.state, 'neck-receiver', 'expand');
    expect(steps.shoulder?.value).toBeCloseTo(0.011, 6);
    expect(steps.middle?.value).toBeCloseTo(0.019, 6);
    expect(steps.leading?.value).toBeCloseTo(0.0275, 6);
    expect(steps.leading?.spread).toBeCloseTo(1.4826 * 0.0025, 6);
    expect(learnedSteps(job.state, 'neck-receiver', 'shrink').middle).toBeNull();
    expect(told(partReport(job.state, sax, 'joint', 'neck-receiver')?.says)).toMatch(
      /passes of 0.0\d+ ± 0.0\d+ mm as seen here/,
    );
  });
  test('clicks of the tool, once they are written down, teach what one click does', () => {
    const job = new TestJob();
    const read = (tenon: number) => {
      for (const { point } of pointsOfPart(job.state, sax, 'joint', 'neck-receiver'))
        if (point.measure === 'tenon' || point.measure === 'receiver')
          job.read(point, point.measure === 'receiver' ? 24.47 : tenon, 'micrometer');
    };
    const pass = (amount?: number) =>
      job.write('pass', {
        pass: 'expand',
        group: 'joint',
        part: 'neck-receiver',
        disturbs: ['joint:neck-receiver'],
        ...(amount !== undefined && { amount }),
      });
    read(24.38);
    // A pass of which nobody counted the clicks teaches nothing about a click.
    pass();
    read(24.39);
    expect(learnedSteps(job.state, 'neck-receiver', 'expand')).toMatchObject({ per: 'pass' });
    pass(4);
    read(24.41);
    const steps = learnedSteps(job.state, 'neck-receiver', 'expand');
    expect(steps.per).toBe('click');
    for (const zone of ['shoulder', 'middle', 'leading'] as const) expect(steps[zone]?.value).toBeCloseTo(0.005, 9);
    // 0.06 to 0.05 below the receiver: to the middle of the limits and the overshoot, in clicks of five thousandths.
    expect(told(partReport(job.state, sax, 'joint', 'neck-receiver')?.says)).toMatch(/\(\d+ clicks of 0\.005/);
  });
  test('a pass that is doubted teaches nothing until it is taken up again; what is learned is told with its spread and since when', () => {
    const job = new TestJob();
    readBend(job, 1);
    const lessons = () => jobLessons(job.state, sax).map(({ what, seen }) => [told(what), seen]);
    expect(lessons()).toEqual([]);
    straighten(job, 0.8);
    job.minute = 60;
    readBend(job, 0.4);
    const second = straighten(job, 0.4);
    readBend(job, 0.39);
    expect(lessons()).toEqual([[expect.stringMatching(/^Of a bend 6\d % ± 5\d % springs back$/), 2]]);
    expect(jobLessons(job.state, sax)[0]).toMatchObject({
      group: 'body-line',
      part: 'body',
      place: 'Body',
      since: '2026-11-23T09:00:00.000Z',
    });
    const doubt = (aside: boolean) => job.write('pass-aside', { pass: second, aside, reason: 'the body slipped' });
    doubt(true);
    expect(straightenPasses(job.state, 'body').map(({ aside }) => aside)).toEqual([null, 'the body slipped']);
    expect(lessons()).toEqual([['Of a bend 25 % springs back', 1]]);
    expect(partReport(job.state, sax, 'body-line', 'body')?.line?.correction?.setDegrees).toBeCloseTo(0.39 / 0.75, 2);
    doubt(false);
    expect(lessons()[0]?.[1]).toBe(2);
    const strange = { kind: 'pass-aside', body: { pass: uuid(4), aside: true, reason: 'x' } } as unknown as NewEntry;
    expect(misfits(job.state, strange).map(({ path }) => path)).toEqual(['/body/pass']);
  });
  test('clicks and cuts are told too, each where it was learned', () => {
    const job = new TestJob();
    const tenon = (value: number) => {
      for (const { point } of pointsOfPart(job.state, sax, 'joint', 'neck-receiver')) {
        if (point.measure === 'receiver') job.read(point, 24.47, 'bore-gauge');
        if (point.measure === 'tenon') job.read(point, value, 'micrometer');
      }
    };
    const expand = (amount: number) =>
      job.write('pass', {
        pass: 'expand',
        group: 'joint',
        part: 'neck-receiver',
        amount,
        disturbs: ['joint:neck-receiver'],
      });
    tenon(24.38);
    expand(4);
    tenon(24.4);
    const slip = expand(1);
    tenon(24.43);
    const [first] = jobLessons(job.state, sax);
    expect(told(first?.what)).toBe('One click of the expander does 0.018 ± 0.019 mm at the shoulder');
    job.write('pass-aside', { pass: slip, aside: true, reason: 'two clicks, not one' });
    expect(jobLessons(job.state, sax).map(({ what, seen }) => [told(what), seen])).toEqual(
      ['shoulder', 'middle', 'leading end'].map((zone) => [
        `One click of the expander does 0.005 mm at the ${zone}`,
        1,
      ]),
    );
    // A cut teaches how far the notes of its hole move.
    const [note, hole] = [...holeOfNote(sax)].find(([, each]) => each === 'e') ?? [];
    const cents = (value: number) =>
      job.read({ group: 'pitch', part: note ?? '', measure: 'cents', clock: 0 }, value, 'pitch-meter');
    cents(-20);
    job.write('pass', { pass: 'cut', group: 'hole', part: hole, amount: 0.2, disturbs: [`pitch:${note}`] });
    cents(-11);
    expect(told(jobLessons(job.state, sax).at(-1)?.what)).toBe(
      '0.10 mm more or less on its diameter moves its notes by 4.5 ¢',
    );
  });
  test('the middle of no figures is none', () => {
    expect(learn([])).toBeNull();
    expect(learn([1, 2, 100])?.value).toBe(2);
  });
});

describe('wood and the air of the room', () => {
  const job = new TestJob();
  const point: MeasuringPoint = padPoint('e', 0);
  const readings = () => job.state.points.get('pad:e:gap@0')?.readings ?? [];
  test('readings in one air, or without a note of it, are compared without a word', () => {
    job.read(point, 0.01);
    job.read(point, 0.01, 'feeler-fine', { humidity: 45, temperature: 20 });
    job.read(point, 0.01, 'feeler-fine', { humidity: 52, temperature: 21 });
    expect(airWarnings(readings())).toEqual([]);
  });
  test('ten per cent apart is said, and a cold instrument too', () => {
    job.read(point, 0.01, 'feeler-fine', { humidity: 60, temperature: 11 });
    expect(airWarnings(readings()).join(' ')).toMatch(/45 to 60 % humidity.*11 to 21 °C/);
  });
});

describe('limits a shop sets itself', () => {
  test('judge anew what was read, and rewrite nothing', () => {
    const job = new TestJob();
    job.pad('e', [0.04, 0.04, 0.04, 0.04, 0.04, 0.04, 0.04, 0.04]);
    expect(padReport(job.state, sax, 'e')?.state).toBe('outside');
    const before = job.state.points;
    job.write('tolerances', {
      profile: 'Marching',
      changes: [{ name: 'padGap', limit: 0.06, reason: 'soft felts all round' }],
      reason: 'field use',
    });
    expect(padReport(job.state, sax, 'e')).toMatchObject({ limit: 0.06, state: 'within' });
    expect(job.state.points).toEqual(before);
    expect(job.state.decisions.at(-1)?.kind).toBe('tolerances');
  });
});

describe('what would decide', () => {
  const film = { measure: 'gap', gauge: { resolution: 0.01, maxPermissibleError: 0.004 } } as const;
  test('names the coarsest gauge that would do', () => {
    const decided = whatDecides({ value: 0.023, limit: { upper: 0.03 }, sources: [film] }, shelfGauges);
    expect(decided).toEqual({ moreReadings: null, gauges: ['Fine feeler strips'] });
    expect(deciderWords(decided)).toBe('Too near the limit for this gauge: the Fine feeler strips would decide it.');
  });
  test('offers more readings where they would do', () => {
    const { moreReadings } = whatDecides(
      { value: 0.02, limit: { upper: 0.03 }, sources: [film] },
      [],
      [0.01, 0.03, 0.02],
    );
    expect(moreReadings).toBeGreaterThan(0);
  });
  test('says so when nothing on the shelf would do', () => {
    const none = whatDecides({ value: 0.03, limit: { upper: 0.03 }, sources: [film] }, shelfGauges);
    expect(none.gauges).toBeNull();
    expect(deciderWords(none)).toMatch(/borrow a finer one/);
    expect(whatDecides({ value: 1, limit: null, sources: [] }, shelfGauges)).toEqual({
      moreReadings: null,
      gauges: null,
    });
  });
  test('a figure of several places names a gauge for each measure', () => {
    const caliper = { resolution: 0.01, maxPermissibleError: 0.02 };
    const sources = [
      { measure: 'tube-inner' as const, gauge: caliper },
      { measure: 'rod' as const, gauge: caliper },
    ];
    const { gauges } = whatDecides({ value: 0.02, limit: { lower: 0.01, upper: 0.03 }, sources }, shelfGauges);
    expect(gauges?.length).toBeGreaterThan(0);
    expect(judgeFigure('x', 'X', 'mm', 1, [], { upper: 2 }).sources).toEqual([]);
  });
});
