import { says } from '../logbook';
import type { Problem } from '../solvers/contract';

/** Nobody counts what has no place in a drawer. */
export const unknownItem = (items: readonly { id: string }[], id: string, path: string): Problem[] =>
  items.some((each) => each.id === id) ? [] : says(path, `“${id}” is nothing in the drawers`);
