export type { JointInput, JointOutput, JointStep } from './joint.schema';
export { annulusLeak } from './annulusLeak';
export { solveJoint } from './solveJoint';
export { jointSolver } from './joint.solver';
