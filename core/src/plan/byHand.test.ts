import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { sax, TestJob } from '../../tests/testJob';
import { judgeJob } from '../judgement';
import { findingKinds, surveyStations } from '../vocabulary';
import { jobPlan, planDiff, planOverhaul, planTurns, whyStep, type PlanInput } from '.';

const plan = (job: TestJob) => jobPlan(job.state, sax, judgeJob(job.state, sax), job.now);
const step = (job: TestJob, id: string) => plan(job).steps.find((candidate) => candidate.id === id);

const anyFindings = fc
  .array(
    fc.record({
      kind: fc.constantFrom(...findingKinds),
      part: fc.constantFrom('body', 'e', 'g', 'neck'),
      severity: fc.constantFrom(1, 2, 3),
    }),
    { maxLength: 15 },
  )
  .map((list) => list.map((finding, i) => ({ ...finding, id: `f${String(i).padStart(2, '0')}` })));
const overhaul = (more: Partial<PlanInput>): PlanInput => ({
  family: 'saxophone',
  body: 'metal',
  practice: 'stage',
  scope: 'overhaul',
  findings: [],
  ...more,
});

describe('changes made by hand', () => {
  test('are kept or turned away with a reason, and never break a rule', () => {
    fc.assert(
      fc.property(anyFindings, fc.array(fc.tuple(fc.nat(60), fc.nat(60)), { maxLength: 8 }), (findings, wishes) => {
        const ids = planOverhaul(overhaul({ findings })).operations.map(({ id }) => id);
        const at = (n: number) => ids[n % ids.length] as string;
        const byHand = wishes
          .map(([a, b]) => ({ operation: at(a), before: at(b), reason: 'so' }))
          .filter(({ operation, before }) => operation !== before);
        const { operations, unkept } = planOverhaul(overhaul({ findings, byHand }));
        const order = new Map(operations.map(({ id }, i) => [id, i]));
        expect(order.size).toBe(ids.length);
        for (const { id, after } of operations)
          for (const edge of after) expect(order.get(edge.id)).toBeLessThan(order.get(id) ?? -1);
        for (const { operation, before } of byHand) {
          const kept = (order.get(operation) ?? 0) < (order.get(before) ?? 0);
          const refused = unkept.find((each) => each.operation === operation && each.before === before);
          expect([kept, refused === undefined]).toEqual([refused === undefined || kept, kept]);
          if (refused) expect(refused.reason).toMatch(/comes before/);
        }
      }),
      { numRuns: 60 },
    );
  });
  test('a step is moved among those no rule joins; what cannot be kept is kept for later', () => {
    const job = new TestJob();
    job.finding('rim-warped', 'e');
    job.finding('rim-warped', 'g');
    const ids = () => plan(job).steps.map(({ id }) => id);
    expect(ids().indexOf('dress-rim:e')).toBeLessThan(ids().indexOf('dress-rim:g'));
    job.write('plan-change', { operation: 'dress-rim:g', before: 'dress-rim:e', reason: 'The plug is set up' });
    expect(ids().indexOf('dress-rim:g')).toBeLessThan(ids().indexOf('dress-rim:e'));
    expect(step(job, 'dress-rim:e')?.after).toContainEqual({
      id: 'dress-rim:g',
      reason: 'Put here by hand: The plug is set up',
    });
    job.write('plan-change', { operation: 'play-test:instrument', before: 'dress-rim:e', reason: 'impatience' });
    expect(plan(job).unkept).toMatchObject([
      { operation: 'play-test:instrument', reason: expect.stringMatching(/The play test/) },
    ]);
    job.write('plan-change', { operation: 'dress-rim:g', withdrawn: true, reason: 'no longer' });
    expect(ids().indexOf('dress-rim:e')).toBeLessThan(ids().indexOf('dress-rim:g'));
  });
  test('what is done stays the cure of what it cured, under another practice too', () => {
    const job = new TestJob();
    const rim = job.finding('rim-warped', 'e');
    job.done('dress-rim:e', { cures: [rim] });
    job.write('practice-change', { practice: 'keeper', reason: 'It is older than we thought' });
    const kinds = plan(job).steps.map(({ kind, status }) => `${kind} ${status}`);
    expect(kinds).toContain('dress-rim done');
    expect(kinds.join()).not.toContain('raise-rim');
  });
  test('pads renewed as a set ask for no step for each worn one afterwards', () => {
    const job = new TestJob({ scope: 'overhaul' });
    const worn = job.finding('pad-worn', 'g');
    job.done('renew-pads:instrument', { cures: [worn] });
    expect(step(job, 'replace-pad:g')).toBeUndefined();
    expect(step(job, 'renew-pads:instrument')?.cures).toEqual([worn]);
  });
  test('reasons name parts as the technician knows them', () => {
    const job = new TestJob({ scope: 'overhaul' });
    job.finding('dent', 'bow');
    job.finding('body-bent', 'body');
    expect(step(job, 'raise-dent:bow')?.after.map(({ reason }) => reason)).toContain(
      '“Straighten the tube: Body” reaches wider and would move what this one sets.',
    );
  });
  test('a step is added and its minutes set; both outlive a change of practice', () => {
    const job = new TestJob();
    job.write('plan-change', {
      operation: 'raise-dent:bow',
      add: { kind: 'raise-dent', part: 'bow' },
      reason: 'While it is apart',
    });
    job.write('plan-change', { operation: 'raise-dent:bow', minutes: { low: 5, likely: 7, high: 9 }, reason: 'Tiny' });
    job.write('practice-change', { practice: 'keeper', reason: 'It is older than we thought' });
    expect(step(job, 'raise-dent:bow')).toMatchObject({ byHand: true, minutes: { low: 5, likely: 7, high: 9 } });
  });
});

describe('work done out of its order', () => {
  const played = () => {
    const job = new TestJob({ scope: 'overhaul' });
    for (const station of surveyStations) job.write('survey', { station, outcome: 'looked' });
    for (const { id, disturbs, cures } of plan(job).steps) job.done(id, { disturbs, cures });
    job.minute = 100_000;
    return job;
  };
  test('nothing is asked for again while nothing has moved', () => {
    expect(plan(played()).steps.filter(({ again }) => again)).toEqual([]);
  });
  test('a bent body found late turns the plan round: what stands on it is to be looked at again, in order', () => {
    const job = played();
    const bent = job.finding('body-bent', 'body');
    const { steps, next } = plan(job);
    const again = new Map(steps.flatMap((each) => (each.again ? [[each.kind, each.again.by]] : [])));
    for (const kind of [
      'strip',
      'refit-keys',
      'dress-all-rims',
      'renew-pads',
      'assemble',
      'bring-in-links',
      'play-test',
    ])
      expect([kind, again.get(kind)]).toEqual([kind, 'straighten-body:body']);
    for (const kind of ['photograph', 'survey', 'clean', 'polish'])
      expect([kind, again.has(kind)]).toEqual([kind, false]);
    // The keys are on: they come off before the body is worked.
    expect(next?.kind).toBe('strip');
    expect(step(job, 'straighten-body:body')?.waitsFor.map(({ id }) => id)).toContain('strip:instrument');
    job.done('strip:instrument', { disturbs: ['pad:*', 'link:*'] });
    expect(plan(job).next?.id).toBe('straighten-body:body');
    job.done('straighten-body:body', {
      disturbs: ['body-line:body', 'rim:*', 'hinge:*', 'pad:*', 'link:*', 'post:*'],
      cures: [bent],
    });
    expect(plan(job).next?.kind).toBe('dress-all-rims');
    expect(step(job, 'strip:instrument')?.again).toBeNull();
    expect(step(job, 'play-test:instrument')?.status).toBe('waiting');
  });
  test('looking again settles it, and so do fresh readings that are good', () => {
    const job = new TestJob();
    const rim = job.finding('rim-warped', 'e');
    job.done('strip-some:instrument');
    const flat = [0, 0, 0, 0, 0, 0, 0, 0];
    job.rim('e', flat);
    job.done('dress-rim:e', { disturbs: ['rim:e'], cures: [rim] });
    job.rim('e', flat);
    const bent = job.finding('body-bent', 'body');
    expect(step(job, 'dress-rim:e')?.again).toMatchObject({ by: 'straighten-body:body', measure: 'rim:e' });
    job.done('straighten-body:body', { disturbs: ['body-line:body', 'rim:*'], cures: [bent] });
    expect(step(job, 'dress-rim:e')).toMatchObject({ status: 'ready', again: { title: 'Straighten the tube: Body' } });
    job.rim('e', flat);
    expect(step(job, 'dress-rim:e')).toMatchObject({ status: 'done', again: null });
  });
  test('a skipped step spoils nothing', () => {
    const job = played();
    job.finding('body-bent', 'body');
    job.write('operation-skipped', { operation: 'straighten-body:body', title: 'x', reason: 'too risky', leaves: [] });
    expect(plan(job).steps.filter(({ again }) => again)).toEqual([]);
  });
  test('what was done although something deeper waits does not open the way for the rest', () => {
    const job = new TestJob();
    job.finding('body-bent', 'body');
    job.finding('rim-warped', 'e');
    job.finding('pad-worn', 'e');
    job.rim('e', [0, 0, 0, 0, 0, 0, 0, 0]);
    job.done('dress-rim:e');
    expect(step(job, 'replace-pad:e')?.waitsFor.map(({ id }) => id)).toContain('dress-rim:e');
    expect(step(job, 'dress-rim:e')?.again?.by).toBe('straighten-body:body');
  });
});

describe('why', () => {
  test('a step says why it stands here, what skipping leaves and what it spoils', () => {
    const job = new TestJob();
    const rim = job.finding('rim-warped', 'e');
    const pad = job.finding('pad-leaking', 'e');
    job.pad('e', [0, 0, 0, 0, 0, 0, 0, 0]);
    const now = plan(job);
    const why = whyStep(now, job.state, now.steps.find(({ id }) => id === 'dress-rim:e') as (typeof now.steps)[number]);
    expect(why.cures).toEqual([rim]);
    expect(why.skipping.stopGaps).toEqual([rim, pad]);
    expect(why.skipping.builtOn.map(({ id }) => id)).toEqual([
      'reseat-pad:e',
      'bring-in-links:instrument',
      'play-test:instrument',
    ]);
    expect(why.skipping.readings).toEqual([{ group: 'pad', part: 'e', count: 8 }]);
    expect(why.spoils).toEqual({ readings: [{ group: 'pad', part: 'e', count: 8 }], steps: [] });
    const links = whyStep(
      now,
      job.state,
      now.steps.find(({ kind }) => kind === 'reseat-pad') as (typeof now.steps)[number],
    );
    expect(links.here.map(({ reason }) => reason)).toContain('A pad is only as true as the rim it lands on.');
    expect(links.chosenBy).toEqual([]);
  });
  test('the side of the practice that chose it is named', () => {
    const job = new TestJob({ practice: 'keeper' });
    job.finding('pad-leaking', 'e');
    const now = plan(job);
    const why = whyStep(
      now,
      job.state,
      now.steps.find(({ kind }) => kind === 'shim-pad') as (typeof now.steps)[number],
    );
    expect(why.chosenBy).toEqual([
      {
        question: 'Levelling a pad',
        side: 'Shim or float',
        holds: 'A cup is never bent; the pad is floated or shimmed level.',
      },
    ]);
  });
});

describe('what changed in a plan', () => {
  test('is nothing between a plan and itself, and every step that is new is named', () => {
    fc.assert(
      fc.property(anyFindings, fc.constantFrom(...findingKinds), (findings, kind) => {
        const before = planOverhaul(overhaul({ findings })).operations;
        expect(planDiff(before, before)).toEqual({ added: [], gone: [], moved: [], retimed: [] });
        const after = planOverhaul(
          overhaul({ findings: [...findings, { id: 'zz', kind, part: 'extra', severity: 2 }] }),
        ).operations;
        const { added, gone, moved } = planDiff(before, after);
        expect(moved).toEqual([]);
        const was = new Set(before.map(({ id }) => id));
        const is = new Set(after.map(({ id }) => id));
        expect(added).toEqual(after.map(({ id }) => id).filter((id) => !was.has(id)));
        expect(gone).toEqual(before.map(({ id }) => id).filter((id) => !is.has(id)));
      }),
      { numRuns: 40 },
    );
  });
  test('what moved says past which step, and by which rule', () => {
    const findings = ['e', 'f', 'g'].map((part) => ({ id: part, kind: 'rim-warped' as const, part, severity: 2 }));
    const plain = planOverhaul(overhaul({ scope: 'repair', findings })).operations;
    const moved = planOverhaul(
      overhaul({
        scope: 'repair',
        findings,
        byHand: [{ operation: 'dress-rim:g', before: 'dress-rim:e', reason: 'plug' }],
      }),
    ).operations;
    expect(planDiff(plain, moved).moved).toEqual([
      { id: 'dress-rim:g', past: 'dress-rim:e', now: 'before', reason: 'Put here by hand: plug' },
    ]);
  });
  test('each entry that turned the plan says what it did, newest first', () => {
    const job = new TestJob();
    job.finding('rim-warped', 'e');
    job.write('note', { text: 'Nothing to do with it' });
    job.done('dress-rim:e', { disturbs: ['rim:e'] });
    job.finding('body-bent', 'body');
    job.write('practice-change', { practice: 'keeper', reason: 'asked for' });
    const [practice, bent, ...rest] = planTurns(job.state, undefined);
    expect(practice).toMatchObject({
      entry: { kind: 'practice-change' },
      added: ['press-body-straight:body', 'raise-rim:e'],
    });
    // What is done stays, whatever the practice would choose today.
    expect(practice?.gone).toEqual(['straighten-body:body']);
    expect(bent).toMatchObject({
      added: ['straighten-body:body'],
      again: [{ id: 'dress-rim:e', by: 'straighten-body:body' }],
    });
    expect(rest.map(({ entry }) => entry.kind)).toEqual(['finding']);
  });
});
