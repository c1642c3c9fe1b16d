export * from './contract';
export * from './registry';
export * from './runSolver';
