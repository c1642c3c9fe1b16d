import { repeatedAt } from '../solvers/checks';
import type { Problem, Solver } from '../solvers/contract';
import { boreInput, boreOutput, type BoreInput, type BoreOutput } from './bore.schema';
import { solveBore } from './solveBore';

function check({ stations, reference }: BoreInput): Problem[] {
  const problems = repeatedAt(stations, '/stations');
  if (reference.kind === 'points') return [...problems, ...repeatedAt(reference.points, '/reference/points')];
  const places = stations.map(({ at }) => at);
  const [first, last] = [Math.min(...places), Math.max(...places)];
  reference.breaks.forEach((at, i) => {
    if (at <= first || at >= last) {
      problems.push({ path: `/reference/breaks/${i}`, message: `must lie strictly between ${first} and ${last}` });
    }
  });
  const repeated = repeatedAt(
    reference.breaks.map((at) => ({ at })),
    '/reference/breaks',
  );
  return [...problems, ...repeated.map(({ path, message }) => ({ path: path.replace(/\/at$/, ''), message }))];
}

export const boreSolver: Solver<BoreInput, BoreOutput> = {
  name: 'bore',
  title: 'The bore against its reference',
  input: boreInput,
  output: boreOutput,
  check,
  solve: solveBore,
};
