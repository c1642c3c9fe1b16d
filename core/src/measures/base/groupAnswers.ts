import { solveBodyLine, type BodyLineInput, type BodyLineOutput } from '../../body';
import { solveBore, type BoreInput, type BoreOutput } from '../../bore';
import { solveHinge, type HingeInput, type HingeOutput } from '../../hinges';
import { solveJoint, type JointInput, type JointOutput } from '../../joints';
import { Unsolvable } from '../../metrology';

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

/** Answers kept of the dearest question; older ones are worked out again if they are ever asked for. */
const mostRemembered = 200;

/** A pure function that remembers: what was read before a pass never changes, and is asked for at every judgement. */
function remembered<In, Out>(solve: (input: In) => Out): (input: In) => Out {
  const known = new Map<string, Out>();
  return (input) => {
    const key = JSON.stringify(input);
    const before = known.get(key);
    if (before !== undefined) return before;
    const answer = solve(input);
    known.set(key, answer);
    const oldest = known.keys().next();
    if (known.size > mostRemembered && !oldest.done) known.delete(oldest.value);
    return answer;
  };
}

export const groupsAnsweredHere: GroupAnswers = {
  line: remembered(orNull(solveBodyLine)),
  bore: orNull(solveBore),
  hinge: orNull(solveHinge),
  joint: orNull(solveJoint),
};
