import type { GroupDefinition } from '@holotonos/core';

/** How deep the bed of a reed is worn at the upper end of each section: a group that no technician ever measured. */
export const reedBed = {
  heading: 'Reed beds',
  lies: ['sections'],
  places: ({ sections }) => sections.map(({ id }) => ({ part: id, measure: 'wear' })),
  ask: { wear: 'wear of the bed' },
  everyPart: ({ sections }) => sections.map(({ id }) => id),
} as const satisfies GroupDefinition;
