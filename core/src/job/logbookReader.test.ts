import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { TestJob } from '../../tests/testJob';
import { readJobDocument, toJobDocument } from '../record';
import { foldJob, logbookReader, misfits, type Entry } from '.';

const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
type Step = { kind: string; body: object } | { strikes: number };

/** One thing a job can be told; many of them are wrong where they stand, which is the point. */
const step: fc.Arbitrary<Step> = fc.oneof(
  fc.constantFrom<Step>(
    { kind: 'note', body: { text: 'x' } },
    { kind: 'sign-off', body: { ownerCautions: [] } },
    { kind: 'board', body: { rows: 3, columns: 3 } },
    { kind: 'part-off', body: { part: 'e-key', where: 'board', cell: 'A1' } },
    { kind: 'part-off', body: { part: 'g-key', where: 'board', cell: 'A1' } },
    { kind: 'part-placed', body: { part: 'e-key', where: 'board', cell: 'B2' } },
    { kind: 'part-on', body: { part: 'e-key' } },
    { kind: 'soak', body: { soak: uuid(900), parts: ['e-key'], what: 'x' } },
    { kind: 'soak-over', body: { soak: uuid(900) } },
    { kind: 'operation-started', body: { operation: 'x', cautionsAccepted: [] } },
    { kind: 'timer', body: { operation: 'x', act: 'pause' } },
    { kind: 'round', body: { round: uuid(901), name: 'x', points: [] } },
    { kind: 'round-over', body: { round: uuid(901) } },
    { kind: 'photo', body: { photo: uuid(902), part: 'e', width: 1, height: 1 } },
    { kind: 'photo-marks', body: { photo: uuid(902), marks: [] } },
  ),
  fc.record({ strikes: fc.nat(25) }),
);

function written(steps: readonly Step[]): Entry[] {
  const job = new TestJob();
  for (const each of steps) {
    if ('kind' in each) job.write(each.kind, each.body);
    else job.write('strike', { entry: uuid(1 + (each.strikes % (job.entries.length + 1))), reason: 'x' });
  }
  return job.entries;
}

describe('a logbook read in place', () => {
  test('speaks against the same entries, in the same words, as one folded anew for each', () => {
    fc.assert(
      fc.property(fc.array(step, { maxLength: 30 }), (steps) => {
        const entries = written(steps);
        const reader = logbookReader();
        entries.forEach((entry, i) => {
          const before = foldJob(entries.slice(0, i));
          // Not only the one that comes: every one that could.
          for (const other of entries) expect(misfits(reader.state(), other)).toEqual(misfits(before, other));
          reader.add(entry);
        });
      }),
      { numRuns: 60 },
    );
  });
  test('folds again only for a strike of something that later entries are checked against', () => {
    const refolded = (kind: string, body: object) => {
      const job = new TestJob();
      const target = job.write(kind, body);
      job.write('strike', { entry: target });
      const reader = logbookReader();
      job.entries.forEach(reader.add);
      return reader.refolded();
    };
    expect(refolded('note', { text: 'x' })).toBe(0);
    expect(refolded('sign-off', { ownerCautions: [] })).toBe(2);
    // What is in a part is not chosen anew.
    const thing = { kind: 'pad', diameter: 31, thickness: 4 };
    expect(refolded('chosen', { lines: [{ part: 'e', use: 'pad', item: 'pad-31', thing, count: 1 }] })).toBe(2);
  });
});

describe('a document of many strikes', () => {
  const checked = (count: number, kind: string, body: object) => {
    const job = new TestJob();
    const targets = Array.from({ length: count }, () => job.write(kind, body));
    for (const entry of targets) job.write('strike', { entry });
    return readJobDocument(toJobDocument('T-1', job.entries, job.now));
  };
  // Folded anew for each strike this would take an hour.
  test('is checked in one pass', () => {
    expect(checked(20_000, 'note', { text: 'x' }).ok).toBe(true);
  });
  test('is refused when it would have to be read again from the beginning for each', () => {
    const read = checked(1500, 'operation-started', { operation: 'x', cautionsAccepted: [] });
    expect(read.ok ? [] : read.problems).toEqual([
      { path: expect.stringMatching(/^\/entries\/[12]\d\d\d$/), message: expect.stringMatching(/cannot be checked/) },
    ]);
  });
  test('of a usual job is not', () => {
    expect(checked(300, 'operation-started', { operation: 'x', cautionsAccepted: [] }).ok).toBe(true);
  });
  test('a picture that comes twice is named', () => {
    const job = new TestJob();
    const photo = { id: uuid(5), jpeg: 'AAAA' };
    const read = readJobDocument(toJobDocument('T-1', job.entries, job.now, [photo, { ...photo }]));
    expect(read).toEqual({
      ok: false,
      problems: [{ path: '/photos/1/id', message: `repeats the picture ${uuid(5)}` }],
    });
  });
});
