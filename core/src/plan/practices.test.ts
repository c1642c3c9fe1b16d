import { describe, expect, test } from '@jest/globals';
import { practices, practiceWords, settingsOf, tolerance } from '../practice';
import { runSolver } from '../solvers';
import { practiceNames, practiceQuestions, practiceSides, type PracticeQuestion } from '../vocabulary';
import {
  cureRules,
  howLines,
  operationKinds,
  planOverhaul,
  shippedOperations,
  standingRules,
  tableProblems,
  tableWith,
  type OperationKind,
  type PlanInput,
} from '.';

const everything = (
  [
    'body-bent',
    'dent',
    'crack',
    'stuck-part',
    'rim-warped',
    'joint-loose',
    'tenon-gouged',
    'hinge-loose',
    'end-play',
    'pad-worn',
    'pad-leaking',
    'tarnish',
    'tuning-low',
    'adjuster-out',
    'lost-motion',
  ] as const
).map((kind) => ({ id: kind, kind, part: 'g', severity: 2 }));
const input = (more: Partial<PlanInput> = {}): PlanInput => ({
  family: 'saxophone',
  body: 'metal',
  practice: 'steady',
  scope: 'overhaul',
  findings: everything,
  ...more,
});

/** Everything a plan and its limits say that a person at the bench would notice. */
function visible(settings: PlanInput['settings'], body: PlanInput['body'] = 'metal'): string {
  const all = settingsOf('steady', settings);
  const { operations, left } = planOverhaul(input({ body, ...(settings && { settings }) }));
  const limits = (['lostMotion', 'followerLateness', 'sealForceNewtons'] as const).map((name) =>
    tolerance(name, { family: 'saxophone', practice: 'steady', ...(settings && { settings }) }),
  );
  const steps = operations.map(({ kind, minutes, unattended }) => [
    kind,
    minutes,
    unattended,
    howLines(operationKinds[kind as keyof typeof operationKinds], all),
  ]);
  return JSON.stringify([steps, left, limits]);
}

describe('each question good technicians disagree about', () => {
  test.each(practiceQuestions)('%s changes operations, limits or order, whichever side is taken', (question) => {
    // Where to clamp matters only to those who clamp, and the age of pads only to those who keep them.
    const given = question === 'clamping' ? ({ seating: 'clamp-and-warm' } as const) : {};
    const seen = practiceSides[question].map((side) => visible({ ...given, [question]: side }));
    expect(new Set(seen).size).toBe(practiceSides[question].length);
  });
  test('is put in words, with a line for each side', () => {
    for (const question of practiceQuestions) {
      const { sides, changes } = practiceWords[question];
      expect(Object.keys(sides).sort()).toEqual([...practiceSides[question]].sort());
      for (const { title, holds } of Object.values<{ title: string; holds: string }>(sides)) {
        expect(title.length).toBeGreaterThan(3);
        expect(holds).toMatch(/^.{15,}\.$/);
      }
      expect(changes.length).toBeGreaterThan(10);
    }
  });
  test('a step says which question chose it', () => {
    const chosen = (kind: string, more: Partial<PlanInput> = {}) =>
      planOverhaul(input(more)).operations.find((operation) => operation.kind === kind)?.chosenBy;
    expect(chosen('expand-tenon')).toEqual([]);
    expect(chosen('creep-tenon', { practice: 'keeper' })).toEqual(['tenon']);
    expect(chosen('keep-pads')).toEqual(['pads', 'padLife']);
    expect(chosen('strip')).toEqual([]);
  });
  test('a side taken otherwise brings the limits of the practice that takes it, and no other limit', () => {
    const source = { family: 'saxophone', practice: 'steady', settings: { springFeel: 'light' } } as const;
    expect(tolerance('sealForceNewtons', source)).toBe(0.7);
    expect(tolerance('padGap', source)).toBe(0.05);
    expect(tolerance('sealForceNewtons', { ...source, settings: { springFeel: 'firm' } })).toBe(1);
    expect(tolerance('sealForceNewtons', { ...source, own: { sealForceNewtons: 0.9 } })).toBe(0.9);
  });
  test.each(practiceNames)('%s takes a side on every one', (name) => {
    for (const question of practiceQuestions as PracticeQuestion[])
      expect(practiceSides[question]).toContain(practices[name].settings[question]);
  });
});

describe('the rules from findings to operations', () => {
  test('every kind of finding ends in a rule that always fits', () => {
    const kinds = [...new Set(cureRules.map(({ finding }) => finding))];
    for (const kind of kinds) {
      const last = cureRules.findLast(({ finding }) => finding === kind);
      expect([kind, last?.when]).toEqual([kind, undefined]);
    }
  });
  test('name only operations that are in the table', () => {
    for (const { operations = [] } of cureRules)
      for (const name of operations) expect(shippedOperations.has(name)).toBe(true);
  });
});

describe('a shop’s own work', () => {
  const varnish: OperationKind & { kind: string } = {
    kind: 'touch-up',
    stage: 'finish',
    title: 'Touch up the lacquer: {part}',
    minutes: [10, 20, 30],
    unattended: 600,
    disturbs: ['pad:{part}'],
    needs: [],
    cautions: ['solvent'],
    tools: ['brush'],
    how: ['Thin coats.'],
    reversible: true,
  };
  const custom = {
    operations: [varnish],
    cures: [{ finding: 'tarnish' as const, when: { families: ['saxophone' as const] }, operations: ['touch-up'] }],
    standing: [{ operation: 'touch-up', when: { scope: 'overhaul' as const, families: ['flute' as const] } }],
  };
  test('cures findings before the shipped rules, in its own stage', () => {
    const { operations } = planOverhaul(input({ custom }));
    const own = operations.find(({ id }) => id === 'touch-up:g');
    expect(own).toMatchObject({
      stage: 'finish',
      title: 'Touch up the lacquer: g',
      cures: ['tarnish'],
      unattended: 600,
    });
    expect(own?.after.length).toBeGreaterThan(0);
    const flute = planOverhaul(input({ custom, family: 'flute' })).operations;
    expect(flute.find(({ kind }) => kind === 'touch-up')).toMatchObject({ part: 'instrument', cures: [] });
    expect(flute.find(({ kind }) => kind === 'polish')?.cures).toEqual(['tarnish']);
  });
  test('may stand in place of a shipped step', () => {
    const own = {
      ...varnish,
      kind: 'polish',
      title: 'Polish by hand only',
      minutes: [5, 6, 7] as [number, number, number],
    };
    const { operations } = planOverhaul(input({ custom: { operations: [own], cures: [], standing: [] } }));
    expect(operations.find(({ kind }) => kind === 'polish')).toMatchObject({
      title: 'Polish by hand only',
      minutes: { low: 5 },
    });
  });
  test('must not need what later work disturbs', () => {
    const early = { ...varnish, needs: ['pad:*'] };
    expect(tableProblems(tableWith([early]))[0]).toMatch(/“touch-up” needs pad readings, which “.+” disturbs later/);
    const refused = runSolver('plan', input({ custom: { ...custom, operations: [early] } }));
    expect(refused).toMatchObject({ status: 'invalid-input', problems: [{ path: '/custom/operations' }] });
    expect(runSolver('plan', input({ custom })).status).toBe('solved');
  });
  test('a rule that names a step nobody knows leaves the finding with a reason', () => {
    const lost = { operations: [], cures: [{ finding: 'tarnish' as const, operations: ['no-such'] }], standing: [] };
    expect(planOverhaul(input({ custom: lost })).left).toContainEqual({
      finding: 'tarnish',
      reason: expect.stringMatching(/No step/),
    });
  });
});

test('the shipped table is held to the same schema as a shop’s own work', () => {
  const operations = [...shippedOperations].map(([kind, work]) => ({ kind, ...work }));
  const custom = { operations, cures: [...cureRules], standing: [...standingRules] };
  expect(runSolver('plan', input({ findings: [], custom }))).toMatchObject({ status: 'solved' });
});

test('the shipped table asks for nothing that later work spoils', () =>
  expect(tableProblems(shippedOperations)).toEqual([]));

describe('size', () => {
  const minutes = (pads: number) =>
    planOverhaul(input({ practice: 'stage', size: { pads, keys: 24, holes: 24 } })).operations.find(
      ({ kind }) => kind === 'renew-pads',
    )?.minutes.likely;
  test('work on every pad grows with the pads', () => {
    expect(minutes(24)).toBe(180);
    expect(minutes(12)).toBe(90);
  });
});
