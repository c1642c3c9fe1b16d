import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import type { JobKind } from '../job';
import { says } from '../logbook';
import { uuidSchema } from '../validation/plain.schema';

const body = {
  type: 'object',
  properties: { link: uuidSchema },
  required: ['link'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** A link of the owner is taken back: it opens nothing from now on. */
export const ownerLinkOver: JobKind<'owner-link-over', FromSchema<typeof body>> = {
  body,
  misfits: ({ ownerLinks }, { link }) => (ownerLinks.has(link) ? [] : says('link', 'is no link of this job')),
  fold: ({ ownerLinks }, { body: { link } }) => {
    const given = ownerLinks.get(link);
    if (given) ownerLinks.set(link, { ...given, over: true });
  },
  words: () => 'Link for the owner taken back',
  turnsPlan: false,
  bears: false,
  afterSignOff: true,
};
