import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { strangePart } from '../instruments';
import { partId } from '../instruments/instrumentType.schema';
import type { JobKind } from '../job';
import { says } from '../logbook';
import { keptId, price } from '../shop/ids.schema';
import { stockTitle } from '../stock';
import { thingSchema } from '../stock/item.schema';
import { phrase } from '../units';
import { text } from '../validation/plain.schema';
import { materialUses } from '../vocabulary';
import { chosenKey } from './chosen';

const size = { type: 'number', exclusiveMinimum: 0, maximum: 2000 } as const;
const body = {
  type: 'object',
  description: 'what parts are given out of the drawers; the last word on each part and use counts',
  properties: {
    lines: {
      type: 'array',
      minItems: 1,
      maxItems: 200,
      items: {
        type: 'object',
        properties: {
          part: partId,
          use: { enum: materialUses },
          item: { ...keptId, description: 'as it is called in the drawers' },
          thing: thingSchema,
          count: { type: 'number', minimum: 0, maximum: 10_000, description: '0: nothing after all' },
          price: { ...price, description: 'of one, when it was chosen, without tax; minor units of the currency' },
          pierce: { ...size, description: 'punched here, out of a closed pad; mm' },
          stand: { type: 'number', minimum: -20, maximum: 50, description: 'wanted above the edge of the cup, mm' },
          bed: { type: 'number', minimum: 0, maximum: 20, description: 'adhesive behind it, mm' },
          note: text(400),
        },
        required: ['part', 'use', 'item', 'thing', 'count'],
        additionalProperties: false,
      },
    },
  },
  required: ['lines'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type ChosenBody = FromSchema<typeof body>;
export type ChosenLine = ChosenBody['lines'][number];

/** Pads, corks, springs and the like are chosen for parts, as many at once as were looked at together. */
export const chosen: JobKind<'chosen', ChosenBody> = {
  body,
  problems: ({ lines }) =>
    lines.flatMap((line, i) =>
      lines.findIndex((each) => chosenKey(each) === chosenKey(line)) < i
        ? says(`lines/${i}/part`, `is given its ${line.use} twice`)
        : [],
    ),
  misfits: ({ instrument, chosen: known }, { lines }) =>
    lines.flatMap((line, i) => [
      ...strangePart(instrument, line.part, `lines/${i}/part`),
      ...(known.get(chosenKey(line))?.taken
        ? says(`lines/${i}/part`, `has its ${line.use} in already: strike the step that put it in first`)
        : []),
    ]),
  fold: (draft, { id, seq, body: { lines } }) => {
    for (const line of lines) {
      const key = chosenKey(line);
      if (line.count === 0) draft.chosen.delete(key);
      else draft.chosen.set(key, { ...line, entry: id, seq, taken: null });
    }
  },
  words: ({ lines }, name) => {
    const [first] = lines;
    if (!first) return 'Nothing chosen';
    const off = lines.every(({ count }) => count === 0);
    const what =
      lines.length === 1
        ? phrase`${stockTitle(first.thing)} for ${name(first.part)}`
        : phrase`${first.use}s for ${lines.length} parts`;
    return phrase`${off ? 'Not taken after all' : 'Chosen'}: ${what}`;
  },
  turnsPlan: false,
  bears: true,
};
