export * from './joint.schema';
export * from './annulusLeak';
export * from './solveJoint';
export * from './joint.solver';
