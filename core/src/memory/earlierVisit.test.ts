import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { flat, sax, TestJob } from '../../tests/testJob';
import { earlierVisit, sameInstrument, sinceThen } from '.';

const visit = (job: TestJob) => ({ state: job.state, type: sax });
const gaps = (...values: number[]) => Array.from({ length: 8 }, (_, i) => values[i] ?? 0);

describe('the same instrument', () => {
  test.each([
    [{ serial: 'N 12-345' }, { serial: 'n12345' }, true],
    [{ serial: 'N12345', maker: 'Hallam & Wray' }, { serial: 'N12345', maker: 'hallam and wray' }, false],
    [{ serial: 'N12345', maker: 'Hallam & Wray' }, { serial: 'N12345', maker: 'Hallam  &  Wray.' }, true],
    [{ serial: 'N12345', maker: 'Hallam & Wray' }, { serial: 'N12345' }, true],
    [{ serial: 'N12345' }, { serial: 'N12346' }, false],
    [{ serial: '' }, { serial: '' }, false],
    [{ serial: ' - ' }, { serial: '.' }, false],
    [{ maker: 'Hallam & Wray' }, { maker: 'Hallam & Wray' }, false],
    [{ serial: 'Ä7' }, { serial: 'ä 7' }, true],
  ])('%j and %j: %s', (a, b, same) => {
    expect(sameInstrument(a, b)).toBe(same);
    expect(sameInstrument(b, a)).toBe(same);
  });
});

describe('what has moved since it went home', () => {
  test('is found where it was put in, and nowhere else', () =>
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.constantFrom('e', 'f', 'd', 'g'), { minLength: 1, maxLength: 3 }),
        fc.integer({ min: 6, max: 20 }),
        (parts, hundredths) => {
          const [before, after] = [new TestJob(), new TestJob()];
          for (const part of ['e', 'f', 'd', 'g'] as const) {
            before.pad(part, gaps(0.02));
            after.pad(part, gaps(parts.includes(part) ? 0.02 + hundredths / 100 : 0.02));
          }
          const rows = sinceThen(visit(before), visit(after));
          expect(rows).toHaveLength(4);
          const certain = rows.filter((row) => row.certain);
          expect(certain.map(({ part }) => part).sort()).toEqual([...parts].sort());
          for (const { moved } of certain) expect(moved).toBeCloseTo(hundredths / 100, 9);
          // What is certain comes first.
          expect(rows.slice(0, certain.length)).toEqual(certain);
        },
      ),
      { numRuns: 12 },
    ));
  test('holds what it went home with against what it came back with, not against today’s work', () => {
    const [before, after] = [new TestJob(), new TestJob()];
    before.rim('e', gaps(0.2));
    before.done('dress-rim:e', { disturbs: ['rim:e'] });
    before.rim('e', flat);
    after.rim('e', gaps(0.3));
    after.done('dress-rim:e', { disturbs: ['rim:e'] });
    after.rim('e', flat);
    const [row] = sinceThen(visit(before), visit(after));
    expect(row?.then.value).toBeCloseTo(0, 9);
    expect(row?.now.value).toBeGreaterThan(0.1);
    expect(row?.certain).toBe(true);
  });
  test('a hair within both doubts is no move; what was read once only, or spoilt after, is not compared', () => {
    const [before, after] = [new TestJob(), new TestJob()];
    before.pad('e', gaps(0.02));
    before.pad('f', gaps(0.02));
    before.pad('d', gaps(0.02));
    before.done('strip:instrument', { disturbs: ['pad:d'] });
    after.pad('e', gaps(0.021));
    after.pad('d', gaps(0.2));
    after.pad('g', gaps(0.2));
    expect(sinceThen(visit(before), visit(after))).toMatchObject([{ part: 'e', certain: false }]);
  });
});

test('an earlier ticket says what was left, what was marked, and who signed', () => {
  const before = new TestJob({ ticket: 'T-0' });
  before.finding('dent', 'bell', 'left');
  before.write('observation', { part: 'e', about: 'fit', mark: 270, setterMark: 90 });
  before.write('observation', { part: 'f', about: 'fit', hold: 'screw' });
  const told = () => earlierVisit(visit(before), visit(new TestJob()), before.now);
  expect(told()).toMatchObject({
    ticket: 'T-0',
    signedAt: null,
    marks: [expect.stringMatching(/: pad at 270°, what holds it at 90°$/)],
    since: [],
  });
  before.write('sign-off', { ownerCautions: [], summary: 'It plays.' });
  expect(told()).toMatchObject({ signedAt: expect.any(String), by: 'Juno Tam', summary: 'It plays.' });
  expect(
    told()
      ?.left.map(({ what }) => what)
      .join(),
  ).toMatch(/Dent/);
});
