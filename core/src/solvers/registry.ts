import { bodyLineSolver } from '../body';
import { boreSolver } from '../bore';
import { bushingSolver } from '../bushing';
import { corkSolver } from '../corks';
import { hingeSolver } from '../hinges';
import { jointSolver } from '../joints';
import { conformitySolver } from '../metrology';
import { padChoiceSolver, seatSolver } from '../pads';
import { planSolver } from '../plan';
import { landingSolver, linkageSolver, regulateSolver } from '../regulation';
import { rimSolver } from '../rims';
import { springSolver } from '../springs';
import { scheduleSolver } from '../schedule';
import { pitchSolver, tuneSolver } from '../tuning';
import type { Solver } from './contract';

/** Every solver there is. To add one: a schema, a solve function and a test in the folder of its trade word, and a line here. */
const all = [
  conformitySolver,
  rimSolver,
  seatSolver,
  bodyLineSolver,
  boreSolver,
  hingeSolver,
  jointSolver,
  bushingSolver,
  springSolver,
  corkSolver,
  padChoiceSolver,
  linkageSolver,
  landingSolver,
  regulateSolver,
  pitchSolver,
  tuneSolver,
  planSolver,
  scheduleSolver,
] as const;

// A registry holds solvers of many shapes; each one's own types guard its own call.
export const solvers: ReadonlyMap<string, Solver<never, unknown>> = new Map(
  all.map((solver) => [solver.name, solver as unknown as Solver<never, unknown>]),
);
