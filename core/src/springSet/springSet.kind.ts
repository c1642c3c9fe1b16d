import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { partId } from '../instruments/instrumentType.schema';
import type { JobKind } from '../job';
import { says } from '../logbook';
import { disturb } from '../readings';
import { keptId } from '../shop/ids.schema';
import { phrase, size as ofSize } from '../units';
import { text } from '../validation/plain.schema';

const size = { type: 'number', exclusiveMinimum: 0, maximum: 500 } as const;
const body = {
  type: 'object',
  description: 'how a spring is made and bent; mm',
  properties: {
    key: partId,
    which: { enum: ['main', 'helper'], description: 'a helper works beside the main one and is lighter' },
    section: {
      anyOf: [
        {
          type: 'object',
          description: 'of a needle',
          properties: { diameter: size },
          required: ['diameter'],
          additionalProperties: false,
        },
        {
          type: 'object',
          description: 'of a flat spring',
          properties: { width: size, thickness: size },
          required: ['width', 'thickness'],
          additionalProperties: false,
        },
      ],
    },
    material: keptId,
    length: { ...size, description: 'from its root to its catch' },
    preset: { ...size, description: 'how far it is bent at the catch with the key at rest' },
    travel: { type: 'number', minimum: 0, maximum: 100, description: 'how much further at full motion' },
    catchRadius: { ...size, description: 'of the catch from the hinge axis' },
    touchRadius: { ...size, description: 'of the touch from the hinge axis' },
    padRadius: { ...size, description: 'of the middle of the pad from the hinge axis' },
    done: { type: 'boolean', description: 'it was bent or renewed so: what was felt of it before is felt again' },
    note: text(400),
  },
  required: [
    'key',
    'which',
    'section',
    'material',
    'length',
    'preset',
    'travel',
    'catchRadius',
    'touchRadius',
    'padRadius',
  ],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type SpringSetBody = FromSchema<typeof body>;

/** A spring by its measures. */
export type SpringMeasures = Omit<SpringSetBody, 'done'>;
/** A spring as it was last written down. */
export type SpringAsSet = SpringMeasures & { entry: string; seq: number };

/** What a spring is known by in a drawer: the diameter of a needle, the thickness of a flat one; mm. */
export const springSize = (section: SpringSetBody['section']): number =>
  'diameter' in section ? section.diameter : section.thickness;

export const springSetKey = (key: string, which: SpringSetBody['which']): string => `${key}:${which}`;

/** A spring is written down by its measures, or was set to them. */
export const springSet: JobKind<'spring-set', SpringSetBody> = {
  body,
  misfits: ({ instrument }, { key }) =>
    instrument && !instrument.keys.some(({ id }) => id === key)
      ? says('key', `“${key}” is no key of this instrument`)
      : [],
  fold: (draft, { id, seq, body: { done, ...spring } }) => {
    draft.springs.set(springSetKey(spring.key, spring.which), { ...spring, entry: id, seq });
    if (done)
      disturb(draft, [`spring:${spring.key}`], {
        entry: id,
        operation: `spring-set:${spring.key}`,
        title: 'Spring set',
      });
  },
  words: ({ key, which, preset, done, section }, name) =>
    phrase`${done ? 'Spring set' : 'Spring measured'}: ${name(key)}${which === 'helper' ? ', helper' : ''}, ${ofSize(springSize(section))}, bent ${ofSize(preset)} at the catch`,
  turnsPlan: false,
  bears: false,
};
