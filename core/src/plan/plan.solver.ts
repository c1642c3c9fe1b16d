import type { Solver } from '../solvers/contract';
import { planInput, planOutput, type PlanInput, type PlanOutput } from './plan.schema';
import { planOverhaul } from './planOverhaul';

export const planSolver: Solver<PlanInput, PlanOutput> = {
  name: 'plan',
  title: 'From findings to an ordered overhaul',
  input: planInput,
  output: planOutput,
  check: ({ findings }) => {
    const seen = new Set<string>();
    return findings.flatMap(({ id }, i) => {
      const repeated = seen.has(id);
      seen.add(id);
      return repeated ? [{ path: `/findings/${i}/id`, message: `must not repeat “${id}”` }] : [];
    });
  },
  solve: planOverhaul,
};
