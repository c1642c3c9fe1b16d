import type { Solver } from '../solvers/contract';
import { linkageInput, linkageOutput, type LinkageInput, type LinkageOutput } from './linkage.schema';
import { solveLinkage } from './solveLinkage';

export const linkageSolver: Solver<LinkageInput, LinkageOutput> = {
  name: 'linkage',
  title: 'What happens when keys are pressed',
  input: linkageInput,
  output: linkageOutput,
  solve: solveLinkage,
};
