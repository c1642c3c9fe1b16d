import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { keptId, price, retired } from '../shop/ids.schema';
import { daySchema, text } from '../validation/plain.schema';
import { countedIn, stockKinds } from '../vocabulary';

const size = { type: 'number', exclusiveMinimum: 0, maximum: 2000 } as const;
export const count = { type: 'number', minimum: 0, maximum: 1_000_000 } as const;
export const itemId = keptId;

/** What tells something in a drawer from its neighbours: enough to call it by, in any unit. */
const thingProperties = {
  kind: { enum: stockKinds },
  name: { ...text(80), description: 'in the words of the shop, where size and material do not say it' },
  diameter: size,
  thickness: size,
  width: size,
  length: size,
  hole: { ...size, description: 'of a pad: pierced, so wide; of a punch: what it cuts' },
  material: text(40),
  form: { ...text(40), description: 'such as round or barrel, snap or riveted' },
} as const;
export const thingSchema = {
  type: 'object',
  description: 'something out of a drawer, as it was when it was taken; mm',
  properties: thingProperties,
  required: ['kind'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type Thing = FromSchema<typeof thingSchema>;

/** Something the shop keeps in a drawer. Sizes in mm, whatever unit it is sold in. */
export const itemSchema = {
  type: 'object',
  description: 'something the shop keeps in a drawer; sizes in mm, whatever unit it is sold in',
  properties: {
    id: itemId,
    ...thingProperties,
    soldIn: { enum: ['mm', 'in', 'thou'], description: 'the unit its sizes are said in' },
    counted: { enum: countedIn },
    lot: { ...size, description: 'how many come in one bag' },
    have: { ...count, description: 'so many lie there as this is written; left out, it is not counted' },
    low: { ...count, description: 'fewer than this, and it is ordered' },
    price: { ...price, description: 'of one, without tax; minor units of the currency' },
    useBy: { ...daySchema, description: 'of an adhesive' },
    retired,
  },
  required: ['id', 'kind', 'soldIn', 'counted'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type StockItemBody = FromSchema<typeof itemSchema>;
