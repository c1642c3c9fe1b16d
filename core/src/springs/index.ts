export { springSolver } from './spring.solver';
export type { SpringOutput } from './spring.schema';
