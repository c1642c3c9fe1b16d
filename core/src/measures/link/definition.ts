import { isPair } from '../../instruments';
import { look } from '../look';
import { at, type GroupDefinition } from '../definition';

export const link = {
  heading: 'Links',
  lies: ['holes'],
  places: (type) =>
    type.links.flatMap((own) => [...at(own.id, 'lost-motion'), ...(isPair(type, own) ? at(own.id, 'lateness') : [])]),
  looks: [
    look('evenly-tight', 'e', 'film evenly tight under both', 'good', 'film'),
    look('lands-together', 't', 'both at once', 'good', 'light'),
    look('follower-drags', 'u', 'drags under the follower', 'hair', 'film', { finds: 'lost-motion' }),
    look('driver-drags', 'v', 'drags under the driver', 'hair', 'film', { finds: 'adjuster-out' }),
    look('follower-free', 'f', 'free under the follower', 'bad', 'film', { finds: 'lost-motion' }),
    look('driver-free', 'd', 'free under the driver', 'bad', 'film', { finds: 'adjuster-out' }),
    look('driver-first', 'a', 'driver first, plainly', 'bad', 'light', { finds: 'lost-motion' }),
    look('follower-first', 'b', 'follower first, plainly', 'bad', 'light', { finds: 'adjuster-out' }),
  ],
  inTheAir: true,
} as const satisfies GroupDefinition;
