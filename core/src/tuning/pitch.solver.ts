import type { Problem, Solver } from '../solvers/contract';
import { pitchInput, pitchOutput, type PitchInput, type PitchOutput } from './pitch.schema';
import { solvePitch } from './solvePitch';

/** What an edge is described by. */
const ofEdge = ['at', 'diameter', 'length'] as const;

export const pitchSolver: Solver<PitchInput, PitchOutput> = {
  name: 'pitch',
  title: 'What note a fingering gives',
  input: pitchInput,
  output: pitchOutput,
  check: ({ excitation }) =>
    excitation.kind === 'edge'
      ? ofEdge.flatMap((name): Problem[] =>
          excitation[name] === undefined ? [{ path: `/excitation/${name}`, message: 'is required of an edge' }] : [],
        )
      : [],
  solve: solvePitch,
};
