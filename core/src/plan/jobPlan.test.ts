import { describe, expect, test } from '@jest/globals';
import { flat, sax, TestJob } from '../../tests/testJob';
import { benchSummary, type BenchSummary } from '../bench';
import { applyOptions, instrumentType, type InstrumentType } from '../instruments';
import { judgeJob } from '../judgement';
import { firstWords, jobPlan } from '.';

const plan = (job: TestJob) => jobPlan(job.state, sax, judgeJob(job.state, sax), job.now);
const step = (job: TestJob, id: string) => plan(job).steps.find((candidate) => candidate.id === id);

/** A leaking pad over a crooked rim, both confirmed. */
function crooked() {
  const job = new TestJob();
  const rim = job.finding('rim-warped', 'e');
  const pad = job.finding('pad-leaking', 'e');
  // The keys in the way are off.
  job.done('strip-some:instrument');
  return { job, rim, pad };
}

describe('the plan of a job', () => {
  test('suspected and declined findings are not planned; confirmed ones are, by the name of their part', () => {
    const job = new TestJob();
    job.finding('dent', 'bell', 'suspected');
    job.finding('dent', 'neck', 'declined');
    job.finding('rim-warped', 'low-b');
    const titles = plan(job).steps.map(({ title }) => title);
    expect(titles).toContain('Level the rim: Low B');
    expect(titles.some((title) => title.startsWith('Raise the dent'))).toBe(false);
  });

  test('a step is good by the limits of its own part: a large hole by its class, a dent by the eye', () => {
    const job = new TestJob();
    for (const part of ['low-b', 'c', 'b', 'e']) job.finding('rim-warped', part);
    job.finding('dent', 'bell');
    const names = (id: string) => step(job, id)?.reach.map(({ name, limit }) => [name, limit]);
    const large = sax.holes.find(({ id }) => id === 'low-b')?.diameter ?? 0;
    const small = sax.holes.find(({ diameter }) => diameter <= 20)?.id ?? '';
    expect(large).toBeGreaterThan(20);
    expect(names('dress-rim:low-b')).toEqual([
      ['rimFlatnessLarge', 0.03],
      ['rimTilt', 0.1],
    ]);
    job.finding('rim-warped', small);
    expect(names(`dress-rim:${small}`)?.[0]).toEqual(['rimFlatness', 0.02]);
    expect(names('raise-dent:bell')).toEqual([]);
  });

  test('a limit that is set for no such instrument is said to be missing', () => {
    const flute = applyOptions(instrumentType('concert-flute') as InstrumentType, []);
    const job = new TestJob({ instrumentType: 'concert-flute', family: 'flute' });
    job.finding('bell-turned', 'foot');
    const found = jobPlan(job.state, flute, judgeJob(job.state, flute), job.now).steps.find(
      ({ kind }) => kind === 'turn-bell',
    );
    expect(found?.reach).toMatchObject([{ name: 'witnessGap', limit: null }]);
  });

  test('the pad waits for its rim, then for fresh readings of it', () => {
    const { job, rim } = crooked();
    expect(plan(job).next?.id).toBe('dress-rim:e');
    expect(step(job, 'reseat-pad:e')).toMatchObject({ status: 'waiting', waitsFor: [{ id: 'dress-rim:e' }] });
    job.rim('e', flat);
    job.done('dress-rim:e', { disturbs: ['rim:e', 'pad:e'], cures: [rim] });
    expect(step(job, 'reseat-pad:e')).toMatchObject({ status: 'waiting', waitsFor: [] });
    expect(step(job, 'reseat-pad:e')?.gate).toEqual([
      { group: 'rim', part: 'e', open: false, why: 'rim of E is stale' },
    ]);
    job.rim('e', flat);
    expect(step(job, 'reseat-pad:e')).toMatchObject({ status: 'ready', gate: [{ open: true }] });
    expect(job.state.findings.get(rim)?.status).toBe('cured');
  });

  test('in an overhaul a pad nobody has looked at does not count as good; one key a pad opens the gate', () => {
    const job = new TestJob({ scope: 'overhaul' });
    const gate = () => step(job, 'bring-in-links:instrument')?.gate.filter(({ group }) => group === 'pad') ?? [];
    expect(gate()).toHaveLength(sax.pads.length);
    expect(gate().some(({ open }) => open)).toBe(false);
    const [first = '', ...others] = sax.pads.map(({ hole }) => hole);
    for (const part of others) job.write('tick', { group: 'pad', part, says: 'no-light' });
    expect(gate().filter(({ open }) => !open)).toMatchObject([{ part: first }]);
    job.write('tick', { group: 'pad', part: first, says: 'no-light' });
    expect(gate().every(({ open }) => open)).toBe(true);
    // A repair asks for what it has touched.
    expect(step(new TestJob(), 'bring-in-links:instrument')?.gate ?? []).toEqual([]);
  });
  test('a gate with * asks for every part that was measured, and a fault keeps it shut', () => {
    const { job } = crooked();
    job.pad('g', flat);
    job.pad('d', [0.2, 0, 0, 0, 0, 0, 0, 0]);
    const gate = step(job, 'bring-in-links:instrument')?.gate;
    expect(gate?.map(({ part, open }) => [part, open])).toEqual([
      ['g', true],
      ['d', false],
    ]);
  });

  test('what is left as it is, with its reason, holds up nothing that speaks of the whole', () => {
    const { job } = crooked();
    job.pad('d', [0.2, 0, 0, 0, 0, 0, 0, 0]);
    const left = job.finding('pad-leaking', 'd');
    const shut = () => step(job, 'bring-in-links:instrument')?.gate.filter(({ open }) => !open) ?? [];
    expect(shut().map(({ part }) => part)).toEqual(['d']);
    job.write('operation-skipped', {
      operation: 'reseat-pad:d',
      title: 'x',
      reason: 'beyond the hours',
      leaves: [left],
    });
    expect(job.state.findings.get(left)?.status).toBe('stop-gap');
    expect(shut()).toEqual([]);
    job.write('finding', { finding: left, kind: 'pad-leaking', part: 'd', severity: 2, status: 'confirmed' });
    expect(shut().map(({ part }) => part)).toEqual(['d']);
  });

  test('what cures holds up what follows until its time is over', () => {
    const job = new TestJob();
    const finding = job.finding('pad-leaking', 'g');
    job.rim('g', flat);
    job.done('reseat-pad:g', { cures: [finding] });
    expect(step(job, 'reseat-pad:g')).toMatchObject({ status: 'curing', curingUntil: '2026-11-23T09:10:00.000Z' });
    expect(step(job, 'bring-in-links:instrument')).toMatchObject({
      status: 'waiting',
      waitsFor: [{ until: '2026-11-23T09:10:00.000Z' }],
    });
    job.minute = 11;
    expect(step(job, 'reseat-pad:g')?.status).toBe('done');
    expect(step(job, 'bring-in-links:instrument')?.status).toBe('ready');
  });

  test('what needs no time to cure does not wait for the clock of a page that is a little behind', () => {
    const { job, rim } = crooked();
    job.done('dress-rim:e', { cures: [rim] });
    const behind = new Date(Date.parse(job.now) - 20_000).toISOString();
    const steps = jobPlan(job.state, sax, judgeJob(job.state, sax), behind).steps;
    expect(steps.find(({ id }) => id === 'dress-rim:e')).toMatchObject({ status: 'done', curingUntil: null });
    expect(steps.find(({ id }) => id === 'reseat-pad:e')?.waitsFor).toEqual([]);
  });

  test('a skipped step lets the next one go on; a started one is next', () => {
    const { job, rim } = crooked();
    job.write('operation-started', { operation: 'dress-rim:e', cautionsAccepted: ['dust'] });
    expect(plan(job).next).toMatchObject({ id: 'dress-rim:e', status: 'started' });
    job.write('operation-skipped', {
      operation: 'dress-rim:e',
      title: 'x',
      reason: 'no plug of that size',
      leaves: [rim],
    });
    expect(step(job, 'dress-rim:e')?.status).toBe('skipped');
    expect(step(job, 'reseat-pad:e')?.waitsFor).toEqual([]);
    expect(job.state.findings.get(rim)).toMatchObject({ status: 'stop-gap', reason: 'no plug of that size' });
  });

  test('a fault confirmed again after its cure asks for the work again', () => {
    const { job, rim } = crooked();
    job.done('dress-rim:e', { cures: [rim] });
    expect(step(job, 'dress-rim:e')?.status).toBe('done');
    job.finding('rim-warped', 'e', 'confirmed', rim);
    expect(step(job, 'dress-rim:e')?.status).toBe('ready');
    expect(plan(job).minutesLeft.likely).toBeGreaterThan(0);
  });

  test('what the practice leaves is listed with its reason', () => {
    const job = new TestJob({ practice: 'keeper' });
    const finding = job.finding('tuning-low', 'low-b');
    expect(plan(job).left).toMatchObject([{ finding: { finding }, reason: expect.stringMatching(/Keeper/) }]);
  });
});

describe('the bench', () => {
  test('a repair nobody has looked at yet is to be looked over, whatever else is planned', () => {
    expect(plan(new TestJob({ scope: 'repair' })).first).toBe('look');
    expect(summary(new TestJob({ scope: 'repair' }))).toMatchObject({ stage: 'survey', next: firstWords.look });
    // An overhaul begins with steps of its own.
    expect(plan(new TestJob({ scope: 'overhaul' })).first).toBeNull();
    const seen: [string, (job: TestJob) => void][] = [
      ['a reading', (job) => job.read({ group: 'pad', part: 'e', measure: 'gap', clock: 0 }, 0)],
      ['a look', (job) => job.write('tick', { group: 'pad', part: 'e', says: 'seals' })],
      ['a station of the survey', (job) => job.write('survey', { station: 'pads', outcome: 'looked' })],
      ['the leak light', (job) => job.write('observation', { part: 'e', about: 'light', sectors: [] })],
      ['a note', (job) => job.write('played', { fingering: 'd4-1', heard: 'clear' })],
      ['a line of the play test', (job) => job.write('tested', { line: 'long-low', result: 'clear' })],
      ['the play test', (job) => job.write('operation-started', { operation: 'play-test:instrument' })],
      ['a step that is done', (job) => job.done('play-test:instrument')],
      ['that it was signed off', (job) => job.write('sign-off', { ownerCautions: [] })],
      ['a finding that was declined', (job) => job.finding('dent', 'bell', 'declined')],
    ];
    for (const [what, look] of seen) {
      const job = new TestJob({ scope: 'repair' });
      look(job);
      expect([what, plan(job).first]).toEqual([what, null]);
    }
  });
  test('what was found comes before playing it and sending it home: it waits for an answer', () => {
    const suspected = new TestJob();
    suspected.finding('dent', 'bell', 'suspected');
    const read = new TestJob();
    flat.forEach((_, i) => read.read({ group: 'pad', part: 'e', measure: 'gap', clock: i * 45 }, i === 0 ? 0.3 : 0));
    expect(judgeJob(read.state, sax).suggestions.length).toBeGreaterThan(0);
    for (const job of [suspected, read])
      expect(summary(job)).toMatchObject({ stage: 'survey', next: 'Decide on what was found' });
    suspected.finding('rim-warped', 'e');
    expect(plan(suspected).first).toBeNull();
  });
  const summary = (job: TestJob) =>
    benchSummary(job.state, sax, { judgement: judgeJob(job.state, sax), plan: plan(job) }, job.now) as BenchSummary;
  test('sums a ticket up', () => {
    const { job } = crooked();
    expect(summary(job)).toMatchObject({
      stage: 'holes',
      next: 'Level the rim: E',
      blockedBy: [],
      openFindings: 2,
      done: 1,
      signedOff: false,
    });
  });
  test('says what blocks a ticket that can not go on', () => {
    const job = new TestJob();
    job.finding('pad-leaking', 'e');
    job.finding('rim-warped', 'e', 'suspected');
    expect(summary(job)).toMatchObject({ next: null, blockedBy: ['rim of E is not measured'] });
  });
  test('a signed job asks for nothing', () => {
    const { job } = crooked();
    job.write('sign-off', { ownerCautions: [] });
    expect(summary(job)).toMatchObject({ stage: 'signed off', next: null, blockedBy: [], signedOff: true });
  });
});
