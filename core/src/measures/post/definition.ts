import { postsOf } from '../../instruments';
import { look } from '../look';
import { at, type GroupDefinition } from '../definition';

export const post = {
  heading: 'Posts',
  lies: ['posts'],
  places: (type) =>
    type.rods.flatMap(({ id: rod }) =>
      postsOf(type, rod).flatMap((own, i) => [
        ...(i > 0 ? at(own.id, 'post-gap') : []),
        // A compound post stands once, whatever it carries on its other side.
        ...(own.rod === rod ? [...at(own.id, 'lean'), ...at(own.id, 'height')] : []),
      ]),
    ),
  ask: { 'post-gap': 'gap to the post above it', 'height': 'height of the post' },
  looks: [
    look('firm', 'f', 'stands firm', 'good', 'hand'),
    look('post-hair', 'h', 'gives a hair', 'hair', 'hand', { finds: 'post-loose' }),
    look('wiggles', 'w', 'wiggles', 'bad', 'hand', { finds: 'post-loose' }),
  ],
  everyPart: ({ posts }) => posts.flatMap(({ id, rod }) => (rod === undefined ? [] : [id])),
  station: 'mechanism',
} as const satisfies GroupDefinition;
