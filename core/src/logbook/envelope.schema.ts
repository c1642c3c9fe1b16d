import type { JSONSchema } from 'json-schema-to-ts';
import { momentSchema, text, uuidSchema } from '../validation/plain.schema';

/** What every entry carries, whatever its kind. */
const envelope = { id: uuidSchema, author: text(80), benchTime: momentSchema } as const;

/** An entry of one of these kinds as a client writes it. */
export const newEntrySchemaOf = (kinds: readonly string[]) =>
  ({
    type: 'object',
    properties: { ...envelope, kind: { enum: kinds }, body: { type: 'object' } },
    required: ['id', 'kind', 'body', 'author', 'benchTime'],
    additionalProperties: false,
  }) as const satisfies JSONSchema;

/** An entry of one of these kinds as a logbook keeps it and a document carries it. */
export function storedEntrySchemaOf(kinds: readonly string[]) {
  const fresh = newEntrySchemaOf(kinds);
  return {
    ...fresh,
    properties: { ...fresh.properties, seq: { type: 'integer', minimum: 1 }, receivedAt: momentSchema },
    required: [...fresh.required, 'seq', 'receivedAt'],
  } as const satisfies JSONSchema;
}

/** The schemas of the bodies of some kinds, by kind. */
export const bodiesOf = <K extends string>(kinds: Readonly<Record<K, { body: JSONSchema }>>) =>
  Object.fromEntries(Object.entries<{ body: JSONSchema }>(kinds).map(([kind, { body }]) => [kind, body])) as Readonly<
    Record<K, Exclude<JSONSchema, boolean>>
  >;
