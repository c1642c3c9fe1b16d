import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { partId } from '../instruments/instrumentType.schema';
import type { JobKind } from '../job';
import { says } from '../logbook';
import { joined, phrase, stock, type Phrase } from '../units';
import { text } from '../validation/plain.schema';

const size = { type: 'number', exclusiveMinimum: 0, maximum: 500 } as const;
const body = {
  type: 'object',
  description: 'the bush a stripped post hole is to get, or got; mm',
  properties: {
    post: partId,
    hole: { ...size, description: 'as it is, stripped' },
    wall: { ...size, description: 'wood between the seat of the post and the bore' },
    cutter: size,
    depth: { ...size, description: 'how deep the cutter goes' },
    outer: { ...size, description: 'of the bush' },
    cutTo: { ...size, description: 'length of the bush, where stock is longer than it may be' },
    gap: { type: 'number', minimum: 0, maximum: 10, description: 'adhesive all round' },
    left: { type: 'number', minimum: 0, maximum: 500, description: 'wood left above the bore' },
    trial: { ...size, description: 'depth the trial cut came to, once it was made' },
    removed: { type: 'boolean', description: 'it gets none after all' },
    note: text(400),
  },
  required: ['post', 'hole', 'wall', 'cutter', 'depth', 'outer', 'gap', 'left'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type PostBushBody = FromSchema<typeof body>;

/** A bush as it was last written down for a post. */
export type PostBush = PostBushBody & { entry: string; seq: number };

/** Sizes of a bush, as a card and the record say them. */
export const bushWords = ({ cutter, depth, outer, cutTo, gap, left }: PostBushBody): Phrase =>
  joined(
    [
      phrase`cutter ${stock(cutter)}, ${stock(depth)} deep`,
      cutTo === undefined ? phrase`bush ${stock(outer)}` : phrase`bush ${stock(outer)} cut to ${stock(cutTo)}`,
      phrase`${stock(gap)} of adhesive all round`,
      phrase`${stock(left)} of wood left above the bore`,
    ],
    '; ',
  );

/**
 * What a card of bushing says of one post: its sizes, and what the trial cut says of the depth.
 *
 * A trial that came out deeper leaves less wood by as much; the bush then sits lower, and the next cut is set back.
 */
export function bushLines(bush: PostBush): Phrase[] {
  const { depth, trial, left } = bush;
  const off = trial === undefined ? 0 : trial - depth;
  return [
    phrase`As worked out: ${bushWords(bush)}.`,
    ...(trial === undefined
      ? [phrase`Set the stop to ${stock(depth)} by a trial cut in scrap, and write down what it came to.`]
      : Math.abs(off) < 0.05
        ? [phrase`The trial cut came to ${stock(trial)}: the stop is right.`]
        : [
            phrase`The trial cut came to ${stock(trial)}: set the stop ${stock(Math.abs(off))} ${off > 0 ? 'back' : 'further'}; as it stands ${stock(Math.max(0, left - off))} would be left above the bore.`,
          ]),
  ];
}

/** The bush of a post: worked out, tried, or taken back. */
export const postBush: JobKind<'post-bush', PostBushBody> = {
  body,
  misfits: ({ instrument }, { post, outer, cutter, depth, wall }) => [
    ...(instrument && !instrument.posts.some(({ id }) => id === post)
      ? says('post', `“${post}” is no post of this instrument`)
      : []),
    ...(outer > cutter ? says('outer', 'must be no wider than what the cutter opens') : []),
    ...(depth >= wall ? says('depth', 'would go through into the bore') : []),
  ],
  fold: (draft, { id, seq, body: said }) => {
    if (said.removed) draft.bushes.delete(said.post);
    else draft.bushes.set(said.post, { ...said, entry: id, seq });
  },
  words: (said, name) =>
    said.removed ? `No bush after all: ${name(said.post)}` : phrase`Bush for ${name(said.post)}: ${bushWords(said)}`,
  turnsPlan: false,
  bears: false,
};
