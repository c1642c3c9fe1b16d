import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { cautions } from '../cautions';
import { runSolver } from '../solvers';
import { families, findingKinds, practiceNames, scopes, stages } from '../vocabulary';
import {
  operationKinds,
  overlaps,
  planOverhaul,
  stageRules,
  type OperationKind,
  type PlanInput,
  type PlanOutput,
} from '.';

const anyInput: fc.Arbitrary<PlanInput> = fc.record({
  family: fc.constantFrom(...families),
  body: fc.constantFrom('metal' as const, 'wood' as const),
  practice: fc.constantFrom(...practiceNames),
  scope: fc.constantFrom(...scopes),
  findings: fc
    .array(
      fc.record({
        kind: fc.constantFrom(...findingKinds),
        part: fc.constantFrom('body', 'low-e', 'g', 'neck', 'post-3'),
        severity: fc.constantFrom(1, 2, 3),
      }),
      { maxLength: 25 },
    )
    .map((list) => list.map((finding, i) => ({ ...finding, id: `f${String(i).padStart(2, '0')}` }))),
});

const place = (plan: PlanOutput) => new Map(plan.operations.map(({ id }, i) => [id, i]));

/** Everything that must come before each operation, by chains of edges. */
function ancestors(plan: PlanOutput): Map<string, Set<string>> {
  const all = new Map<string, Set<string>>();
  for (const { id, after } of plan.operations) {
    all.set(id, new Set(after.flatMap((edge) => [edge.id, ...(all.get(edge.id) ?? [])])));
  }
  return all;
}

const overhaul = (more: Partial<PlanInput> = {}): PlanOutput =>
  planOverhaul({ family: 'saxophone', body: 'metal', practice: 'steady', scope: 'overhaul', findings: [], ...more });

describe('plan', () => {
  test('edges run forward, never name a stranger, and carry a reason', () => {
    fc.assert(
      fc.property(anyInput, (input) => {
        const plan = planOverhaul(input);
        const order = place(plan);
        for (const { id, after } of plan.operations) {
          for (const edge of after) {
            expect(order.get(edge.id)).toBeLessThan(order.get(id) ?? -1);
            expect(edge.reason.length).toBeGreaterThan(10);
          }
        }
        const ranks = plan.operations.map(({ stage }) => stages.indexOf(stage));
        expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
      }),
    );
  });

  test('every finding is cured or left with a reason', () => {
    fc.assert(
      fc.property(anyInput, (input) => {
        const plan = planOverhaul(input);
        const answered = new Set([
          ...plan.operations.flatMap(({ cures }) => cures),
          ...plan.left.map(({ finding }) => finding),
        ]);
        expect([...answered].sort()).toEqual(input.findings.map(({ id }) => id).sort());
      }),
    );
  });

  test('nothing needs a measure that later work of the same plan disturbs, and its disturbers are its ancestors', () => {
    fc.assert(
      fc.property(anyInput, (input) => {
        const plan = planOverhaul(input);
        const order = place(plan);
        const before = ancestors(plan);
        for (const needy of plan.operations) {
          for (const other of plan.operations) {
            if (other === needy) continue;
            if (!needy.needs.some((need) => other.disturbs.some((disturbed) => overlaps(need, disturbed)))) continue;
            expect(order.get(other.id)).toBeLessThan(order.get(needy.id) ?? -1);
            expect(before.get(needy.id)?.has(other.id)).toBe(true);
          }
        }
      }),
    );
  });

  test('stages that stand on each other are joined by a chain', () => {
    fc.assert(
      fc.property(anyInput, (input) => {
        const plan = planOverhaul(input);
        const before = ancestors(plan);
        for (const rule of stageRules) {
          for (const first of plan.operations.filter(({ stage }) => stage === rule.before)) {
            for (const second of plan.operations.filter(({ stage }) => stage === rule.after)) {
              expect(before.get(second.id)?.has(first.id)).toBe(true);
            }
          }
        }
      }),
      { numRuns: 50 },
    );
  });

  test('the order of the findings does not matter, and one more finding never turns two operations round', () => {
    fc.assert(
      fc.property(anyInput, fc.constantFrom(...findingKinds), (input, kind) => {
        const plan = planOverhaul(input);
        expect(planOverhaul({ ...input, findings: [...input.findings].reverse() })).toEqual(plan);
        const more = place(
          planOverhaul({ ...input, findings: [...input.findings, { id: 'zz', kind, part: 'extra', severity: 2 }] }),
        );
        const ids = plan.operations.map(({ id }) => more.get(id)).filter((at) => at !== undefined);
        expect(ids).toEqual([...ids].sort((a, b) => a - b));
      }),
    );
  });

  test('an overhaul always strips, refits, corks, pads, regulates, plays and hands over', () => {
    for (const practice of practiceNames) {
      const kinds = overhaul({ practice }).operations.map(({ stage }) => stage);
      for (const stage of ['strip', 'keys', 'corks', 'pads', 'regulate', 'playtest', 'handover'])
        expect(kinds).toContain(stage);
    }
  });

  test('practices, families and bodies plan visibly differently', () => {
    const findings = (
      ['dent', 'crack', 'tuning-low', 'rim-warped', 'pad-leaking', 'joint-loose', 'tarnish'] as const
    ).map((kind) => ({
      id: kind,
      kind,
      part: 'g',
      severity: 2,
    }));
    const ids = (more: Partial<PlanInput>) =>
      overhaul({ findings, ...more })
        .operations.map(({ id }) => id)
        .join();
    const all = [ids({}), ids({ practice: 'stage' }), ids({ practice: 'keeper' }), ids({ body: 'wood' })];
    expect(new Set(all).size).toBe(4);
    const keeper = overhaul({ practice: 'keeper', findings });
    expect(keeper.left.map(({ finding }) => finding).sort()).toEqual(['dent', 'tuning-low']);
    const minutes = (family: 'flute' | 'saxophone') =>
      overhaul({ family }).operations.reduce((sum, op) => sum + op.minutes.likely, 0);
    expect(minutes('flute')).toBeLessThan(minutes('saxophone'));
  });

  test('a rim is levelled before the pad above it, and the pad before regulation', () => {
    const plan = overhaul({
      scope: 'repair',
      findings: [
        { id: 'p', kind: 'pad-leaking', part: 'low-e', severity: 1 },
        { id: 'r', kind: 'rim-warped', part: 'low-e', severity: 2 },
      ],
    });
    expect(plan.operations.map(({ id }) => id)).toEqual([
      'strip-some:instrument',
      'dress-rim:low-e',
      'reseat-pad:low-e',
      'assemble-some:instrument',
      'check-moved:instrument',
      'bring-in-links:instrument',
      'play-test:instrument',
      'hand-over:instrument',
    ]);
  });

  test('what is done stays in the plan, marked', () => {
    const plan = overhaul({ done: ['strip:instrument', 'no-such:thing'] });
    expect(plan.operations.filter(({ done }) => done).map(({ id }) => id)).toEqual(['strip:instrument']);
  });

  test('a repeated finding id is refused', () => {
    const finding = { id: 'a', kind: 'dent', part: 'g', severity: 1 };
    const result = runSolver('plan', {
      family: 'flute',
      body: 'metal',
      practice: 'stage',
      scope: 'repair',
      findings: [finding, finding],
    });
    expect(result).toMatchObject({ status: 'invalid-input', problems: [{ path: '/findings/1/id' }] });
  });
});

describe('the table of operations', () => {
  const kinds = Object.entries<OperationKind>(operationKinds);
  test.each(kinds)('%s is whole', (_name, kind) => {
    expect(kind.minutes[0]).toBeLessThanOrEqual(kind.minutes[1]);
    expect(kind.minutes[1]).toBeLessThanOrEqual(kind.minutes[2]);
    expect(kind.how.length).toBeGreaterThan(0);
    for (const caution of kind.cautions) expect(cautions).toHaveProperty(caution);
  });
  test('work with heat, glue, dust or blades carries its caution', () => {
    for (const [, { tools, cautions: carried }] of kinds) {
      if (tools.includes('solder')) expect(carried).toEqual(expect.arrayContaining(['flame', 'solder']));
      if (tools.includes('adhesive')) expect(carried).toContain('adhesive');
      if (tools.includes('warm air')) expect(carried).toContain('flame');
      if (tools.includes('lathe') || tools.includes('guided cutter')) expect(carried).toContain('cutter');
      if (tools.includes('penetrating oil')) expect(carried).toContain('solvent');
    }
  });
  test('what is glued, heated or soaked is left to cure, cool or soak', () => {
    for (const [name, { tools, cautions: carried, unattended = 0 }] of kinds) {
      const waits = carried.includes('adhesive') || carried.includes('flame') || tools.includes('penetrating oil');
      expect([name, unattended > 0]).toEqual([name, waits || unattended > 0]);
    }
  });
});
