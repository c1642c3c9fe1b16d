import type { Solver } from '../solvers/contract';
import { landingInput, landingOutput, type LandingInput, type LandingOutput } from './landing.schema';
import { solveLanding } from './solveLanding';

export const landingSolver: Solver<LandingInput, LandingOutput> = {
  name: 'landing',
  title: 'Which pad lands first, and with what force',
  input: landingInput,
  output: landingOutput,
  solve: solveLanding,
};
