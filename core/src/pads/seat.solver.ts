import { normalClock, sameWithin } from '../metrology';
import type { Problem, Solver } from '../solvers/contract';
import { seatInput, seatOutput, type SeatInput, type SeatOutput } from './seat.schema';
import { solveSeat } from './solveSeat';

function check({ sectorWidth = 45, gaps, rimResiduals }: SeatInput): Problem[] {
  const problems: Problem[] = [];
  const sectors = 360 / sectorWidth;
  if (Math.abs(sectors - Math.round(sectors)) > sameWithin) {
    problems.push({ path: '/sectorWidth', message: 'must divide 360' });
  }
  if (rimResiduals) {
    const clocks = (list: readonly { clock: number }[]) =>
      list.map(({ clock }) => normalClock(clock)).sort((a, b) => a - b);
    const [mine, theirs] = [clocks(rimResiduals), clocks(gaps)];
    const match =
      mine.length === theirs.length && mine.every((clock, i) => Math.abs(clock - (theirs[i] ?? NaN)) <= sameWithin);
    if (!match) problems.push({ path: '/rimResiduals', message: 'must have exactly the clocks of gaps' });
  }
  return problems;
}

export const seatSolver: Solver<SeatInput, SeatOutput> = {
  name: 'seat',
  title: 'How does the pad meet its rim, and what cures it?',
  input: seatInput,
  output: seatOutput,
  check,
  solve: solveSeat,
};
