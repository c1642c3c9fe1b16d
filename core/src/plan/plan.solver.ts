import type { Solver } from '../solvers/contract';
import { planInput, planOutput, type PlanInput, type PlanOutput } from './plan.schema';
import { tableWith } from './operations';
import { planOverhaul } from './planOverhaul';
import { tableProblems } from './tableProblems';

export const planSolver: Solver<PlanInput, PlanOutput> = {
  name: 'plan',
  title: 'From findings to an ordered overhaul',
  input: planInput,
  output: planOutput,
  check: ({ findings, custom }) => {
    const seen = new Set<string>();
    const table = custom ? tableProblems(tableWith(custom.operations)) : [];
    const unsound = table.map((message) => ({ path: '/custom/operations', message }));
    const repeats = findings.flatMap(({ id }, i) => {
      const repeated = seen.has(id);
      seen.add(id);
      return repeated ? [{ path: `/findings/${i}/id`, message: `must not repeat “${id}”` }] : [];
    });
    return [...repeats, ...unsound];
  },
  solve: (input) => planOverhaul(input),
};
