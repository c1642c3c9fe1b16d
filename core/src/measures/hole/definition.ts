import { at, type GroupDefinition } from '../definition';

/** Holes are read across for their own sake where there is no rim to be read; their verdict is the rim's. */
export const hole = {
  heading: null,
  lies: ['holes'],
  places: ({ holes }) => holes.flatMap(({ id }) => at(id, 'diameter', undefined, [0, 60, 120])),
  inTheAir: true,
} as const satisfies GroupDefinition;
