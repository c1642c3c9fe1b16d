import { describe, expect, test } from '@jest/globals';
import { sax, TestJob, told } from '../../tests/testJob';
import { applyOptions, shippedTypes } from '../instruments';
import type { EntryBody } from '../job';
import { judgeJob } from '../judgement';
import { findingOfLight, lastAct, lightMark, seenLight, worsened } from '../findings';
import { landings, landingOf, landingWords, linksAt } from '.';

const uuid = (n: number) => `00000000-0000-4000-9000-${String(n).padStart(12, '0')}`;
let minted = 0;
const mint = () => uuid((minted += 1));
/** Looks at a pad and writes what that amounts to. */
function look(job: TestJob, part: string, open: readonly number[]) {
  const writings = seenLight(job.state, sax, part, open, mint);
  for (const { kind, body, id } of writings) job.write(kind, body, id);
  return writings.map(({ kind }) => kind);
}
const findings = (job: TestJob) =>
  [...job.state.findings.values()].map(({ kind, part, status, severity }) => [kind, part, status, severity]);

describe('the light at a pad', () => {
  test('front, then none: the finding of the light goes with it, with the reason', () => {
    const job = new TestJob();
    expect(look(job, 'e', [315, 0, 45])).toEqual(['observation', 'finding']);
    expect(findings(job)).toEqual([['pad-leaking', 'e', 'confirmed', 2]]);
    expect(look(job, 'e', [])).toEqual(['observation', 'finding']);
    expect(findings(job)).toEqual([['pad-leaking', 'e', 'declined', 2]]);
    expect([...job.state.findings.values()][0]?.reason).toBe('Looked at again: seals all round.');
    expect(look(job, 'e', [])).toEqual(['observation']);
  });
  test('another picture of another kind takes its place; one of the same kind only says the new one', () => {
    const job = new TestJob();
    look(job, 'f', [315, 0, 45]);
    look(job, 'f', [135, 180, 225]);
    expect(findings(job)).toEqual([['pad-leaking', 'f', 'confirmed', 2]]);
    expect([...job.state.findings.values()][0]?.note).toMatch(/open at the back/);
    look(job, 'f', [0, 180]);
    expect(findings(job)).toEqual([
      ['pad-leaking', 'f', 'declined', 2],
      ['rim-warped', 'f', 'confirmed', 1],
    ]);
    expect(look(job, 'f', [0, 180])).toEqual(['observation']);
  });
  test('what was found otherwise is neither taken back nor found twice', () => {
    const job = new TestJob();
    const known: EntryBody<'finding'> = {
      finding: mint(),
      kind: 'pad-leaking',
      part: 'd',
      severity: 3,
      status: 'confirmed',
    };
    job.write('finding', known);
    expect(look(job, 'd', [90])).toEqual(['observation']);
    expect(look(job, 'd', [])).toEqual(['observation']);
    expect(findings(job)).toEqual([['pad-leaking', 'd', 'confirmed', 3]]);
  });
  test('even light is a link’s fault only where another key reaches the key', () => {
    expect(findingOfLight(sax, 'f-sharp', 'held-off')).toMatchObject({ kind: 'adjuster-out', status: 'confirmed' });
    expect(findingOfLight(sax, 'f-sharp', 'sealed')).toBeNull();
    const alone = sax.pads.find(
      ({ key }) => !sax.links.some(({ driver, follower }) => [driver, follower].includes(key)),
    );
    if (!alone) throw new Error('every key of the type is linked');
    const found = findingOfLight(sax, alone.hole, 'held-off');
    expect(found).toMatchObject({ kind: 'pad-leaking', status: 'suspected' });
    expect(found?.note).toMatch(/no other key reaches it: look at its cork, its spring/);
  });
  test('one act is struck whole', () => {
    const job = new TestJob();
    expect(lastAct(job.state)).toEqual([]);
    look(job, 'e', [0]);
    look(job, 'e', [0, 180]);
    const act = lastAct(job.state);
    expect(act.map((id) => job.state.byId.get(id)?.kind)).toEqual(['finding', 'finding', 'observation']);
    for (const entry of act) job.write('strike', { entry });
    expect(findings(job)).toEqual([['pad-leaking', 'e', 'confirmed', 1]]);
    expect(job.state.observations.get('light:e')?.sectors).toEqual([0]);
    job.write('finding', { finding: mint(), kind: 'dent', part: 'body', severity: 1, status: 'confirmed' });
    expect(lastAct(job.state)).toHaveLength(1);
    expect([...job.state.findings.values()].find(({ kind }) => kind === 'pad-leaking')?.suggestion).toBe(
      lightMark('e'),
    );
  });
  test('worse has an end', () =>
    expect(([1, 2, 3] as const).map((severity) => worsened({ severity }))).toEqual([2, 3, 3]));
});

describe('which lands first', () => {
  test.each(shippedTypes.map((type) => [type.id, applyOptions(type, [])] as const))(
    'every link of a %s is met at some pad, and its answers read apart',
    (_, type) => {
      const met = new Set(type.pads.flatMap(({ hole }) => linksAt(type, hole).map(({ id }) => id)));
      expect(type.links.map(({ id }) => id).filter((id) => !met.has(id))).toEqual([]);
      for (const link of type.links) {
        const words = landingWords(type, link);
        expect(new Set(landings.map((lands) => words[lands])).size).toBe(3);
      }
      expect(linksAt(type, 'no-such-pad')).toEqual([]);
    },
  );
  test('every driver keeps its own answer, and what is wrong speaks for a finding at that link', () => {
    const job = new TestJob();
    for (const [part, lands] of [
      ['f-to-f-sharp', 'follower'],
      ['e-to-f-sharp', 'driver'],
      ['d-to-f-sharp', 'together'],
      ['f-sharp-to-g-sharp', 'driver'],
    ] as const)
      job.write('observation', { part, about: 'landing', lands });
    const said = judgeJob(job.state, sax).suggestions.map(({ key, cause, remedy, evidence }) => [
      key,
      told(cause),
      told(remedy),
      evidence.length,
    ]);
    expect(said).toEqual([
      [
        'adjuster-out:f-to-f-sharp',
        expect.stringMatching(/F♯.* first/),
        expect.stringMatching(/until both land together/),
        1,
      ],
      [
        'lost-motion:e-to-f-sharp',
        expect.stringMatching(/E.* first/),
        expect.stringMatching(/until both land together/),
        1,
      ],
      ['adjuster-out:f-sharp-to-g-sharp', expect.stringMatching(/can still lift/), expect.any(String), 1],
    ]);
    job.write('observation', { part: 'f-to-f-sharp', about: 'landing', lands: 'together' });
    expect(judgeJob(job.state, sax).suggestions.map(({ part }) => part)).not.toContain('f-to-f-sharp');
  });
  test('pads that were compared by name are found by their link', () => {
    const job = new TestJob();
    job.write('observation', { part: 'f', about: 'landing', first: 'f-sharp', other: 'f-sharp' });
    expect(job.state.observations.get('landing:f-to-f-sharp')).toMatchObject({ lands: 'follower' });
    expect(landingOf(sax, { part: 'f-sharp', other: 'f', first: 'f' })?.lands).toBe('driver');
    expect(landingOf(sax, { part: 'f', other: 'f-sharp' })?.lands).toBe('together');
    expect(landingOf(sax, { part: 'f', other: 'low-b' })).toBeNull();
    expect(landingOf(sax, { part: 'f-to-f-sharp' })).toBeNull();
    expect(landingOf(null, { part: 'f' })).toBeNull();
  });
});
