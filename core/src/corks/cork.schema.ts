import type { FromSchema, JSONSchema } from 'json-schema-to-ts';

const size = { type: 'number', exclusiveMinimum: 0 } as const;

export const corkInput = {
  type: 'object',
  properties: {
    gap: { ...size, description: 'to be filled, mm' },
    squeeze: {
      type: 'number',
      minimum: 0,
      maximum: 0.5,
      default: 0.15,
      description: 'the share by which it is pressed together',
    },
    stock: { type: 'array', items: size, minItems: 1, maxItems: 200, description: 'thicknesses there are, mm' },
    offcuts: {
      type: 'array',
      maxItems: 1000,
      default: [],
      items: {
        type: 'object',
        properties: { id: { type: 'string', minLength: 1, maxLength: 80 }, thickness: size, length: size, width: size },
        required: ['id', 'thickness', 'length', 'width'],
        additionalProperties: false,
      },
    },
    piece: {
      type: 'object',
      properties: { length: size, width: size },
      required: ['length', 'width'],
      additionalProperties: false,
    },
  },
  required: ['gap', 'stock'],
  additionalProperties: false,
} as const satisfies JSONSchema;
export type CorkInput = FromSchema<typeof corkInput, { keepDefaultedPropertiesOptional: true }>;

export const corkOutput = {
  type: 'object',
  properties: {
    need: { type: 'number' },
    stock: { type: ['number', 'null'] },
    takeOff: { type: ['number', 'null'] },
    layers: { type: ['array', 'null'], items: { type: 'number' } },
    offcut: { type: ['string', 'null'] },
  },
  required: ['need', 'stock', 'takeOff'],
} as const;

export interface CorkOutput {
  /** thickness that fills the gap when it is pressed together, mm */
  need: number;
  /** the sheet to cut it from; null where one is not thick enough */
  stock: number | null;
  /** to be taken off that sheet, mm */
  takeOff: number | null;
  /** two sheets on each other, thickest first; null where two are not enough either, left out where one is */
  layers?: [number, number] | null;
  /** an offcut the piece can be cut from; null where there is none, left out where no piece is named */
  offcut?: string | null;
}
