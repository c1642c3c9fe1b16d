import { expect, test } from '@jest/globals';
import {
  solveBodyLine,
  solveBore,
  solveBushing,
  solveConformity,
  solveHinge,
  solveJoint,
  solveLinkage,
  solvePadChoice,
  solveRegulate,
  solveRim,
  solveSchedule,
  solveSeat,
  solveSpring,
  solvers,
} from '../src';

test.each([
  ['conformity', solveConformity],
  ['rim', solveRim],
  ['seat', solveSeat],
  ['body-line', solveBodyLine],
  ['bore', solveBore],
  ['hinge', solveHinge],
  ['joint', solveJoint],
  ['bushing', solveBushing],
  ['spring', solveSpring],
  ['pad-choice', solvePadChoice],
  ['linkage', solveLinkage],
  ['regulate', solveRegulate],
  ['schedule', solveSchedule],
])('the solver %s is the same by its name and as it is called', (name, solve) =>
  expect(solvers.get(name)?.solve).toBe(solve),
);
