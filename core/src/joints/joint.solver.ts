import { repeatedAt, reversedPair } from '../solvers/checks';
import type { Solver } from '../solvers/contract';
import { jointInput, jointOutput, type JointInput, type JointOutput } from './joint.schema';
import { solveJoint } from './solveJoint';

export const jointSolver: Solver<JointInput, JointOutput> = {
  name: 'joint',
  title: 'A metal joint or neck: fit, leak and plan',
  input: jointInput,
  output: jointOutput,
  check: ({ tenon, receiver, limits }) => [
    ...repeatedAt(tenon, '/tenon'),
    ...repeatedAt(receiver, '/receiver'),
    ...reversedPair(limits.clearance, '/limits/clearance'),
  ],
  solve: solveJoint,
};
