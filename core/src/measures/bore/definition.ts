import { across, at, type GroupDefinition } from '../definition';

export const bore = {
  heading: 'Bore',
  lies: ['sections'],
  places: ({ sections }) =>
    sections.flatMap(({ id, bore: course }) =>
      at(
        id,
        'diameter',
        course.map(({ at: station }) => station),
        across,
      ),
    ),
  ask: { diameter: 'bore diameter' },
  stations: { measure: 'diameter', clocks: across },
  inTheAir: true,
} as const satisfies GroupDefinition;
