import { describe, expect, test } from '@jest/globals';
import { sax, told } from '../../tests/testJob';
import { foldJob, type Entry, type JobState } from '../job';
import type { MeasuringPoint } from '../readings';
import { measuringPoints } from '../measures';
import { applyOptions, instrumentType, type InstrumentType } from '../instruments';
import { factOf, partReport, pointOf, rimReport, rodStack, type PartReport } from '../measures';
import { gaugeOfReading, gaugeStandardUncertainty, shelfGauges, usualGauge, type ShelfGauge } from '../metrology';
import { solveRim } from '../rims';
import { measureGroups, type MeasureGroup } from '../vocabulary';
import { chanceFrom, gaugeShows, hiddenInstrument, soundInstrument, trueFigure, type TrueInstrument } from '.';

const seeds = Array.from({ length: 100 }, (_, seed) => seed + 1);
const clarinet = applyOptions(instrumentType('b-flat-clarinet') as InstrumentType, []);
const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;

/** What a technician's logbook holds after reading every point of some parts with the usual gauges. */
function readParts(
  type: InstrumentType,
  truth: TrueInstrument,
  seed: number,
  groups: readonly (readonly [MeasureGroup, string])[],
): JobState {
  const chance = chanceFrom(seed * 7 + 1);
  const at = '2026-11-23T09:00:00.000Z';
  const envelope = { author: 'Juno Tam', benchTime: at, receivedAt: at };
  const intake = {
    ticket: 'T-1',
    owner: 'The band',
    instrumentType: type.id,
    family: type.family,
    practice: 'stage',
    scope: 'repair',
    unit: 'mm',
  };
  const entries: object[] = [{ ...envelope, id: uuid(1), seq: 1, kind: 'intake', body: intake }];
  const points: MeasuringPoint[] = measuringPoints(type)
    .filter(({ group, part }) => groups.some(([g, p]) => g === group && p === part))
    .map(pointOf);
  for (const point of points) {
    const value = trueFigure(type, truth, point, chance);
    const gauge = shelfGauges.find(({ id }) => id === usualGauge[point.measure]) as ShelfGauge;
    if (value === null) continue;
    const seq = entries.length + 1;
    const shown = gaugeShows(value, gauge, chance);
    const body = { point, value: shown, typed: String(shown), gauge: gaugeOfReading(gauge) };
    entries.push({ ...envelope, id: uuid(seq), seq, kind: 'reading', body });
  }
  return foldJob(entries as Entry[]);
}
const found = (
  type: InstrumentType,
  truth: TrueInstrument,
  seed: number,
  group: MeasureGroup,
  part: string,
): PartReport => {
  const report = partReport(readParts(type, truth, seed, [[group, part]]), type, group, part);
  if (!report) throw new Error(`no report of ${group} at ${part}`);
  return report;
};
const fact = (report: PartReport, id: string) => {
  const is = factOf(report.facts, id);
  if (!is) throw new Error(`${report.part} says nothing of ${id}`);
  return is;
};
const sound = (seed: number, type = sax) => soundInstrument(type, chanceFrom(seed), chanceFrom(seed + 5000));
const apart = (a: number, b: number) => Math.min(Math.abs(a - b) % 360, 360 - (Math.abs(a - b) % 360));

describe('what is hidden in an instrument is found by reading it, for a hundred seeds', () => {
  test('a bend: where, toward what, by how much', () => {
    for (const seed of seeds) {
      const truth = sound(seed);
      const bend = { at: 180 + (seed % 5) * 35, clock: (seed * 47) % 360, degrees: 0.3 + (seed % 7) / 20 };
      Object.assign(truth.tubes.get('body') ?? {}, { bend });
      const report = found(sax, truth, seed, 'body-line', 'body');
      const line = report.line?.bend;
      expect(report.findings.map(({ kind }) => kind)).toEqual(['body-bent']);
      expect(Math.abs((line?.at ?? NaN) - bend.at)).toBeLessThan(18);
      expect(apart(line?.towardClock ?? NaN, bend.clock)).toBeLessThan(5);
      // Sighted along an edge to a twentieth of a millimetre, and no finer.
      expect(Math.abs((line?.angleDegrees ?? NaN) - bend.degrees)).toBeLessThan(0.05);
    }
  });
  test('a dent in the bore: where, and how deep within the doubt of the gauge', () => {
    for (const seed of seeds) {
      const truth = sound(seed);
      const bore = sax.sections.find(({ id }) => id === 'bell')?.bore ?? [];
      const at = bore[1 + (seed % (bore.length - 2))]?.at ?? 0;
      const depth = 0.5 + (seed % 6) / 10;
      const dent = { at, clock: 0, depth, halfWidth: 12 };
      Object.assign(truth.tubes.get('bell') ?? {}, { dents: [dent] });
      const report = found(sax, truth, seed, 'bore', 'bell');
      expect(report.findings.map(({ kind }) => kind)).toEqual(['dent']);
      expect(report.bore?.features.some(({ from, to }) => from <= at && at <= to)).toBe(true);
      // Across the dent it is narrow by its depth, at right angles not at all: half of it in the mean.
      const deviation = fact(report, 'bore-deviation');
      expect(Math.abs(deviation.value + depth / 2)).toBeLessThan(2 * (deviation.uncertainty ?? 0));
      const oval = fact(report, 'bore-ovality');
      expect(Math.abs(oval.value - depth)).toBeLessThan(2.5 * (oval.uncertainty ?? 0));
    }
  });
  test('an oval hole: by how much, and which way it is long', () => {
    for (const seed of seeds) {
      const truth = sound(seed);
      const saddle = 0.1 + (seed % 5) / 50;
      const saddleClock = (seed * 31) % 180;
      Object.assign(truth.rims.get('e') ?? {}, { saddle, saddleClock, tilt: 0, dent: 0 });
      const state = readParts(sax, truth, seed, [['hole', 'e']]);
      const { ellipse } = solveRim({
        heights: [0, 60, 120, 180, 240, 300].map((clock) => ({ clock, height: 0 })),
        diameters: [0, 60, 120].map((clock) => ({
          clock,
          diameter: state.points.get(`hole:e:diameter@${clock}`)?.readings[0]?.value ?? NaN,
        })),
        limits: { flatness: 0.1 },
      });
      const doubt =
        2 * gaugeStandardUncertainty(shelfGauges.find(({ id }) => id === 'telescoping-gauge') as ShelfGauge);
      expect(Math.abs((ellipse?.ovality ?? NaN) - 2 * saddle)).toBeLessThan(3.5 * doubt);
      expect(apart(2 * (ellipse?.longClock ?? NaN), 2 * saddleClock)).toBeLessThan(12);
    }
  });
  test('a loose hinge: its clearance and its end play within what the gauges allow', () => {
    for (const seed of seeds) {
      const truth = sound(seed);
      const own = { clearance: 0.05 + (seed % 4) / 200, endPlay: 0.12 + (seed % 5) / 100 };
      Object.assign(truth.hinges.get('low-b-key') ?? {}, own);
      const report = found(sax, truth, seed, 'hinge', 'low-b-key');
      expect(report.findings.map(({ kind }) => kind)).toEqual(['hinge-loose', 'end-play']);
      for (const [id, is] of [
        ['clearance', own.clearance],
        ['end-play', own.endPlay],
      ] as const) {
        const { value, uncertainty } = fact(report, id);
        expect(Math.abs(value - is)).toBeLessThan(1.6 * (uncertainty ?? 0));
      }
    }
  });
  test('a joint that leaks by its fit, and one that leaks by a gouge', () => {
    for (const seed of seeds) {
      const truth = sound(seed);
      const joint = truth.joints.get('neck-receiver');
      Object.assign(joint ?? {}, { clearance: 0.045, taper: 0.03 });
      const loose = found(sax, truth, seed, 'joint', 'neck-receiver');
      expect(loose.findings.map(({ kind }) => kind)).toContain('joint-loose');
      expect(Math.abs((loose.joint?.clearances[0]?.clearance ?? NaN) - 0.045)).toBeLessThan(0.012);
      Object.assign(joint ?? {}, { clearance: 0.006, taper: 0, gouge: 60 });
      const gouged = found(sax, truth, seed, 'joint', 'neck-receiver');
      expect(gouged.findings.map(({ kind }) => kind)).toContain('tenon-gouged');
      expect(Math.abs(fact(gouged, 'leak').value - 60)).toBeLessThan(6);
    }
  });
  test('a turned bell, a leaning post, a bent rod, a worn pivot', () => {
    for (const seed of seeds) {
      const truth = sound(seed);
      const turned = (seed % 2 === 0 ? 1 : -1) * (0.8 + (seed % 5) / 10);
      Object.assign(truth.tubes.get('bell') ?? {}, { turned });
      const bell = found(sax, truth, seed, 'body-line', 'bell');
      expect(bell.findings.map(({ kind }) => kind)).toEqual(['bell-turned']);
      expect(Math.abs(fact(bell, 'bell-turn').value - turned)).toBeLessThan(0.05);
      const post = sax.posts.find(({ rod }) => rod === 'lower-stack-rod')?.id ?? '';
      truth.posts.set(post, { lean: 2, lift: 0 });
      expect(found(sax, truth, seed, 'post', post).findings[0]?.kind).toBe('post-leaning');
      truth.rods.set('lower-stack-rod', 0.09);
      expect(found(sax, truth, seed, 'hinge', 'lower-stack-rod').findings[0]?.kind).toBe('rod-bent');
      Object.assign(truth.hinges.get('g-sharp-key') ?? {}, { rise: 0.08 });
      expect(found(sax, truth, seed, 'hinge', 'g-sharp-key').findings[0]?.kind).toBe('pivot-worn');
    }
  });
  test('sound parts raise nothing', () => {
    for (const seed of seeds.slice(0, 30)) {
      const truth = sound(seed);
      for (const [group, part] of [
        ['body-line', 'body'],
        ['body-line', 'bell'],
        ['bore', 'bow'],
        ['post', sax.posts[0]?.id ?? ''],
      ] as const)
        expect(found(sax, truth, seed, group, part).findings).toEqual([]);
    }
  });
  test('a corked tenon with too little cork', () => {
    const truth = sound(3, clarinet);
    Object.assign(truth.joints.get('middle-joint') ?? {}, { clearance: 0.1, squeeze: 0.02 });
    const report = found(clarinet, truth, 3, 'joint', 'middle-joint');
    expect(report.findings.map(({ kind }) => kind)).toEqual(['cork-worn']);
    expect(fact(report, 'cork-squeeze').value).toBeCloseTo(0.02, 1);
  });
});

describe('one rod', () => {
  const rod = 'lower-stack-rod';
  const keys = sax.keys.filter((key) => key.rod === rod).map(({ id }) => id);
  const posts = sax.posts.filter((post) => post.rod === rod).map(({ id }) => id);
  const parts = [...keys.map((id) => ['hinge', id] as const), ...posts.map((id) => ['post', id] as const)];
  test('the tubes of a sound rod fill the gaps between its posts, and too much room is shared out', () => {
    const truth = sound(11);
    const stack = rodStack(readParts(sax, truth, 11, parts), sax, rod);
    expect(stack?.spans.flatMap((span) => span.keys.map(({ key }) => key)).sort()).toEqual([...keys].sort());
    for (const span of stack?.spans ?? []) {
      expect(span.play?.verdict).not.toBe('outside');
      const plays = span.keys.reduce((sum, { key }) => sum + (truth.hinges.get(key)?.endPlay ?? 0), 0);
      expect(Math.abs((span.play?.value ?? NaN) - plays)).toBeLessThan(2 * (span.play?.uncertainty ?? 0));
    }
    for (const key of keys) Object.assign(truth.hinges.get(key) ?? {}, { endPlay: 0.2 });
    const loose = rodStack(readParts(sax, truth, 11, parts), sax, rod);
    expect(loose?.spans[0]?.play?.verdict).toBe('outside');
    expect(told(loose?.spans[0]?.says)).toMatch(/too much room: lengthen/);
  });
  test('a pad of a sound instrument has the sizes of one: it stands in its cup and opens by some of its width', () => {
    const truth = soundInstrument(sax, chanceFrom(5));
    for (const { hole: part, diameter } of sax.pads) {
      const is = (measure: string) =>
        trueFigure(sax, truth, { group: 'pad', part, measure, clock: 0 } as MeasuringPoint, chanceFrom(1)) ?? NaN;
      expect([part, is('cup') > diameter, is('height')]).toEqual([part, true, expect.closeTo(diameter * 0.16, 9)]);
      expect([part, is('cup-depth') > 1, is('stand') > 0.5, is('stand') < is('cup-depth')]).toEqual([
        part,
        true,
        true,
        true,
      ]);
      expect(Math.abs(is('gap'))).toBeLessThan(0.05);
    }
  });
  test('of a place the instrument does not have nothing is true, whatever is asked', () => {
    const truth = soundInstrument(sax, chanceFrom(5));
    for (const group of measureGroups)
      for (const measure of ['height', 'tenon', 'receiver', 'cork', 'leak', 'deviation', 'diameter', 'gap', 'force'])
        expect([
          group,
          measure,
          trueFigure(sax, truth, { group, part: 'no-such-part', measure, clock: 0 } as MeasuringPoint, chanceFrom(1)),
        ]).toEqual([group, measure, null]);
  });
  test('what is missing is named', () => {
    const stack = rodStack(readParts(sax, sound(1), 1, parts.slice(1)), sax, rod);
    expect(told(stack?.spans[0]?.says)).toMatch(/^Still to be read/);
    expect(rodStack(readParts(sax, sound(1), 1, []), sax, 'no-such-rod')).toBeNull();
  });
});

test('the hidden instruments of the demo are the same at every asking, and differ', () => {
  const heights = (ticket: string) =>
    [...hiddenInstrument(ticket, sax).rims.values()].map(({ highClock }) => highClock);
  expect(heights('LL-201')).toEqual(heights('LL-201'));
  expect(heights('LL-201')).not.toEqual(heights('LL-203'));
  expect(heights('no digits')).not.toEqual(heights('other'));
  expect(rimReport(readParts(sax, hiddenInstrument('LL-201', sax), 4, [['rim', 'e']]), sax, 'e')?.state).toBe(
    'outside',
  );
});
