import { describe, expect, test } from '@jest/globals';
import { flat, saddle, sax, TestJob } from '../../tests/testJob';
import { jobRecord, measureHistory, readJobDocument, toJobDocument, type JobRecord } from '.';

const record = (job: TestJob) => jobRecord(job.state, sax, job.now) as JobRecord;

describe('figures before and after', () => {
  test('the first and the last generation of readings, each with its doubt', () => {
    const job = new TestJob();
    job.rim('e', saddle);
    job.done('straighten-body:body', { disturbs: ['rim:*'] });
    job.rim(
      'e',
      saddle.map((height) => height / 2),
    );
    job.done('dress-rim:e', { disturbs: ['rim:e'] });
    job.rim('e', flat);
    const [row] = measureHistory(job.state, sax).rows;
    expect(row).toMatchObject({ group: 'rim', part: 'e', stale: false, unit: 'mm', limit: { upper: 0.03 } });
    expect(row?.before?.value).toBeCloseTo(0.1, 9);
    expect(row?.after?.value).toBeCloseTo(0, 9);
    expect(row?.after?.uncertainty).toBeGreaterThan(0.003);
  });
  test('readings that nothing has disturbed have no before; disturbed ones are marked', () => {
    const job = new TestJob();
    job.pad('g', [0.02, 0, 0.05, 0, 0, 0, 0, 0]);
    expect(measureHistory(job.state, sax).rows[0]).toMatchObject({
      what: 'widest gap',
      before: null,
      after: { value: 0.05 },
      stale: false,
    });
    job.done('strip:instrument', { disturbs: ['pad:*'] });
    expect(measureHistory(job.state, sax).rows[0]).toMatchObject({ after: { value: 0.05 }, stale: true });
  });
});

describe('what was measured and seen', () => {
  const tubes = ['tube-outer', 'tube-inner', 'tube-length', 'rod', 'post-gap'] as const;
  const hinge = (job: TestJob, inner: number) =>
    [5, inner, 30, 3, 30.03].forEach((value, i) =>
      job.read({ group: 'hinge', part: 'd-key', measure: tubes[i] ?? 'rod', clock: 0 }, value, 'micrometer'),
    );
  test('every group is told, with its own unit and limits; what comes to no figure is told as read', () => {
    const job = new TestJob();
    hinge(job, 3.08);
    job.done('swage-key:d-key', { disturbs: ['hinge:d-key'] });
    hinge(job, 3.02);
    job.read({ group: 'spring', part: 'e-key', measure: 'force', clock: 0 }, 0.5, 'force-gauge');
    job.read({ group: 'link', part: 'f-to-f-sharp', measure: 'lost-motion', clock: 0 }, 0.02);
    for (const at of [10, 20])
      job.read({ group: 'bore', part: 'body', measure: 'diameter', at, clock: 0 }, 24, 'bore-gauge');
    job.read({ group: 'hole', part: 'e', measure: 'diameter', clock: 60 }, 20, 'caliper');
    const { rows, readOnly } = measureHistory(job.state, sax);
    const row = (group: string, id: string) => rows.find((each) => each.group === group && each.id === id);
    expect(row('hinge', 'clearance')).toMatchObject({
      part: 'd-key',
      unit: 'mm',
      limit: { lower: 0.01, upper: 0.025 },
      before: { value: expect.closeTo(0.08, 9) },
      after: { value: expect.closeTo(0.02, 9) },
      stale: false,
    });
    expect(row('hinge', 'end-play')).toMatchObject({ before: null, after: { value: expect.closeTo(0.03, 9) } });
    expect(row('spring', 'force')).toMatchObject({ unit: 'N', limit: { lower: 0.35, upper: 0.7 }, before: null });
    expect(row('link', 'lost-motion')).toMatchObject({ what: 'lost motion' });
    expect(readOnly).toEqual([
      { group: 'bore', part: 'body', readings: 2 },
      { group: 'hole', part: 'e', readings: 1 },
    ]);
    const counted = [...rows, ...readOnly].map(({ group, part }) => `${group}:${part}`);
    for (const { point } of job.state.points.values()) expect(counted).toContain(`${point.group}:${point.part}`);
  });
  test('where light showed, first and last, what was struck left out', () => {
    const job = new TestJob();
    const light = (part: string, sectors: number[]) => job.write('observation', { part, about: 'light', sectors });
    light('e', [315, 0, 45]);
    light('e', [0]);
    light('e', []);
    light('c', [90, 270]);
    job.write('strike', { entry: light('c', []) });
    const { lights } = record(job);
    expect(lights).toMatchObject([
      { part: 'c', first: { title: 'Two opposite gaps' }, last: null },
      { part: 'e', place: 'E', first: { sectors: [315, 0, 45] }, last: { title: 'Seals all round', by: 'Juno Tam' } },
    ]);
  });
  test('what was done although it waited is the shop’s to know', () => {
    const job = new TestJob();
    job.write('operation-done', {
      operation: 'dress-rim:e',
      title: 'Level the rim: E',
      minutes: 0,
      disturbs: [],
      cures: [],
      override: 'the owner waits',
    });
    expect(JSON.stringify(record(job))).not.toContain('the owner waits');
    expect(record(job).done).toMatchObject([{ title: 'Level the rim: E', minutes: 0 }]);
  });
});

describe('the record', () => {
  test('says what was found, done, left and struck, and why', () => {
    const job = new TestJob();
    const rim = job.finding('rim-warped', 'e');
    const pad = job.finding('pad-leaking', 'd');
    job.finding('dent', 'bell', 'declined');
    const slip = job.read({ group: 'pad', part: 'g', measure: 'gap', clock: 45 }, 0.5);
    job.write('strike', { entry: slip, reason: 'wrong key' });
    job.done('dress-rim:e', { cures: [rim], minutes: 14 });
    job.write('operation-skipped', {
      operation: 'reseat-pad:d',
      title: 'Level and seat the pad: D',
      reason: 'no felt',
      leaves: [pad],
    });
    job.write('time', { minutes: 6, what: 'talked with the owner' });
    job.write('decision', { question: 'Keep the lacquer?', choice: 'Yes.', reason: 'It is original.' });
    job.write('practice-change', { practice: 'keeper', reason: 'It is older than thought' });
    const text = record(job);
    expect(text.found.map(({ title, statusWord }) => [title, statusWord])).toEqual([
      ['Rim not flat', 'worked on, not checked'],
      ['Pad leaking', 'stop-gap'],
    ]);
    // Only figures, a look or a word make a cure of what was done.
    job.rim('e', flat);
    expect(record(job).found.map(({ statusWord }) => statusWord)).toEqual(['cured', 'stop-gap']);
    expect(text.done).toMatchObject([{ operation: 'dress-rim:e', minutes: 14, by: 'Juno Tam' }]);
    expect(text.minutes).toBe(20);
    expect(text.left).toContainEqual({ what: 'Not done: Level and seat the pad: D', why: 'no felt' });
    expect(text.struck).toMatchObject([{ what: 'reading 0.5 at pad of G, 45°', why: 'wrong key' }]);
    expect(text.decisions.map(({ what }) => what)).toEqual(['Keep the lacquer? Yes.', 'Practice changed to Keeper.']);
    expect(text.practice.title).toBe('Keeper');
    expect(text.signOff).toBeNull();
  });
  test('an open finding is listed as left; the sign-off brings its own cautions', () => {
    const job = new TestJob();
    job.finding('dent', 'bell');
    expect(record(job).left.map(({ what }) => what)).toContain('Dent, Bell');
    expect(record(job).ownerCautions.join()).toMatch(/neck screw/);
    job.write('sign-off', { ownerCautions: ['Oil the rods in spring.'], checkUp: '2027-11-23', summary: 'Plays.' });
    expect(record(job)).toMatchObject({
      ownerCautions: ['Oil the rods in spring.'],
      signOff: { by: 'Juno Tam', checkUp: '2027-11-23', summary: 'Plays.' },
    });
  });
});

describe('job documents', () => {
  const written = () => {
    const job = new TestJob();
    job.rim('e', saddle);
    return toJobDocument('T-1', job.entries, '2026-11-23T12:00:00.000Z');
  };
  const refused = (change: object) => {
    const read = readJobDocument({ ...written(), ...change });
    return read.ok ? [] : read.problems.map(({ path }) => path);
  };
  test('a good one is read', () => expect(readJobDocument(structuredClone(written())).ok).toBe(true));
  test.each([
    [{ version: 2 }, '/version'],
    [{ format: 'other' }, '/format'],
    [{ units: { length: 'in' } }, '/units/length'],
    [{ entries: [] }, '/entries'],
    [{ ticket: 'T-2' }, '/ticket'],
    [{ extra: 1 }, '/extra'],
  ])('%j is refused at its place', (change, path) => expect(refused(change)).toContain(path));
  test('what is no document at all is refused', () => {
    for (const data of [null, 7, 'job', [], {}]) expect(readJobDocument(data).ok).toBe(false);
  });
  test('a strip-down has to tell one story: what came off once goes back on once', () => {
    const paths = (steps: [string, object][]) => {
      const job = new TestJob();
      for (const [kind, body] of steps) job.write(kind, body);
      const read = readJobDocument(structuredClone(toJobDocument('T-1', job.entries, '2026-11-23T12:00:00.000Z')));
      return read.ok ? [] : read.problems.map(({ path, message }) => `${path} ${message}`);
    };
    const off = (part: string, cell: string): [string, object] => ['part-off', { part, where: 'board', cell }];
    const on = (part: string): [string, object] => ['part-on', { part }];
    expect(paths([off('e-key', 'A1'), on('e-key'), off('e-key', 'A1')])).toEqual([]);
    expect(paths([off('e-key', 'A1'), off('d-key', 'A1')])).toEqual(['/entries/2/body/cell A1 is taken by E key']);
    expect(paths([on('e-key')])).toEqual(['/entries/1/body/part is on the instrument already']);
    const named = { put: { keys: [{ id: 'odd-key', name: 'The odd one', rest: 'closed' }] } };
    expect(paths([off('odd-key', 'A1')])[0]).toMatch(/not a part of this instrument/);
    expect(paths([['instrument-change', named], off('odd-key', 'A1')])).toEqual([]);
  });
  test('an instrument that does not ship travels in the intake, and is checked there', () => {
    const own = { ...sax, id: 'our-own', name: 'Our own' };
    const intake = (type: object) => {
      const job = new TestJob({ instrumentType: 'our-own', type });
      return readJobDocument(structuredClone(toJobDocument('T-1', job.entries, '2026-11-23T12:00:00.000Z')));
    };
    expect(intake(own).ok).toBe(true);
    const broken = intake({ ...own, holes: 'none' });
    expect(broken.ok ? [] : broken.problems.map(({ path }) => path)).toEqual(['/entries/0/body/type/holes']);
    const unnamed = new TestJob({ instrumentType: 'our-own' });
    const alone = readJobDocument(toJobDocument('T-1', unnamed.entries, '2026-11-23T12:00:00.000Z'));
    expect(alone.ok ? '' : alone.problems[0]?.message).toMatch(/none came with the intake/);
  });
});
