import type { JSONSchema } from 'json-schema-to-ts';
import { momentSchema, uuidSchema } from '../validation/plain.schema';

/** Raised when a document of this kind would no longer be read the same way. */
export const jobDocumentVersion = 1;

/**
 * A whole job as one JSON document. Entries are checked one by one against the schema of their kind (see
 * docs/formats.md); this schema says what stands around them.
 */
export const jobDocumentSchema = {
  $id: 'https://holotonos.example/schema/job-document-1.json',
  title: 'Holotonos job document',
  type: 'object',
  properties: {
    format: { const: 'holotonos-job' },
    version: { const: jobDocumentVersion },
    exportedAt: momentSchema,
    units: {
      type: 'object',
      properties: { length: { const: 'mm' } },
      required: ['length'],
      additionalProperties: false,
    },
    ticket: { type: 'string', pattern: '^[A-Za-z0-9][A-Za-z0-9-]{0,19}$' },
    photos: {
      type: 'array',
      description: 'the pictures the entries speak of, as JPEG in base64',
      maxItems: 1000,
      items: {
        type: 'object',
        properties: {
          id: uuidSchema,
          jpeg: { type: 'string', pattern: '^[A-Za-z0-9+/]+={0,2}$', maxLength: 30000000 },
        },
        required: ['id', 'jpeg'],
        additionalProperties: false,
      },
    },
    entries: { type: 'array', minItems: 1, maxItems: 100000, items: { type: 'object' } },
  },
  required: ['format', 'version', 'exportedAt', 'units', 'ticket', 'entries'],
  additionalProperties: false,
} as const satisfies JSONSchema;
