import { describe, expect, test } from '@jest/globals';
import { laidOut, PieceBench } from '../../tests/pieceBench';
import { told } from '../../tests/testJob';
import { instrumentType, shippedTypes, type InstrumentType } from '../instruments';
import { faultWords, gradesOf, newPiece, pieceProblems, reviewPiece, type Grade, type PracticePiece } from '.';

const flute = instrumentType('concert-flute') as InstrumentType;
const pieceOf = (grade: Grade, seed = 3, instrument = flute.id) =>
  newPiece({ instrument, practice: 'stage', grade, seed });
/** One thing wrong, as somebody wrote it. */
const written = (faults: PracticePiece['faults'], more: Partial<PracticePiece> = {}): PracticePiece => ({
  ...pieceOf(1),
  title: 'Written by hand',
  faults,
  ...more,
});
const late = written([{ kind: 'adjuster', link: 'f-to-f-sharp', steps: 4 }]);
const name = (part: string) => part;
describe('a piece', () => {
  test('is the same for the same seed, another for another', () => {
    expect(pieceOf(2, 5)).toEqual(pieceOf(2, 5));
    expect(new Set([1, 2, 3, 4, 5, 6].map((seed) => JSON.stringify(pieceOf(2, seed).faults))).size).toBeGreaterThan(3);
  });
  test.each(shippedTypes.map((type) => [type.id, type] as const))(
    '%s: what its grades promise is there',
    (id, type) => {
      const grades = gradesOf(type, 'stage');
      // What has pads that others close can be practised on.
      expect(grades.includes(1)).toBe(id !== 'simple-clarinet');
      for (const grade of grades) {
        const laid = laidOut(pieceOf(grade, 11, id));
        const { faults } = laid.piece;
        const kinds = faults.map(({ kind }) => kind);
        const followers = new Set(
          faults
            .flatMap((fault) =>
              fault.kind === 'adjuster' ? laid.type.links.filter((link) => link.id === fault.link) : [],
            )
            .map(({ follower }) => follower),
        );
        const adjusters = kinds.filter((kind) => kind === 'adjuster').length;
        const promised: Record<Grade, boolean> = {
          1: adjusters === 1 && kinds.length === 1,
          2: adjusters === 2 && followers.size === 2,
          3: adjusters > 1 && followers.size === 1,
          4: String(kinds) === 'twist',
          5: adjusters > 1 && kinds.includes('pad') && kinds.includes('hinge'),
        };
        expect([id, grade, promised[grade]]).toEqual([id, grade, true]);
        expect(pieceProblems(laid.piece)).toEqual([]);
        // Something is wrong with it that shows.
        expect(new PieceBench(laid).rules().some(({ holds }) => !holds)).toBe(true);
      }
    },
  );
  test('asks for a grade its instrument has', () => {
    expect(() => pieceOf(3, 1, 'oboe')).toThrow(/grade 3/);
    expect(() => pieceOf(1, 1, 'no-such')).toThrow(/no-such/);
  });
  test.each<[string, object, RegExp]>([
    ['no such link', { faults: [{ kind: 'adjuster', link: 'x-to-y', steps: 2 }] }, /x-to-y/],
    ['nothing to turn', { faults: [{ kind: 'adjuster', link: 'f-to-f-sharp', steps: 0 }] }, /0 steps/],
    ['no such pad', { faults: [{ kind: 'pad', hole: 'nowhere', unevenness: 0.05, toward: 0 }] }, /nowhere/],
    ['no such key', { faults: [{ kind: 'hinge', key: 'none-key', play: 0.05 }] }, /none-key/],
    ['no neighbours', { faults: [{ kind: 'twist', key: 'g-sharp-key', times: 2 }] }, /no neighbours/],
    ['an instrument that does not ship', { instrument: 'serpent' }, /serpent/],
    ['a fault of no kind', { faults: [{ kind: 'spring', key: 'f-key' }] }, /./],
    ['a grade too high', { grade: 6 }, /5/],
    ['another format', { format: 'something' }, /./],
  ])('written by hand with %s is refused, and it is said why', (_, change, words) => {
    const problems = pieceProblems({ ...late, ...change });
    expect(problems.length).toBeGreaterThan(0);
    expect(problems.map(({ message }) => message).join()).toMatch(words);
  });
});

describe('what is seen', () => {
  const at = (bench: PieceBench, by: 'light' | 'feeler') =>
    bench.look({ at: 'link', link: 'f-to-f-sharp', held: [], by });
  test('a late follower: light, film and feeler agree', () => {
    const bench = new PieceBench(laidOut(late));
    expect(at(bench, 'light')).toMatchObject({ tick: { says: 'driver-first' } });
    const pull = bench.look({ at: 'link', link: 'f-to-f-sharp', held: [], by: 'film', film: 0.02 });
    expect(pull).toEqual({ tick: { group: 'link', part: 'f-to-f-sharp', says: 'follower-free', film: 0.02 } });
    const read = at(bench, 'feeler');
    expect('lateness' in read && read.lateness).toBeGreaterThan(0.06);
  });
  test('an early follower holds its driver off', () => {
    const early = written([{ kind: 'adjuster', link: 'f-to-f-sharp', steps: -4 }]);
    const bench = new PieceBench(laidOut(early));
    expect(at(bench, 'light')).toMatchObject({ tick: { says: 'follower-first' } });
    expect(bench.look({ at: 'link', link: 'f-to-f-sharp', held: [], by: 'film', film: 0.02 })).toMatchObject({
      tick: { says: 'driver-free' },
    });
  });
  test('what was turned counts at once', () => {
    const bench = new PieceBench(laidOut(late));
    bench.set('f-to-f-sharp', -4);
    expect(at(bench, 'light')).toMatchObject({ tick: { says: 'lands-together' } });
  });
  test('a key that is right alone and held off by its neighbours', () => {
    const bench = new PieceBench(laidOut(written([{ kind: 'twist', key: 'd-key', times: 4 }])));
    const look = { at: 'link', link: 'd-to-f-sharp', by: 'film', film: 0.02 } as const;
    expect(bench.look({ ...look, held: [] })).toMatchObject({ tick: { says: 'evenly-tight' } });
    expect(bench.look({ ...look, held: ['e-key', 'f-key'] })).toMatchObject({
      tick: { says: 'driver-free', held: ['e-key', 'f-key'] },
    });
  });
  test('the same look a second time is a second look; a loose hinge shows in how they differ', () => {
    const spread = (faults: PracticePiece['faults']) => {
      const bench = new PieceBench(laidOut(written(faults)));
      const read = Array.from({ length: 8 }, () => at(bench, 'feeler')).map((seen) =>
        'lateness' in seen ? seen.lateness : 0,
      );
      return Math.max(...read) - Math.min(...read);
    };
    expect(spread([{ kind: 'hinge', key: 'f-key', play: 0.1 }])).toBeGreaterThan(0.06);
    expect(spread([{ kind: 'hinge', key: 'low-c-key', play: 0.1 }])).toBeLessThan(0.02);
  });
  test('a pad that is not level shows by light, on its side; a hinge by hand', () => {
    const bench = new PieceBench(
      laidOut(
        written([
          { kind: 'pad', hole: 'f', unevenness: 0.06, toward: 90 },
          { kind: 'hinge', key: 'd-key', play: 0.08 },
        ]),
      ),
    );
    expect(bench.look({ at: 'pad', hole: 'f' })).toMatchObject({ tick: { says: 'light', toward: 90 } });
    expect(bench.look({ at: 'pad', hole: 'e' })).toMatchObject({ tick: { says: 'no-light' } });
    expect(bench.look({ at: 'hinge', key: 'd-key' })).toMatchObject({ tick: { group: 'hinge', says: 'rocks' } });
    expect(bench.look({ at: 'hinge', key: 'f-key' })).toMatchObject({ tick: { says: 'no-wiggle' } });
  });
});

describe('afterwards', () => {
  test('what was there, said or not, and the shortest cure', () => {
    const bench = new PieceBench(laidOut(late));
    bench.say('adjuster-out', 'e-to-f-sharp');
    const review = reviewPiece(bench.laid, bench.job.state);
    expect(review.faults).toMatchObject([{ part: 'f-to-f-sharp', said: false }]);
    expect(review.falseAlarms).toEqual([{ kind: 'adjuster-out', part: 'e-to-f-sharp' }]);
    expect(review.cure).toMatchObject([{ link: 'f-to-f-sharp', steps: expect.any(Number) }]);
    expect(review.cure[0]?.steps).toBeLessThan(0);
    expect(review).toMatchObject({ cured: false, looks: 0, turns: 0 });
    bench.say('lost-motion', 'f-to-f-sharp');
    bench.set('f-to-f-sharp', -6);
    bench.set('f-to-f-sharp', 2);
    const after = reviewPiece(bench.laid, bench.job.state);
    expect(after.faults).toMatchObject([{ said: true }]);
    expect(after).toMatchObject({ cured: true, turns: 2 });
    expect([...after.turned]).toEqual([['f-to-f-sharp', -4]]);
    const rule = after.rules.find(({ id }) => id === 'f-with-f-sharp');
    expect([rule?.before.holds, rule?.after.holds]).toEqual([false, true]);
  });
  test('turned back and forth is not turned; the wrong way is no cure', () => {
    const bench = new PieceBench(laidOut(late));
    bench.set('f-to-f-sharp', 3);
    expect(reviewPiece(bench.laid, bench.job.state).cured).toBe(false);
    bench.set('f-to-f-sharp', -3);
    expect(reviewPiece(bench.laid, bench.job.state).turned.size).toBe(0);
  });
  test('a compromise says what yields to what', () => {
    const { yields, faults } = reviewPiece(...pieceAndJob(pieceOf(4)));
    expect(yields.length).toBeGreaterThan(0);
    expect(faults).toMatchObject([{ said: null }]);
  });
  test('what no adjuster cures has to be said; where a look fell for it, it is told', () => {
    const bench = new PieceBench(laidOut(written([{ kind: 'hinge', key: 'f-key', play: 0.1 }])));
    for (let i = 0; i < 6; i += 1) bench.look({ at: 'link', link: 'f-to-f-sharp', held: [], by: 'feeler' });
    bench.look({ at: 'link', link: 'a-to-b-flat', held: [], by: 'feeler' });
    // Misread where nothing is loose: no fault is to blame for that.
    const lateness = { group: 'link', part: 'a-to-b-flat', measure: 'lateness', clock: 0 } as const;
    bench.job.read(lateness, 0.4, 'feeler-film');
    const before = reviewPiece(bench.laid, bench.job.state);
    expect(before).toMatchObject({ cured: false, looks: 8, cure: [] });
    expect(before.misled.length).toBeGreaterThan(0);
    expect(new Set(before.misled.map(({ link }) => link))).toEqual(new Set(['f-to-f-sharp']));
    expect(before.misled[0]?.because).toMatchObject({ kind: 'hinge', key: 'f-key' });
    bench.say('hinge-loose', 'f-key');
    expect(reviewPiece(bench.laid, bench.job.state).cured).toBe(true);
  });
  test('faults are told in words of the bench', () => {
    const laid = laidOut(late);
    const say = (fault: PracticePiece['faults'][number]) => told(faultWords(laid, fault, name));
    expect(say({ kind: 'adjuster', link: 'f-to-f-sharp', steps: 4 })).toBe(
      'f-to-f-sharp: follower 0.080 mm too late. Turn the screw a quarter in.',
    );
    expect(say({ kind: 'adjuster', link: 'f-to-f-sharp', steps: -2 })).toMatch(
      /too early. Turn the screw an eighth out/,
    );
    expect(say({ kind: 'pad', hole: 'f', unevenness: 0.06, toward: 90 })).toMatch(
      /not level, 0.060 mm open toward 90°/,
    );
    expect(say({ kind: 'hinge', key: 'f-key', play: 0.1 })).toMatch(/hinge is loose/);
    expect(say({ kind: 'twist', key: 'd-key', times: 3 })).toMatch(/twist its rod/);
  });
});

function pieceAndJob(piece: PracticePiece) {
  const bench = new PieceBench(laidOut(piece));
  return [bench.laid, bench.job.state] as const;
}
