import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { freeText } from '../validation/plain.schema';
import { keptId } from './ids.schema';
import type { ShopKind } from './kind';

const body = {
  type: 'object',
  properties: {
    gauge: keptId,
    shows: { type: 'number', minimum: -1000, maximum: 1000, description: 'what it shows where it should show 0' },
    note: freeText(400),
  },
  required: ['gauge', 'shows'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/** A look at what a gauge shows at zero. */
export interface GaugeCheck {
  entry: string;
  gauge: string;
  /** in the unit of the gauge */
  shows: number;
  note: string;
  author: string;
  benchTime: string;
}

/** What a gauge shows where it should show nothing. */
export const gaugeCheck: ShopKind<'gauge-check', FromSchema<typeof body>> = {
  body,
  fold: ({ checks }, { id, author, benchTime, body: { gauge, shows, note = '' } }) => {
    checks.push({ entry: id, gauge, shows, note, author, benchTime });
    checks.sort((a, b) => a.benchTime.localeCompare(b.benchTime));
  },
  words: ({ gauge, shows }) => `${gauge} shows ${shows} at zero`,
  bears: false,
};
