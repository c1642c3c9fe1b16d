import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { sax, TestJob, uuid } from '../../tests/testJob';
import { measuringPoints } from '../measures';
import { instrumentType, partsNear, shippedTypes, type InstrumentType } from '../instruments';
import { judgeJob } from '../judgement';
import { findingKinds, practiceNames, practiceQuestions, practiceSides, scopes } from '../vocabulary';
import {
  asDone,
  howLines,
  jobPlan,
  jobSettings,
  operationKinds,
  planOverhaul,
  shippedOperations,
  turnsOf,
  type OperationKind,
  type PlanInput,
  type PlannedOperation,
} from '.';

const planOf = (job: TestJob, type: InstrumentType = sax) =>
  jobPlan(job.state, type, judgeJob(job.state, type), job.now);
const stepOf = (job: TestJob, id: string, type: InstrumentType = sax) =>
  planOf(job, type).steps.find((each) => each.id === id);
const found = (...kinds: [PlanInput['findings'][number]['kind'], string][]) =>
  kinds.map(([kind, part], i) => ({ id: `f${i}`, kind, part, severity: 2 }));
const plan = (more: Partial<PlanInput>, type: InstrumentType | null = sax) =>
  planOverhaul(
    {
      family: type?.family ?? 'saxophone',
      body: type?.body ?? 'metal',
      practice: 'steady',
      scope: 'overhaul',
      findings: [],
      ...more,
    },
    type,
  ).operations;
const kinds = (operations: readonly PlannedOperation[]) => operations.map(({ kind }) => kind);
const types = shippedTypes.map((type) => instrumentType(type.id) as InstrumentType);
const flute = instrumentType('concert-flute') as InstrumentType;

describe('work that needs keys off, in a repair', () => {
  test('brings in their strip-down, the way back, a look at what moved, the links and the play test', () => {
    const operations = plan({ scope: 'repair', findings: found(['rim-warped', 'low-b']) });
    expect(kinds(operations)).toEqual([
      'strip-some',
      'dress-rim',
      'assemble-some',
      'check-moved',
      'bring-in-links',
      'play-test',
      'hand-over',
    ]);
    // The bell keys share a rod; nothing passes over them but their guard.
    expect(operations[0]?.keys).toEqual(['low-c-sharp-key', 'low-b-key', 'low-b-flat-key']);
    expect(operations[0]?.disturbs.sort()).toEqual(['link:*', 'pad:low-b', 'pad:low-b-flat', 'pad:low-c-sharp']);
  });
  test('takes time by the keys that come off', () => {
    const minutes = (...findings: [PlanInput['findings'][number]['kind'], string][]) =>
      plan({ scope: 'repair', findings: found(...findings) }).find(({ kind }) => kind === 'strip-some')?.minutes.likely;
    expect(minutes(['rim-warped', 'low-b'])).toBeLessThan(minutes(['body-bent', 'body']) ?? 0);
    expect(minutes(['rim-warped', 'low-b'])).toBe(Math.round((18 * 3) / 8));
  });
  test('takes off none where none is in the way', () => {
    const spot = { section: 'neck', at: 30, clock: 180 };
    const dent = [{ id: 'd', kind: 'dent' as const, part: 'neck', severity: 1, place: spot }];
    expect(kinds(plan({ scope: 'repair', practice: 'stage', findings: dent }))).toEqual([
      'raise-dent',
      'play-test',
      'hand-over',
    ]);
  });
  test('an overhaul has them off already', () =>
    expect(kinds(plan({ findings: found(['rim-warped', 'low-b']) }))).not.toContain('strip-some'));
  test('names the keys in an order in which they can come off, and the way back the other way round', () => {
    const job = new TestJob();
    job.finding('rim-warped', 'f-sharp');
    const line = (id: string) => stepOf(job, id)?.how.at(-1) ?? '';
    const off = line('strip-some:instrument').replace('Off, in this order: ', '').slice(0, -1).split(', ');
    expect(off.indexOf('G♯ lever')).toBeLessThan(off.indexOf('G♯ key'));
    expect(off.indexOf('G♯ key')).toBeLessThan(off.indexOf('F♯ key'));
    expect(line('assemble-some:instrument')).toBe(`Back on: ${[...off].reverse().join(', ')}.`);
  });
  test('names one key that comes off alone, and none where none does', () => {
    const alone = sax.holes.find(({ id }) => {
      const [first] = plan({ scope: 'repair', findings: found(['rim-warped', id]) });
      return first?.keys?.length === 1;
    });
    if (!alone) throw new Error('some key of a saxophone stands alone');
    const job = new TestJob();
    job.finding('rim-warped', alone.id);
    expect(stepOf(job, 'strip-some:instrument')?.how.at(-1)).toMatch(/^Off, in this order: [^,]+\.$/);
    const lines = stepOf(job, 'dress-rim:' + alone.id)?.how ?? [];
    expect(lines.length).toBeGreaterThan(0);
    expect(lines.filter((line) => /^(Off|Back on)/.test(line))).toEqual([]);
  });
  test('what came off or was reached is looked at before it counts as good', () => {
    const job = new TestJob();
    job.finding('rim-warped', 'low-b');
    const shut = () => stepOf(job, 'check-moved:instrument')?.gate.filter(({ open }) => !open) ?? [];
    expect(
      shut()
        .map(({ part }) => part)
        .sort(),
    ).toEqual(['low-b', 'low-b-flat', 'low-c-sharp']);
    for (const part of ['low-b', 'low-b-flat', 'low-c-sharp'])
      job.write('tick', { group: 'pad', part, says: 'no-light' });
    expect(shut()).toEqual([]);
  });
  test('links are brought in as far as they were touched, not where a key has none', () => {
    const links = (part: string) =>
      plan({ scope: 'repair', findings: found(['pad-worn', part]) }).find(({ kind }) => kind === 'bring-in-links');
    const linked = new Set(sax.links.flatMap(({ driver, follower }) => [driver, follower]));
    const alone = sax.pads.find(({ key }) => !linked.has(key));
    expect(alone).toBeDefined();
    expect(links(alone?.hole ?? '')).toBeUndefined();
    expect(links('e')?.minutes.likely).toBeLessThan(60);
    expect(links('e')?.minutes.likely).toBeGreaterThanOrEqual(9);
  });
  test('keys that come off again after they were put back, come off again in the plan', () => {
    const job = new TestJob();
    const rim = job.finding('rim-warped', 'low-b');
    job.done('strip-some:instrument');
    job.done('dress-rim:low-b', { cures: [rim] });
    job.done('assemble-some:instrument');
    expect(stepOf(job, 'strip-some:instrument')?.again).toBeNull();
    job.finding('rim-warped', 'low-b-flat');
    expect(stepOf(job, 'strip-some:instrument')?.again).toMatchObject({ by: 'dress-rim:low-b-flat' });
    expect(stepOf(job, 'assemble-some:instrument')?.again).toMatchObject({ by: 'dress-rim:low-b-flat' });
  });
});

describe('pads that are seated under clamps', () => {
  test('the card names the keys that get one: those that fingers hold, or every padded one, by the practice', () => {
    const clampsOf = (clamping: string) => {
      const job = new TestJob({ scope: 'overhaul', practice: 'steady' });
      job.write('tolerances', { changes: [], settings: { clamping, seating: 'clamp-and-warm' } });
      const how = stepOf(job, 'seat-clamped:instrument')?.how ?? [];
      return how.find((line) => line.startsWith('Clamps on ')) ?? '';
    };
    const [held, every] = [clampsOf('finger-keys'), clampsOf('every-pad')];
    expect(held).toContain('G key');
    expect(held).not.toContain('G♯ key');
    expect(every).toContain('G♯ key');
    expect(every.length).toBeGreaterThan(held.length);
  });
});

describe('a dent', () => {
  test('a deep one is raised in two rounds: rough first, fine after the heat beside it; any other in one', () => {
    const [deep, plain] = [new TestJob(), new TestJob()];
    const dentId = '00000000-0000-4000-8000-00000000d001';
    deep.write('finding', { finding: dentId, kind: 'dent', part: 'body', severity: 3, status: 'confirmed' });
    plain.finding('dent', 'body');
    for (const job of [deep, plain]) job.finding('hole-unsoldered', 'd');
    const ids = planOf(deep).steps.map(({ id }) => id);
    const places = ['raise-dent:body', 'resolder-hole:d', 'blend-dent:body'].map((id) => ids.indexOf(id));
    expect(places).not.toContain(-1);
    expect(places).toEqual([...places].sort((a, b) => a - b));
    expect(stepOf(deep, 'blend-dent:body')?.after).toContainEqual(
      expect.objectContaining({ id: 'resolder-hole:d', reason: 'The fine round comes after the heat.' }),
    );
    expect(planOf(plain).steps.some(({ id }) => id.startsWith('blend-dent'))).toBe(false);
  });
});

describe('a hole that is cut', () => {
  test.each(['repair', 'overhaul'] as const)(
    'in a %s: the whole is heard first, then only what covers the hole comes off, goes back, and all is read again',
    (scope) => {
      const job = new TestJob({ scope });
      job.finding('tuning-low', 'e');
      const ids = planOf(job).steps.map(({ id }) => id);
      const order = [
        'set-venting:instrument',
        'hear-pitch:instrument',
        'uncover-hole:e',
        'file-hole-up:e',
        'cover-hole:e',
      ];
      const places = [...order, 'check-pitch:instrument', 'play-test:instrument'].map((id) => ids.indexOf(id));
      expect(places).not.toContain(-1);
      expect(places).toEqual([...places].sort((a, b) => a - b));
      const { reason = '' } = stepOf(job, 'cover-hole:e')?.after.find(({ id }) => id === 'file-hole-up:e') ?? {};
      expect(reason).toMatch(/Its pad is looked at after the cut/);
    },
  );
  test('a practice that leaves holes as they were made takes nothing off for them', () => {
    const job = new TestJob({ practice: 'keeper' });
    job.finding('tuning-low', 'e');
    expect(planOf(job).steps.filter(({ id }) => /hole/.test(id))).toEqual([]);
  });
});

describe('more work found while keys are off', () => {
  test('asks for their strip-down once more, for other keys may be in its way; what was known before does not', () => {
    const job = new TestJob();
    job.finding('rim-warped', 'low-b');
    job.finding('rim-warped', 'low-b-flat');
    job.done('strip-some:instrument');
    expect(stepOf(job, 'strip-some:instrument')).toMatchObject({ status: 'done', again: null });
    job.finding('rim-warped', 'high-d');
    expect(stepOf(job, 'strip-some:instrument')).toMatchObject({ again: { by: 'dress-rim:high-d' } });
    expect(stepOf(job, 'dress-rim:high-d')?.waitsFor.map(({ id }) => id)).toContain('strip-some:instrument');
    job.done('strip-some:instrument');
    expect(stepOf(job, 'strip-some:instrument')).toMatchObject({ status: 'done', again: null });
    // Work that wants no key off asks for nothing.
    job.finding('spring-weak', 'f-key');
    expect(stepOf(job, 'strip-some:instrument')?.again).toBeNull();
  });
});

describe('work disturbs what is within its reach', () => {
  const parts = (type: InstrumentType) =>
    [type.sections, type.holes, type.posts, type.keys, type.joints, type.rods, type.links].flat().map(({ id }) => id);
  test('and never a part that does not exist, whatever was found on whatever instrument', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...types).chain((type) =>
          fc.record({
            type: fc.constant(type),
            scope: fc.constantFrom(...scopes),
            practice: fc.constantFrom(...practiceNames),
            findings: fc.array(
              fc.record({
                kind: fc.constantFrom(...findingKinds),
                part: fc.constantFrom(...parts(type)),
                severity: fc.constantFrom(1, 2, 3),
              }),
              { maxLength: 8 },
            ),
          }),
        ),
        ({ type, findings, ...more }) => {
          const there = new Set(measuringPoints(type).map(({ group, part }) => `${group}:${part}`));
          const operations = plan({ ...more, findings: findings.map((each, i) => ({ ...each, id: `f${i}` })) }, type);
          for (const { disturbs, needs, asks = [], also = [] } of operations)
            for (const measure of [...disturbs, ...needs, ...asks, ...also])
              if (!measure.endsWith(':*')) expect(there).toContain(measure);
        },
      ),
      { numRuns: 60 },
    );
  });
  test('a dent that is raised makes the rim and the pad beside it stale, not those further off', () => {
    const e = sax.holes.find(({ id }) => id === 'e');
    const job = new TestJob({ practice: 'stage' });
    job.rim('e', Array<number>(8).fill(0));
    job.rim('low-b', Array<number>(8).fill(0));
    const place = { section: 'body', at: (e?.at ?? 0) + (e?.diameter ?? 0) / 2 + 10, clock: e?.clock ?? 0 };
    const finding = '00000000-0000-4000-8000-000000000777';
    job.write('finding', { finding, kind: 'dent', part: 'body', severity: 1, status: 'confirmed', place });
    const step = stepOf(job, 'raise-dent:body');
    job.done('raise-dent:body', { disturbs: [...(step?.spoils ?? [])], cures: [finding] });
    const stale = (part: string) =>
      [...job.state.points.values()]
        .filter(({ point }) => point.part === part)
        .flatMap(({ readings }) => readings.map((r) => Boolean(r.stale)));
    expect(new Set(stale('e'))).toEqual(new Set([true]));
    expect(new Set(stale('low-b'))).toEqual(new Set([false]));
  });
});

describe('dents and finish', () => {
  const e = sax.holes.find(({ id }) => id === 'e');
  const job = (along: number, severity = 2) => {
    const made = new TestJob({ practice: 'keeper' });
    const place = { section: 'body', at: (e?.at ?? 0) + (e?.diameter ?? 0) / 2 + along, clock: e?.clock ?? 0 };
    made.write('finding', {
      finding: '00000000-0000-4000-8000-000000000778',
      kind: 'dent',
      part: 'body',
      severity,
      status: 'confirmed',
      place,
    });
    return planOf(made);
  };
  test('a dent close to a seal is never left, whatever the practice; one elsewhere may be', () => {
    expect(job(3).left).toEqual([]);
    const far = new TestJob({ practice: 'keeper' });
    far.finding('dent', 'bell');
    expect(planOf(far).left).toHaveLength(1);
    const atHole = new TestJob({ practice: 'keeper' });
    atHole.finding('dent', 'e');
    expect(planOf(atHole).left).toEqual([]);
  });
  test('nothing is polished where the finish would not bear it, whatever the practice', () => {
    for (const practice of practiceNames) {
      const operations = plan({ practice, spareFinish: true, findings: found(['tarnish', 'body']) });
      expect(kinds(operations)).not.toContain('polish');
      expect(operations.find(({ kind }) => kind === 'wash-finish')?.cures).toEqual(['f0']);
    }
    expect(kinds(plan({ practice: 'stage' }))).toContain('polish');
    const told = new TestJob({ practice: 'stage', scope: 'overhaul', spareFinish: true });
    expect(planOf(told).steps.map(({ kind }) => kind)).not.toContain('polish');
  });
});

describe('wood, pads that lie dry, links and tuning', () => {
  const at = (operations: readonly PlannedOperation[], kind: string) => kinds(operations).indexOf(kind);
  test('wood is oiled when every glue joint on it has cured, and before corks and pads', () => {
    const clarinet = instrumentType('b-flat-clarinet') as InstrumentType;
    const operations = plan(
      {
        findings: found(
          ['crack', 'upper'],
          ['post-stripped', clarinet.posts[0]?.id ?? ''],
          ['tenon-gouged', 'barrel-upper'],
        ),
      },
      clarinet,
    );
    const oil = at(operations, 'oil-wood');
    const glued = operations.flatMap(({ kind, stage }, i) =>
      ['body', 'seams', 'holes', 'joints', 'corks'].includes(stage) &&
      shippedOperations.get(kind)?.cautions.includes('adhesive')
        ? [i]
        : [],
    );
    expect(glued.length).toBeGreaterThan(1);
    for (const i of glued) expect(i).toBeLessThan(oil);
    expect(oil).toBeGreaterThan(at(operations, 'renew-corks'));
    expect(shippedOperations.get('clean-wood')?.tools).not.toContain('bore oil');
    expect(kinds(plan({}))).not.toContain('oil-wood');
  });
  test('a dry pad gets no heat and no bed of adhesive; a glued pad of the same flute does', () => {
    const dry = flute.pads.find(({ hold }) => hold !== 'adhesive')?.hole ?? '';
    const glued = flute.pads.find(({ hold }) => hold === 'adhesive')?.hole ?? '';
    const job = new TestJob({ instrumentType: 'concert-flute', family: 'flute', practice: 'stage' });
    job.finding('pad-worn', dry);
    job.finding('pad-worn', glued);
    job.finding('pad-leaking', dry);
    const step = (id: string) => stepOf(job, id, flute);
    for (const id of [`replace-pad:${dry}`, `reseat-pad:${dry}`]) {
      expect([id, step(id)?.cautions]).toEqual([id, ['hygiene', 'leakLight']]);
      expect(step(id)?.unattended).toBe(0);
      expect(step(id)?.tools.join()).not.toMatch(/warm air|adhesive/);
      expect(step(id)?.how.join(' ')).toMatch(/lies dry/);
      expect(step(id)?.how.join(' ')).not.toMatch(/shellac|hot glue|warm bed/i);
    }
    expect(step(`replace-pad:${glued}`)?.cautions).toEqual(['flame', 'adhesive']);
    expect(step(`replace-pad:${glued}`)?.how.join(' ')).toMatch(/Shellac/);
  });
  test('pads that lie dry are not clamped and warmed', () => {
    expect(kinds(plan({ practice: 'stage' }, flute))).not.toContain('seat-clamped');
    expect(kinds(plan({ practice: 'stage' }))).toContain('seat-clamped');
  });
  test('links are brought in where there are any', () => {
    const simple = instrumentType('simple-clarinet') as InstrumentType;
    expect(simple.links).toEqual([]);
    for (const scope of scopes)
      expect(kinds(plan({ scope, findings: found(['pad-worn', simple.pads[0]?.hole ?? '']) }, simple))).not.toContain(
        'bring-in-links',
      );
    expect(kinds(plan({}, simple))).toContain('balance-springs');
  });
  test('an adjuster is set with the links in an overhaul, before them in a repair, early or late', () => {
    const link = sax.links[0]?.id ?? '';
    const overhaul = plan({ findings: found(['adjuster-out', link], ['lost-motion', link]) });
    expect(overhaul.find(({ kind }) => kind === 'bring-in-links')?.cures).toEqual(['f0', 'f1']);
    const repair = plan({ scope: 'repair', findings: found(['adjuster-out', link], ['pad-leaking', 'e']) });
    expect(at(repair, 'set-adjuster')).toBeLessThan(at(repair, 'bring-in-links'));
    const how = operationKinds['set-adjuster'].how.join(' ');
    expect(how).toMatch(/Early.*screw out.*Late: screw in/);
  });
  test('an adjuster is turned as its link was seen to land, by the kind of adjuster it has', () => {
    const how = (adjuster: string, lands?: string) => {
      const link = sax.links.find((each) => each.adjuster === adjuster && each.acts === 'carries');
      const job = new TestJob();
      job.finding('adjuster-out', link?.id ?? '');
      if (lands !== undefined) job.write('observation', { part: link?.id, about: 'landing', lands });
      return stepOf(job, `set-adjuster:${link?.id}`)?.how.at(-1);
    };
    expect(how('screw', 'follower')).toMatch(/^Seen here: .* first\. So: turn the screw out\.$/);
    expect(how('screw', 'driver')).toMatch(/^Seen here: .* first\. So: turn the screw in\.$/);
    expect(how('cork', 'follower')).toMatch(/So: shave the cork\.$/);
    expect(how('screw')).toBe('Here: early, turn the screw out; late, turn the screw in.');
    expect(how('screw', 'together')).toBe(how('screw'));
  });
  test('an overhaul is played only when every joint that can leak was looked at', () => {
    const job = new TestJob({ scope: 'overhaul' });
    const shut = () =>
      (stepOf(job, 'play-test:instrument')?.gate ?? []).filter(({ group, open }) => group === 'joint' && !open);
    expect(shut().map(({ part }) => part)).toEqual(sax.joints.map(({ id }) => id));
    for (const { id } of sax.joints) job.write('tick', { group: 'joint', part: id, says: 'snug' });
    expect(shut()).toEqual([]);
  });
  test('rims, posts and lines count as looked at when their station of the survey was gone through, not before', () => {
    const job = new TestJob({ scope: 'overhaul' });
    job.finding('rod-bent', 'lower-stack-rod');
    job.finding('seam-open', 'low-c');
    const shut = (kind: string, group: string) =>
      (planOf(job).steps.find((step) => step.kind === kind)?.gate ?? []).filter(
        (check) => check.group === group && !check.open,
      ).length;
    expect(shut('renew-pads', 'rim')).toBe(sax.pads.length);
    expect(shut('straighten-rod', 'post')).toBeGreaterThan(20);
    expect(shut('resolder-seam', 'body-line')).toBe(sax.sections.length);
    job.write('tick', { group: 'rim', part: 'e', says: 'flat' });
    expect(shut('renew-pads', 'rim')).toBe(sax.pads.length - 1);
    job.write('survey', { station: 'holes', outcome: 'skipped' });
    expect(shut('renew-pads', 'rim')).toBe(sax.pads.length - 1);
    for (const station of ['body', 'holes', 'mechanism']) job.write('survey', { station, outcome: 'looked' });
    expect([shut('renew-pads', 'rim'), shut('straighten-rod', 'post'), shut('resolder-seam', 'body-line')]).toEqual([
      0, 0, 0,
    ]);
    // A repair asks for what it has touched.
    const repair = new TestJob();
    repair.finding('seam-open', 'low-c');
    expect(stepOf(repair, 'resolder-seam:low-c')?.gate).toEqual([]);
  });
  test('a hole is cut only after the note was heard on a vented, regulated instrument, and heard again', () => {
    const operations = plan({ findings: found(['tuning-low', 'e'], ['tuning-high', 'low-b']) });
    const order = [
      'set-venting',
      'bring-in-links',
      'hear-pitch',
      'uncover-hole',
      'file-hole-up',
      'fill-hole-down',
      'cover-hole',
      'check-pitch',
      'play-test',
    ];
    const places = order.map((kind) => at(operations, kind));
    expect(places).not.toContain(-1);
    expect(places).toEqual([...places].sort((a, b) => a - b));
    const comesAfter = (kind: string) => operations.find((each) => each.kind === kind)?.after.map(({ id }) => id);
    expect(comesAfter('uncover-hole')).toContain('hear-pitch:instrument');
    expect(comesAfter('file-hole-up')).toContain('uncover-hole:e');
    // What the file upsets is read again before the play test.
    expect(operations.find(({ kind }) => kind === 'file-hole-up')?.also).toEqual(['rim:e', 'pad:e']);
  });
});

describe('every practice question is heard on the step card', () => {
  const everything = found(
    ['body-bent', 'body'],
    ['dent', 'e'],
    ['rim-warped', 'e'],
    ['joint-loose', 'neck-receiver'],
    ['end-play', 'e-key'],
    ['hinge-loose', 'f-key'],
    ['pad-worn', 'e'],
    ['pad-leaking', 'f'],
    ['tarnish', 'body'],
    ['lost-motion', sax.links[0]?.id ?? ''],
  ).map((each) => (each.kind === 'dent' ? { ...each, nearSeal: true } : each));
  const lines = (settings: PlanInput['settings'], scope: PlanInput['scope']) => {
    const input = { practice: 'steady', scope, findings: everything, settings } as const;
    const all = jobSettings(new TestJob({ practice: 'steady' }).state);
    return plan(input).flatMap(({ kind, part }) =>
      howLines(asDone(shippedOperations.get(kind) as OperationKind, 'saxophone', sax, part), { ...all, ...settings }),
    );
  };
  const told = (question: string, side: string) =>
    [...shippedOperations.values()]
      .flatMap((kind) => (kind.by?.[`${question}:${side}` as never] as { how?: string[] } | undefined) ?? [])
      .flatMap(({ how = [] }) => how);
  test.each(practiceQuestions.flatMap((question) => practiceSides[question].map((side) => [question, side] as const)))(
    '%s: %s',
    (question, side) => {
      // Where to clamp matters only to those who clamp, the age of pads only to those who keep them.
      const given = {
        ...(question === 'clamping' && { seating: 'clamp-and-warm' as const }),
        ...(question === 'padLife' && { pads: 'keep-sound' as const }),
      };
      const own = told(question, side);
      const said = [
        ...lines({ ...given, [question]: side } as PlanInput['settings'], 'overhaul'),
        ...lines({ ...given, [question]: side } as PlanInput['settings'], 'repair'),
        ...(question === 'tuning'
          ? howLines(operationKinds['check-pitch'], { ...jobSettings(new TestJob().state), tuning: side as never })
          : []),
      ];
      expect(own.some((line) => said.includes(line))).toBe(true);
      // And not a word of the other side.
      const other = practiceSides[question].find((each) => each !== side) ?? '';
      for (const line of told(question, other)) expect(said).not.toContain(line);
    },
  );
  test('the table names only questions and sides that there are', () => {
    for (const kind of shippedOperations.values())
      for (const key of [...Object.keys(kind.by ?? {}), ...Object.keys(kind.dry?.by ?? {})]) {
        const [question = '', side = ''] = key.split(':');
        expect((practiceSides as Record<string, readonly string[]>)[question]).toContain(side);
      }
    expect(
      turnsOf(operationKinds['renew-pads'], jobSettings(new TestJob({ practice: 'keeper' }).state)).length,
    ).toBeGreaterThan(0);
  });
});

describe('what heat, wood and petals ask for', () => {
  const of = (type: InstrumentType, ...findings: Parameters<typeof found>) =>
    plan({ scope: 'repair', findings: found(...findings) }, type);
  const oboe = types.find(({ body, posts }) => body === 'wood' && posts.length > 0) as InstrumentType;
  const post = oboe.posts[0]?.id ?? '';
  const section = oboe.sections[0]?.id ?? '';
  test.each([
    ['seam-open', 'body', 'resolder-seam'],
    ['hole-unsoldered', 'e', 'resolder-hole'],
    ['post-loose', sax.posts[0]?.id ?? '', 'secure-post'],
    ['crack', 'body', 'braze-crack'],
  ] as const)('%s: flux is washed off where heat was used, before keys go back', (kind, part, hot) => {
    const order = kinds(of(sax, [kind, part]));
    expect(order).toContain('wash-flux');
    expect(order.indexOf('wash-flux')).toBeGreaterThan(order.indexOf(hot));
    const back = order.indexOf('assemble-some');
    if (back >= 0) expect(order.indexOf('wash-flux')).toBeLessThan(back);
  });
  test('wood is glued, so nothing is washed off it', () =>
    expect(kinds(of(oboe, ['crack', section], ['post-loose', post]))).not.toContain('wash-flux'));
  test('a wooden tenon that wobbles is sleeved before it is corked; one that is a hair loose is corked', () => {
    const joint = oboe.joints[0]?.id ?? '';
    const order = kinds(of(oboe, ['joint-loose', joint]));
    expect(order.indexOf('sleeve-wooden-tenon')).toBeGreaterThanOrEqual(0);
    expect(order.indexOf('recork-tenon')).toBeGreaterThan(order.indexOf('sleeve-wooden-tenon'));
    const hair = plan(
      { scope: 'repair', findings: [{ id: 'a', kind: 'joint-loose', part: joint, severity: 1 }] },
      oboe,
    );
    expect(kinds(hair)).toContain('recork-tenon');
    expect(kinds(hair)).not.toContain('sleeve-wooden-tenon');
  });
  test('a leak at a wooden joint is its cork’s, a wobble the wood’s; at a neck both are the tenon’s', () => {
    const severities = (type: InstrumentType, ...says: string[]) =>
      says.map((each) => {
        const job = new TestJob({ instrumentType: type.id });
        job.write('tick', { group: 'joint', part: type.joints[0]?.id, says: each });
        return judgeJob(job.state, type).suggestions.find(({ kind }) => kind === 'joint-loose')?.severity;
      });
    expect(severities(oboe, 'leaks', 'wobbles')).toEqual([1, 2]);
    expect(severities(sax, 'leaks', 'wobbles')).toEqual([2, 2]);
  });
  test('a crack is closed before the bush, and oil comes after all glue', () => {
    const all = plan({ findings: found(['post-stripped', post], ['crack', section]) }, oboe);
    const order = kinds(all);
    expect(order.indexOf('fill-crack')).toBeLessThan(order.indexOf('bush-post'));
    for (const glued of ['fill-crack', 'bush-post', 'renew-corks'])
      expect(order.indexOf('oil-wood')).toBeGreaterThan(order.indexOf(glued));
    expect(order.indexOf('oil-wood')).toBeLessThan(all.findIndex(({ stage }) => stage === 'pads'));
  });
  test('a guard beside a deep dent goes back on between its two rounds, and is named', () => {
    const guard = sax.fittings.find(({ section: on }) => on !== undefined);
    const job = new TestJob();
    const dent = (to: TestJob, place: object, id: string) =>
      to.write('finding', { finding: id, kind: 'dent', part: 'body', severity: 3, status: 'confirmed', place });
    dent(job, { section: guard?.section, at: guard?.at, clock: guard?.clock }, uuid(7001));
    const order = planOf(job).steps.map(({ kind }) => kind);
    const at = ['raise-dent', 'locate-fitting', 'blend-dent'].map((kind) => order.indexOf(kind));
    expect(at[0]).toBeGreaterThanOrEqual(0);
    expect([...at].sort((a, b) => a - b)).toEqual(at);
    expect(stepOf(job, 'locate-fitting:body')?.how.at(-1)).toContain(guard?.name);
    const far = new TestJob();
    const along = Array.from({ length: 40 }, (_, i) => ({ section: 'body', at: 10 + i * 12, clock: 180 }));
    const bare = along.find((spot) => partsNear(sax, spot, 60).fittings.length === 0);
    dent(far, bare ?? {}, uuid(7002));
    expect(planOf(far).steps.map(({ kind }) => kind)).not.toContain('locate-fitting');
  });
  test('a broken snap-fit part is another part, and the card says how it goes in', () => {
    const job = new TestJob();
    job.finding('resonator-broken', 'd');
    const how = () => stepOf(job, 'renew-resonator:d')?.how.join(' ') ?? '';
    expect(how()).toContain('out with its pad');
    expect(how()).not.toContain('petals to a firm snap');
    job.write('observation', { part: 'd', about: 'fit', resonator: 'snap' });
    expect(how()).toContain('close the petals to a firm snap');
    expect(stepOf(job, 'renew-pads:instrument')?.how.join(' ') ?? 'petals').toContain('petals');
  });
  test('the bush worked out for a post stands on its card, and the trial cut with it', () => {
    const job = new TestJob({ instrumentType: oboe.id });
    job.finding('post-stripped', post);
    const how = () => stepOf(job, `bush-post:${post}`, oboe)?.how.slice(-2) ?? [];
    const bush = { post, hole: 4, wall: 7, cutter: 4.2, depth: 5.25, outer: 4, cutTo: 5, gap: 0.1, left: 1.75 };
    expect(how().join(' ')).not.toContain('As worked out');
    job.write('post-bush', bush);
    expect(how()[0]).toBe(
      'As worked out: cutter 4.20 mm, 5.25 mm deep; bush 4.00 mm cut to 5.00 mm; 0.10 mm of adhesive all round; 1.75 mm of wood left above the bore.',
    );
    expect(how()[1]).toContain('trial cut in scrap');
    job.write('post-bush', { ...bush, trial: 5.5 });
    expect(how()[1]).toBe(
      'The trial cut came to 5.50 mm: set the stop 0.25 mm back; as it stands 1.50 mm would be left above the bore.',
    );
    job.write('post-bush', { ...bush, trial: 5.26 });
    expect(how()[1]).toContain('the stop is right');
    job.write('post-bush', { ...bush, removed: true });
    expect(how().join(' ')).not.toContain('As worked out');
  });
});
