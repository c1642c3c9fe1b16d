import type { Problem, Solver } from '../solvers/contract';
import { pitchInput, pitchOutput, type PitchInput, type PitchOutput } from './pitch.schema';
import { solvePitch } from './solvePitch';

/** What an edge is described by. */
const ofEdge = ['at', 'diameter', 'length'] as const;

/** Problems with an edge of which something is missing. */
export const edgeProblems = ({ excitation }: Pick<PitchInput, 'excitation'>): Problem[] =>
  excitation.kind === 'edge'
    ? ofEdge.flatMap((name): Problem[] =>
        excitation[name] === undefined ? [{ path: `/excitation/${name}`, message: 'is required of an edge' }] : [],
      )
    : [];

export const pitchSolver: Solver<PitchInput, PitchOutput> = {
  name: 'pitch',
  title: 'What note a fingering gives',
  input: pitchInput,
  output: pitchOutput,
  check: edgeProblems,
  solve: solvePitch,
};
