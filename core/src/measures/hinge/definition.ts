import { sharesSpan, type InstrumentType } from '../../instruments';
import { look } from '../look';
import type { Measure } from '../../vocabulary';
import { at, type GroupDefinition } from '../definition';

/** What is measured of a key on this rod: a tube that turns on it, or points that carry it. */
function hingeMeasures({ kind, pivot }: InstrumentType['rods'][number]): readonly Measure[] {
  if (kind === 'through') return ['tube-outer', 'tube-inner', 'tube-length', 'rod', 'post-gap', 'end-play', 'arm'];
  const seat = pivot === 'cylinder' ? (['tube-outer', 'tube-inner', 'rod'] as const) : (['cone-angle'] as const);
  return [...seat, 'wear', 'rise-and-fall', 'tube-length', 'post-gap'];
}

export const hinge = {
  heading: 'Hinges',
  lies: ['rods', 'keys'],
  places: (type) => [
    ...type.rods.flatMap(({ id }) => at(id, 'run-out')),
    ...type.keys.flatMap(({ id, rod }) => {
      const carrier = type.rods.find((each) => each.id === rod);
      if (!carrier) return [];
      // The gap of a span that several keys share is read once, at its post.
      const shared = carrier.kind === 'through' && sharesSpan(type, id);
      return hingeMeasures(carrier).flatMap((measure) => (shared && measure === 'post-gap' ? [] : at(id, measure)));
    }),
  ],
  asked: ['run-out'],
  endsWithWanted: true,
  looks: [
    look('no-wiggle', 'n', 'no rock, no end play', 'good', 'hand'),
    look('hinge-hair', 'h', 'a hair', 'hair', 'hand', { finds: 'hinge-loose' }),
    look('rocks', 'r', 'rocks plainly', 'bad', 'hand', { finds: 'hinge-loose' }),
    look('end-play', 'e', 'end play, plainly', 'bad', 'hand', { finds: 'end-play' }),
  ],
} as const satisfies GroupDefinition;
