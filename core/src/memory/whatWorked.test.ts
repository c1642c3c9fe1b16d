import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { sax, TestJob } from '../../tests/testJob';
import {
  faultLesson,
  faultsAside,
  outcomesOf,
  seenByPart,
  seenWords,
  whatWorked,
  type KnownOutcome,
  type Outcome,
} from '.';

const outcomes = (job: TestJob): readonly Outcome[] => outcomesOf(job.state, sax);

describe('what became of a fault', () => {
  test('is what was done about it, its share of the minutes, and nothing where nothing was', () => {
    const job = new TestJob();
    const [e, f] = [job.finding('pad-leaking', 'e'), job.finding('pad-leaking', 'f')];
    job.finding('dent', 'bell');
    expect(outcomes(job)).toEqual([]);
    const done = job.done('seat-pad:e', { cures: [e, f], minutes: 24 });
    expect(outcomes(job)).toMatchObject([
      {
        finding: e,
        part: 'e',
        place: 'E',
        cause: null,
        wasNone: false,
        cures: [{ step: 'seat-pad', minutes: 12, cameBack: false }],
      },
      { finding: f, part: 'f', cures: [{ step: 'seat-pad', minutes: 12 }] },
    ]);
    // Work that was struck has cured nothing.
    job.write('strike', { entry: done });
    expect(outcomes(job)).toEqual([]);
  });
  test('said again after the work it came back; the work that then held did not lose it', () => {
    const job = new TestJob();
    const leak = job.finding('pad-leaking', 'e');
    job.done('seat-pad:e', { cures: [leak] });
    job.finding('pad-leaking', 'e', 'suspected', leak);
    job.done('fit-pad:e', { cures: [leak] });
    expect(outcomes(job)[0]?.cures).toMatchObject([
      { step: 'seat-pad', cameBack: true },
      { step: 'fit-pad', cameBack: false },
    ]);
    // Another finding of the same kind at the same part is the same fault; one elsewhere, or of another kind, is not.
    job.finding('pad-leaking', 'f');
    job.finding('rim-warped', 'e');
    expect(outcomes(job)[0]?.cures.at(-1)?.cameBack).toBe(false);
    job.finding('pad-leaking', 'e');
    expect(outcomes(job)[0]?.cures.at(-1)?.cameBack).toBe(true);
  });
  test('one that was looked into and was none is told as that, whatever was done before', () => {
    const job = new TestJob();
    const id = job.finding('noise', 'e');
    job.finding('noise', 'e', 'declined', id);
    expect(outcomes(job)).toMatchObject([{ kind: 'noise', wasNone: true, cures: [] }]);
  });
  test('put right by a word, without a step', () => {
    const job = new TestJob();
    const id = job.finding('noise', 'e');
    job.finding('noise', 'e', 'cured', id);
    expect(outcomes(job)[0]?.cures).toMatchObject([{ step: null, minutes: null }]);
  });
  test('what a deeper fault explained was cured by what cured that, and names it', () => {
    const job = new TestJob();
    const rod = 'lower-stack-rod';
    const loose = sax.keys
      .filter((key) => key.rod === rod)
      .slice(0, 3)
      .map(({ id }) => job.finding('hinge-loose', id));
    const bent = job.finding('rod-bent', rod);
    job.done(`straighten-rod:${rod}`, { cures: [bent], minutes: 15 });
    // They wait to be looked at again: nothing is known of them yet.
    expect(outcomes(job).map(({ finding }) => finding)).toEqual([bent]);
    const [first = ''] = loose;
    const kept = job.state.findings.get(first);
    job.finding('hinge-loose', kept?.part ?? '', 'cured', first);
    expect(outcomes(job).find(({ finding }) => finding === first)).toMatchObject({
      cause: { kind: 'rod-bent', part: rod },
      cures: [{ step: 'straighten-rod', minutes: 15 }],
    });
    // One that took work of its own was cured by that.
    const [, second = ''] = loose;
    job.done('swage:x', { cures: [second], minutes: 7 });
    expect(outcomes(job).find(({ finding }) => finding === second)).toMatchObject({
      cause: { kind: 'rod-bent' },
      cures: [{ step: 'swage', minutes: 7 }],
    });
  });
});

const known = (n: number, change: Partial<KnownOutcome> = {}): KnownOutcome => ({
  finding: `f-${n}`,
  kind: 'pad-leaking',
  part: 'e',
  place: 'E',
  foundAt: `2026-0${1 + (n % 8)}-01T09:00:00.000Z`,
  cause: null,
  cures: [{ step: 'seat-pad', minutes: 10, at: `2026-0${1 + (n % 8)}-02T09:00:00.000Z`, cameBack: false }],
  wasNone: false,
  ticket: `T-${n}`,
  family: 'saxophone',
  serial: '',
  maker: '',
  ...change,
});
const cure = (step: string | null, minutes: number | null, at = '2026-02-01T09:00:00.000Z') => ({
  step,
  minutes,
  at,
  cameBack: false,
});

describe('what this shop has seen', () => {
  test('is counted here and elsewhere, most frequent first', () => {
    const { here, elsewhere } = whatWorked(
      [
        known(1),
        known(2, { cures: [cure('fit-pad', 20)], cause: { kind: 'rod-bent', part: 'stack' } }),
        known(3, { cures: [cure('fit-pad', 30)], cause: { kind: 'rod-bent', part: 'stack' } }),
        known(4, { part: 'f', cures: [], wasNone: true }),
      ],
      'e',
    );
    expect(here).toMatchObject({
      times: 3,
      wasNone: 0,
      causes: [{ kind: 'rod-bent', times: 2 }],
      cures: [
        { step: 'fit-pad', times: 2, minutes: { least: 20, middle: 25, most: 30 }, cameBack: 0 },
        { step: 'seat-pad', times: 1, minutes: { least: 10, middle: 10, most: 10 } },
      ],
      since: '2026-02-01T09:00:00.000Z',
    });
    expect(elsewhere).toMatchObject({ times: 1, wasNone: 1, cures: [], causes: [] });
  });
  test('nothing seen is nothing said; what was put aside is not counted', () => {
    expect(whatWorked([], 'e')).toEqual({ here: null, elsewhere: null });
    expect(whatWorked([known(1)], 'e', new Set(['f-1']))).toEqual({ here: null, elsewhere: null });
  });
  test('part by part it says what is said at each part, and leaves out what was put aside', () => {
    const all = [known(3, { part: 'f', place: 'F' }), known(2), known(1)];
    const rows = seenByPart(all, new Set(['f-1']));
    expect(rows.map(({ part, place }) => [part, place])).toEqual([
      ['f', 'F'],
      ['e', 'E'],
    ]);
    for (const { part, seen } of rows) expect(seen).toEqual(whatWorked(all, part, new Set(['f-1'])).here);
    expect(seenByPart([])).toEqual([]);
  });
  test('lessons put aside are told by the finding, whatever else is doubted', () => {
    const lessons = [{ lesson: faultLesson('f-1') }, { lesson: 'time dress-rim saxophone Juno Tam' }];
    expect([...faultsAside(lessons)]).toEqual(['f-1']);
  });
  test('an instrument that came back with the same fault had it come back; another instrument, or another fault, did not', () => {
    const first = known(1, { serial: 'N 1', cures: [cure('seat-pad', 9, '2026-02-02T09:00:00.000Z')] });
    const later = (change: Partial<KnownOutcome>) =>
      known(2, { serial: 'n1', foundAt: '2026-06-01T09:00:00.000Z', cures: [], wasNone: true, ...change });
    const back = (...others: KnownOutcome[]) => whatWorked([first, ...others], 'e').here?.cures[0]?.cameBack;
    expect(back(later({}))).toBe(1);
    expect(back(later({ serial: 'N2' }))).toBe(0);
    expect(back(later({ serial: '' }))).toBe(0);
    expect(back(later({ part: 'f' }))).toBe(0);
    expect(back(later({ foundAt: '2026-01-05T09:00:00.000Z' }))).toBe(0);
    expect(back(later({ ticket: 'T-1' }))).toBe(0);
    // Put aside, it still is a visit: it came back, whatever is thought of its own lesson.
    expect(whatWorked([first, later({})], 'e', new Set(['f-2'])).here?.cures[0]?.cameBack).toBe(1);
  });
  test('counts do not hang on the order, and no fault is lost', () =>
    fc.assert(
      fc.property(
        fc.array(fc.record({ part: fc.constantFrom('e', 'f'), step: fc.constantFrom('seat-pad', 'fit-pad', null) }), {
          maxLength: 12,
        }),
        (list) => {
          const all = list.map(({ part, step }, n) => known(n, { part, cures: [cure(step, step && 5)] }));
          const seen = whatWorked(all, 'e');
          const count = (part: typeof seen.here) => (part?.cures ?? []).reduce((sum, { times }) => sum + times, 0);
          expect(count(seen.here) + count(seen.elsewhere)).toBe(list.length);
          const again = whatWorked([...all].reverse(), 'e');
          const bare = ({ cures }: NonNullable<typeof seen.here>) =>
            cures.map(({ step, times }) => `${step} ${times}`).sort();
          expect(again.here && bare(again.here)).toEqual(seen.here && bare(seen.here));
        },
      ),
    ));
  test('in words: how often, what was behind it, what put it right', () => {
    const { here } = whatWorked(
      [
        known(1, { cause: { kind: 'rod-bent', part: 'stack' } }),
        known(2, { cures: [{ ...cure('seat-pad', 20), cameBack: true }] }),
        known(3, { cures: [cure(null, null)] }),
        known(4, { cures: [], wasNone: true }),
      ],
      'e',
    );
    expect(here && seenWords(here, 'at this place', () => 'Seat the pad')).toEqual([
      'Settled 4 times at this place, once it was none.',
      'Behind it: rod bent (once).',
      'Put right by: Seat the pad (2 times; 15 min, 10 to 20; was there again once), without a step (once).',
    ]);
    const alone = whatWorked([known(1)], 'e').here;
    expect(alone && seenWords(alone, 'here', (step) => step)).toEqual([
      'Settled once here.',
      'Put right by: seat-pad (once; 10 min).',
    ]);
  });
});
