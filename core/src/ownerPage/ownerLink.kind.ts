import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import type { JobKind } from '../job';
import { says } from '../logbook';
import { daySchema, uuidSchema } from '../validation/plain.schema';

const body = {
  type: 'object',
  description: 'a page of the job that its owner may open by a link; the link itself is written down nowhere',
  properties: {
    link: uuidSchema,
    tokenHash: { type: 'string', pattern: '^[0-9a-f]{64}$', description: 'SHA-256 of what stands in the link' },
    until: { ...daySchema, description: 'the last day on which it opens' },
    photos: { type: 'array', items: uuidSchema, uniqueItems: true, maxItems: 60, description: 'chosen for the owner' },
  },
  required: ['link', 'tokenHash', 'until', 'photos'],
  additionalProperties: false,
} as const satisfies JSONSchema;
type OwnerLinkBody = FromSchema<typeof body>;

/** A link that was given to the owner. */
export interface OwnerLink extends OwnerLinkBody {
  entry: string;
  /** it was taken back */
  over: boolean;
}

/** The owner is given a link to a page of their own. */
export const ownerLink: JobKind<'owner-link', OwnerLinkBody> = {
  body,
  misfits: ({ ownerLinks, photos }, { link, photos: chosen }) => [
    ...(ownerLinks.has(link) ? says('link', 'was given already') : []),
    ...(chosen.some((photo) => !photos.has(photo)) ? says('photos', 'holds one that is no picture of this job') : []),
  ],
  fold: (draft, { id, body: given }) => {
    draft.ownerLinks.set(given.link, { ...given, entry: id, over: false });
  },
  words: ({ until, photos }) => `Link for the owner, until ${until}, with ${photos.length} photos`,
  turnsPlan: false,
  bears: true,
  afterSignOff: true,
};
