import { fingeringNames } from '../../instruments';
import { at, type GroupDefinition } from '../definition';

/** Notes are taken on the page of how an instrument sounds. */
export const pitch = {
  heading: null,
  lies: [],
  places: (type) =>
    type.sound ? [...fingeringNames(type).keys()].flatMap((id) => [...at(id, 'cents'), ...at(id, 'spread')]) : [],
} as const satisfies GroupDefinition;
