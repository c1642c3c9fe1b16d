import { instrumentTypeSchema } from '../instruments';
import { entryBodies, entryKinds, storedEntrySchema } from '../job';
import { pieceSchema } from '../practicePieces/piece.schema';
import { jobDocumentSchema } from './jobDocument.schema';

const dialect = 'https://json-schema.org/draft/2020-12/schema';

/** An entry as a document carries it: around it its envelope, in it the body that its kind asks for. */
const entry = {
  ...storedEntrySchema,
  allOf: entryKinds.map((kind) => ({
    if: { properties: { kind: { const: kind } }, required: ['kind'] },
    then: { properties: { body: { $ref: `#/$defs/${kind}` } } },
  })),
};

const bodies = {
  ...entryBodies,
  intake: {
    ...entryBodies.intake,
    properties: { ...entryBodies.intake.properties, type: { $ref: '#/$defs/instrument-type' } },
  },
};

const { $id: _, ...instrumentType } = instrumentTypeSchema as { $id?: string };

/**
 * The schemas others may write their own documents by, by name. A new version gets a new `$id` and file. Whole: whoever
 * checks a document by them alone finds what the import finds, but for what only shows when the entries are read as a story.
 */
export const publishedSchemas: Readonly<Record<string, object>> = {
  'job-document': {
    $schema: dialect,
    ...jobDocumentSchema,
    properties: {
      ...jobDocumentSchema.properties,
      entries: { ...jobDocumentSchema.properties.entries, items: { $ref: '#/$defs/entry' } },
    },
    $defs: { entry, ...bodies, 'instrument-type': instrumentType },
  },
  'instrument-type': { $schema: dialect, ...instrumentTypeSchema },
  'practice-piece': { $schema: dialect, ...pieceSchema },
};
