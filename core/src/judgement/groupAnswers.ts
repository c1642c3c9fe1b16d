import { solveBodyLine, type BodyLineInput, type BodyLineOutput } from '../body';
import { solveBore, type BoreInput, type BoreOutput } from '../bore';
import { solveHinge, type HingeInput, type HingeOutput } from '../hinges';
import { solveJoint, type JointInput, type JointOutput } from '../joints';
import { Unsolvable } from '../metrology';

/** Who works out what a report asks. Null means that the answer is not there yet, or that there is none. */
export interface GroupAnswers {
  line: (input: BodyLineInput) => BodyLineOutput | null;
  bore: (input: BoreInput) => BoreOutput | null;
  hinge: (input: HingeInput) => HingeOutput | null;
  joint: (input: JointInput) => JointOutput | null;
}

const orNull =
  <In, Out>(solve: (input: In) => Out) =>
  (input: In): Out | null => {
    try {
      return solve(input);
    } catch (error) {
      if (error instanceof Unsolvable) return null;
      throw error;
    }
  };
export const groupsAnsweredHere: GroupAnswers = {
  line: orNull(solveBodyLine),
  bore: orNull(solveBore),
  hinge: orNull(solveHinge),
  joint: orNull(solveJoint),
};
