import type { JSONSchema } from 'json-schema-to-ts';

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
    exportedAt: { type: 'string', format: 'date-time' },
    units: {
      type: 'object',
      properties: { length: { const: 'mm' } },
      required: ['length'],
      additionalProperties: false,
    },
    ticket: { type: 'string', pattern: '^[A-Za-z0-9][A-Za-z0-9-]{0,19}$' },
    entries: { type: 'array', minItems: 1, maxItems: 100000, items: { type: 'object' } },
  },
  required: ['format', 'version', 'exportedAt', 'units', 'ticket', 'entries'],
  additionalProperties: false,
} as const satisfies JSONSchema;
