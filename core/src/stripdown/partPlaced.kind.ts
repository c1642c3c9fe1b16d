import type { JobKind } from '../job';
import { says } from '../logbook';
import { placeProblems, placeWords, putDown, type PlacedBody } from './place';
import { placedBody } from './placed.schema';

/** A part that is off is put somewhere else. */
export const partPlaced: JobKind<'part-placed', PlacedBody> = {
  body: placedBody,
  misfits: (state, body) =>
    state.off.has(body.part) ? placeProblems(state, body) : says('part', 'is on the instrument'),
  fold: putDown,
  words: (body, name) => `${name(body.part)} is now ${placeWords(body)}`,
  turnsPlan: false,
  bears: true,
};
