import { look } from '../look';
import { at, type GroupDefinition } from '../definition';

export const spring = {
  heading: 'Springs',
  lies: ['keys'],
  places: ({ keys }) =>
    keys.flatMap(({ id, springs = [] }) => (springs.length > 0 ? [...at(id, 'force'), ...at(id, 'weight')] : [])),
  endsWithWanted: true,
  looks: [
    look('crisp', 'c', 'returns crisply', 'good', 'hand'),
    look('weak', 'w', 'too weak', 'bad', 'hand', { finds: 'spring-weak', spring: 'weak' }),
    look('strong', 's', 'too strong', 'bad', 'hand', { finds: 'spring-weak', spring: 'strong' }),
    look('spent', 'r', 'rusted, kinked or nicked', 'bad', 'eye', { finds: 'spring-weak', spring: 'spent' }),
  ],
} as const satisfies GroupDefinition;
