import { describe, expect, test } from '@jest/globals';
import { sax, TestJob } from '../../tests/testJob';
import { instrumentType, type InstrumentType } from '../instruments';
import { judgeJob } from '../judgement';
import { beyondWords, fitPromise, jobPlan, notesSpoilt, weightOf } from '.';

const flute = instrumentType('concert-flute') as InstrumentType;
const spoilt = (type: InstrumentType, kind: string, part: string) =>
  notesSpoilt(type, { kind, part, place: null } as unknown as Parameters<typeof notesSpoilt>[1]);
const stepsOf = (job: TestJob) => jobPlan(job.state, sax, judgeJob(job.state, sax), job.now).steps;
const fit = (job: TestJob, minutes: number) => fitPromise(stepsOf(job), job.state, sax, minutes);
const cured = (job: TestJob, { within }: { within: ReadonlySet<string> }) =>
  stepsOf(job)
    .filter(({ id, cures }) => within.has(id) && cures.length > 0)
    .map(({ id }) => id);

describe('the notes a fault spoils', () => {
  test('a leak high up spoils all below it; the lowest pad spoils the lowest note alone', () => {
    const [high, low] = [spoilt(flute, 'pad-leaking', 'a'), spoilt(flute, 'pad-leaking', 'd')];
    expect(high.length).toBeGreaterThan(low.length);
    expect(low.length).toBeGreaterThan(0);
    expect(low.every((note) => high.includes(note))).toBe(true);
    expect(spoilt(flute, 'pad-leaking', 'low-c')).toEqual(['C4']);
  });
  test('a pad that stays open for a note, or lies below the hole it comes out of, does it no harm', () => {
    expect(spoilt(flute, 'pad-leaking', 'e')).not.toContain('G4');
    expect(spoilt(flute, 'pad-leaking', 'a')).not.toContain('B4');
  });
  test('a joint spoils what comes out below it; the first one everything', () => {
    const all = spoilt(flute, 'joint-loose', 'head-joint');
    expect(all).toEqual([...new Set(flute.fingerings.flatMap((f) => (f.alternative === undefined ? [f.note] : [])))]);
    const foot = flute.joints.find(({ lower }) => lower === 'foot')?.id ?? '';
    const below = spoilt(flute, 'joint-loose', foot);
    expect(below.length).toBeGreaterThan(0);
    expect(below.length).toBeLessThan(all.length);
  });
  test('a key, its rod and its posts speak for the pads they carry', () => {
    const { key = '', hole = '' } = flute.pads.find((pad) => pad.hole === 'd') ?? {};
    expect(spoilt(flute, 'key-bent', key)).toEqual(spoilt(flute, 'pad-leaking', hole));
    const { rod = '' } = flute.keys.find(({ id }) => id === key) ?? {};
    const post = flute.posts.find((each) => each.rod === rod)?.id ?? '';
    expect(spoilt(flute, 'rod-bent', rod)).toEqual(expect.arrayContaining(spoilt(flute, 'pad-leaking', hole)));
    expect(spoilt(flute, 'post-leaning', post)).toEqual(spoilt(flute, 'rod-bent', rod));
  });
  test('what is only seen, heard or felt spoils none, and neither does a part without a place', () => {
    for (const kind of ['dent', 'tarnish', 'noise', 'end-play']) expect(spoilt(sax, kind, 'body')).toEqual([]);
    expect(spoilt(sax, 'pad-leaking', 'nowhere')).toEqual([]);
  });
});

/** How many links the keys over these holes act in. */
const linksOf = (...holes: string[]) => {
  const keys = sax.pads.flatMap(({ hole, key }) => (holes.includes(hole) ? [key] : []));
  return sax.links.filter(({ driver, follower }) => keys.includes(driver) || keys.includes(follower)).length;
};
describe('promised hours', () => {
  test('enough of them take everything, and every note comes back', () => {
    const job = new TestJob();
    for (const part of ['g', 'e', 'low-b']) job.finding('pad-leaking', part);
    const { left, within, failing, regained, planned } = fit(job, 6000);
    expect(left).toEqual([]);
    // Where nothing is left out, stripping and assembling count whole.
    expect(planned).toBeCloseTo(
      stepsOf(job).reduce((sum, { minutes }) => sum + minutes.likely, 0),
      9,
    );
    expect([...within].sort()).toEqual(
      stepsOf(job)
        .map(({ id }) => id)
        .sort(),
    );
    expect(failing.length).toBeGreaterThan(0);
    expect(regained).toEqual(failing);
  });
  test('few go to the pad that gives back most notes; the rest is left with its notes', () => {
    const job = new TestJob();
    const high = job.finding('pad-leaking', 'c');
    const low = job.finding('pad-leaking', 'low-b');
    const all = fit(job, 6000);
    const one = stepsOf(job).find(({ id }) => id === 'reseat-pad:c')?.minutes.likely ?? 0;
    const tight = fit(job, all.planned - one);
    expect(cured(job, tight)).toEqual(['reseat-pad:c']);
    expect(tight.left.map(({ finding, notes }) => [finding.finding, notes])).toEqual([[low, ['B♭3', 'B3']]]);
    expect(tight.regained.length).toBe(tight.failing.length - 2);
    expect(tight.left.some(({ finding }) => finding.finding === high)).toBe(false);
  });
  test('links are brought in where pads were worked on, and not over the whole instrument', () => {
    const job = new TestJob();
    job.finding('pad-leaking', 'e');
    const minutesOf = (id: string) => stepsOf(job).find((step) => step.id === id)?.minutes.likely ?? NaN;
    const anyway = minutesOf('play-test:instrument') + minutesOf('hand-over:instrument');
    const links = minutesOf('bring-in-links:instrument');
    expect(fit(job, 0).planned).toBeCloseTo(anyway, 9);
    expect(fit(job, 6000).planned).toBeCloseTo(anyway + minutesOf('reseat-pad:e') + links, 9);
    // Of two pads one fits: as many of the links as its own key acts in.
    job.finding('pad-leaking', 'low-b');
    const tight = fit(job, fit(job, 6000).planned - 1);
    expect(tight.left).toHaveLength(1);
    const done = [...tight.within].find((id) => id.startsWith('reseat-pad:')) ?? '';
    const share = linksOf(done.slice('reseat-pad:'.length)) / linksOf('e', 'low-b');
    expect(share).toBeLessThan(1);
    expect(tight.planned).toBeCloseTo(anyway + minutesOf(done) + minutesOf('bring-in-links:instrument') * share, 9);
  });
  test('an adjuster that is out is set whole, however few of the links are touched', () => {
    const job = new TestJob();
    const [link] = sax.links.filter(({ driver }) => driver === 'e-key');
    job.finding('adjuster-out', link?.follower ?? '');
    job.finding('pad-leaking', 'low-b');
    const minutesOf = (id: string) => stepsOf(job).find((step) => step.id === id)?.minutes.likely ?? NaN;
    const anyway = minutesOf('play-test:instrument') + minutesOf('hand-over:instrument');
    const set = `set-adjuster:${link?.follower}`;
    const tight = fit(job, fit(job, 6000).planned - 1);
    expect(cured(job, tight)).toEqual([set]);
    const own = sax.pads.flatMap(({ hole, key }) => (key === link?.follower ? [hole] : []));
    const share = linksOf(...own) / linksOf(...own, 'low-b');
    expect(share).toBeLessThan(1);
    expect(tight.planned).toBeCloseTo(anyway + minutesOf(set) + minutesOf('bring-in-links:instrument') * share, 9);
  });
  test('keys come off for what fits, and for nothing that is left', () => {
    const job = new TestJob();
    job.finding('pad-worn', 'e');
    job.finding('dent', 'bell');
    const minutesOf = (id: string) => stepsOf(job).find((step) => step.id === id)?.minutes.likely ?? NaN;
    const anyway = minutesOf('play-test:instrument') + minutesOf('hand-over:instrument');
    expect(fit(job, 0).planned).toBeCloseTo(anyway, 9);
    const off = ['strip-some', 'assemble-some', 'check-moved'].map((kind) => minutesOf(`${kind}:instrument`));
    const all = fit(job, 6000).planned;
    expect(fit(job, all - 1).left).toHaveLength(1);
    expect(all - fit(job, all - 1).planned).toBeCloseTo(
      minutesOf('raise-dent:bell') + off.reduce((sum, each) => sum + each, 0) / 2,
      9,
    );
  });
  test('what is left is told to the owner by its notes, many of them by their ends', () => {
    expect(beyondWords('2 h', [])).toBe('Beyond the 2 h that were promised; no note suffers from it.');
    expect(beyondWords('2 h', ['C4', 'D4'])).toBe('Beyond the 2 h that were promised; C4, D4 may fail.');
    expect(beyondWords('2 h', ['C4', 'D4', 'E4', 'F4', 'G4', 'A4', 'B4'])).toBe(
      'Beyond the 2 h that were promised; 7 notes from C4 to B4 may fail.',
    );
  });
  test('a note that two faults spoil plays only when both are cured', () => {
    const job = new TestJob();
    job.finding('pad-leaking', 'c');
    job.finding('pad-leaking', 'low-b');
    const all = fit(job, 6000);
    const one = stepsOf(job).find(({ id }) => id === 'reseat-pad:c')?.minutes.likely ?? 0;
    expect(fit(job, all.planned - one).regained).not.toContain('B3');
  });
  test('what costs no note comes last, the quickest first', () => {
    const job = new TestJob();
    job.finding('dent', 'bell');
    job.finding('pad-leaking', 'e');
    const all = fit(job, 6000);
    const dent = stepsOf(job).find(({ id }) => id === 'raise-dent:bell')?.minutes.likely ?? 0;
    expect(fit(job, all.planned - 1).left.map(({ finding, notes }) => [finding.kind, notes])).toEqual([['dent', []]]);
    expect(fit(job, all.planned - dent).planned).toBeLessThanOrEqual(all.planned - dent);
  });
  test('what was booked is spent; what has to be done anyway stays in when nothing else fits', () => {
    const job = new TestJob();
    job.finding('pad-leaking', 'e');
    const all = fit(job, 6000).planned;
    expect(fit(job, all).left).toEqual([]);
    job.write('time', { minutes: 30, what: 'talked with the owner' });
    const after = fit(job, all);
    expect([after.spent, cured(job, after)]).toEqual([30, []]);
    const anyway = stepsOf(job).filter(({ cures }) => cures.length === 0);
    expect([...fit(job, 0).within].sort()).toEqual(anyway.map(({ id }) => id).sort());
  });
  test('no pad is set over what is left crooked under it, and no more is planned than there is', () => {
    for (let promised = 10; promised <= 600; promised += 35) {
      const job = new TestJob();
      for (const part of ['c', 'e', 'd', 'low-b']) job.finding('pad-leaking', part);
      for (const part of ['e', 'low-b']) job.finding('rim-warped', part);
      job.finding('post-leaning', sax.posts[5]?.id ?? '');
      job.finding('dent', 'bell');
      const { within, planned } = fit(job, promised);
      const steps = stepsOf(job);
      const anyway = steps
        .filter(({ cures }) => cures.length === 0)
        .reduce((sum, { minutes }) => sum + minutes.likely, 0);
      expect(planned).toBeLessThanOrEqual(Math.max(promised, anyway) + 1e-9);
      for (const { id, after, cures } of steps)
        if (within.has(id) && cures.length > 0)
          // A rim under its pad, a post under its keys; a dent elsewhere may stay.
          expect(
            after.filter(
              (edge) =>
                edge.id.startsWith('dress-rim') && edge.id.endsWith(id.slice(id.indexOf(':'))) && !within.has(edge.id),
            ),
          ).toEqual([]);
    }
  });
  test('what is only suspected is asked of no hours, and is listed with its notes', () => {
    const job = new TestJob();
    job.finding('pad-leaking', 'low-b', 'suspected');
    const { left, within } = fit(job, 600);
    expect(left.map(({ finding, notes, minutes }) => [finding.part, notes, minutes])).toEqual([
      ['low-b', ['B♭3', 'B3'], 0],
    ]);
    expect([...within].some((id) => id.endsWith(':low-b'))).toBe(false);
  });
});

test('a note counts by how much it suffers: a leak high up costs the low notes more than one at the bell', () => {
  expect(weightOf(sax, { part: 'c' }, 'B♭3')).toBeGreaterThan(weightOf(sax, { part: 'low-b' }, 'B♭3'));
  for (const part of ['c', 'low-b', 'e']) {
    const weight = weightOf(sax, { part }, 'C4');
    expect(weight).toBeGreaterThanOrEqual(0.25);
    expect(weight).toBeLessThanOrEqual(1);
  }
  // Of what the model has no word for every note counts whole.
  const { sound: _, ...dumb } = sax;
  expect([weightOf(dumb, { part: 'low-b' }, 'B♭3'), weightOf(sax, { part: 'neck-joint' }, 'B♭3')]).toEqual([1, 1]);
});
