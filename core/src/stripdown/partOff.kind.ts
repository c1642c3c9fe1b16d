import { strangePart } from '../instruments';
import type { JobKind } from '../job';
import { says } from '../logbook';
import { placeProblems, placeWords, putDown, type PlacedBody } from './place';
import { placedBody } from './placed.schema';

/** A part comes off the instrument and is put somewhere. */
export const partOff: JobKind<'part-off', PlacedBody> = {
  body: placedBody,
  misfits: (state, body) =>
    state.off.has(body.part)
      ? says('part', 'is off already')
      : [...strangePart(state.instrument, body.part), ...placeProblems(state, body)],
  fold: putDown,
  words: (body, name) => `Off: ${name(body.part)}, ${placeWords(body)}`,
  turnsPlan: false,
  bears: true,
};
