import type { Phrase } from '../units';

/** One thing wrong with an input: where (JSON pointer) and what. */
export interface Problem {
  path: string;
  message: string;
}

/**
 * A named calculation: JSON in, JSON out, pure and deterministic.
 *
 * `check` finds what a schema cannot say (repeated positions, reversed pairs, lists that must match); it runs only
 * on input that the schema has passed. `solve` throws `Unsolvable` where well-formed input has no answer.
 */
export interface Solver<Input, Output> {
  name: string;
  title: string;
  input: object;
  output: object;
  check?: (input: Input) => Problem[];
  solve: (input: Input) => Output;
}

export type SolverResult<Output = unknown> =
  | { status: 'solved'; output: Output }
  | { status: 'invalid-input'; problems: Problem[] }
  | { status: 'unknown-solver' }
  | { status: 'unsolvable'; message: string; said: Phrase };

/** The document a failed call answers with, the same from the worker, over HTTP and on the command line. */
export type SolverError =
  | { error: 'invalid-input'; problems: Problem[] }
  | { error: 'unknown-solver' }
  | { error: 'unsolvable'; message: string };

/** The error document of a failed result. */
export function errorDocument(result: Exclude<SolverResult, { status: 'solved' }>): SolverError {
  switch (result.status) {
    case 'invalid-input':
      return { error: 'invalid-input', problems: result.problems };
    case 'unknown-solver':
      return { error: 'unknown-solver' };
    case 'unsolvable':
      return { error: 'unsolvable', message: result.message };
  }
}
