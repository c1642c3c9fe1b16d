import { Unsolvable } from '../metrology';
import * as compiled from '../generated/solvers.js';
import { problemsWith, validatorOf } from '../validation';
import type { Problem, SolverResult } from './contract';
import { solvers } from './registry';

const tooLarge = 'The figures are too large to compute with.';

/** True when every number inside is finite. */
function allFinite(value: unknown): boolean {
  if (typeof value === 'number') return Number.isFinite(value);
  if (Array.isArray(value)) return value.every(allFinite);
  if (value !== null && typeof value === 'object') return Object.values(value).every(allFinite);
  return true;
}

/**
 * Runs a solver by name on a parsed JSON document: validate, check, solve. The one way in, whoever calls.
 * Never throws for bad input and never answers NaN or Infinity.
 */
export function runSolver(name: string, input: unknown): SolverResult {
  const solver = solvers.get(name);
  const validate = validatorOf(compiled, name);
  if (!solver || !validate) return { status: 'unknown-solver' };
  const problems = problemsWith(validate, input);
  if (problems.length > 0) return { status: 'invalid-input', problems };
  const checked: Problem[] = solver.check?.(input as never) ?? [];
  if (checked.length > 0) return { status: 'invalid-input', problems: checked };
  try {
    const output = solver.solve(input as never);
    if (!allFinite(output)) return { status: 'unsolvable', message: tooLarge, said: [tooLarge] };
    return { status: 'solved', output };
  } catch (error) {
    if (error instanceof Unsolvable) return { status: 'unsolvable', message: error.message, said: error.said };
    throw error;
  }
}

/** Runs a solver on JSON text; text that does not parse is one problem with path "". */
export function runSolverOnText(name: string, text: string): SolverResult {
  if (!solvers.has(name)) return { status: 'unknown-solver' };
  let input: unknown;
  try {
    input = JSON.parse(text);
  } catch (error) {
    return { status: 'invalid-input', problems: [{ path: '', message: `is not JSON: ${(error as Error).message}` }] };
  }
  return runSolver(name, input);
}
