import { look } from '../look';
import { across, at, type GroupDefinition } from '../definition';

export const joint = {
  heading: 'Joints',
  lies: ['joints'],
  places: ({ joints }) =>
    joints.flatMap(({ id, length, kind }) => [
      ...(['tenon', 'receiver'] as const).flatMap((measure) => at(id, measure, [0, length / 2, length], across)),
      ...(kind === 'corked' || kind === 'wound' ? at(id, 'cork', [length / 2], across) : []),
      ...(['leak-baseline', 'leak', 'leak-scale-baseline', 'leak-scale'] as const).flatMap((measure) =>
        at(id, measure),
      ),
    ]),
  looks: [
    look('snug', 's', 'snug and airtight', 'good', 'air'),
    look('joint-hair', 'h', 'a hair of wobble', 'hair', 'hand', { finds: 'joint-loose' }),
    look('wobbles', 'w', 'wobbles', 'bad', 'hand', { finds: 'joint-loose' }),
    look('leaks', 'l', 'leaks', 'bad', 'air', { finds: 'joint-loose' }),
    look('binds', 'b', 'binds', 'bad', 'hand', { finds: 'joint-tight' }),
  ],
  inTheAir: true,
  // What is soldered is looked at with the seams.
  everyPart: ({ joints }) => joints.flatMap(({ id, kind }) => (kind === 'soldered' ? [] : [id])),
} as const satisfies GroupDefinition;
