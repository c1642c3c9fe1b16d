export { solveSpring } from './solveSpring';
export { springSolver } from './spring.solver';
export type { SpringInput, SpringOutput } from './spring.schema';
