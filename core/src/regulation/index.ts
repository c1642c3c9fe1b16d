export { landingSolver } from './landing.solver';
export { linkageSolver } from './linkage.solver';
