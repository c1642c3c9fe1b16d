export { landingSolver } from './landing.solver';
export { regulateSolver } from './regulate.solver';
export { linkageSolver } from './linkage.solver';
