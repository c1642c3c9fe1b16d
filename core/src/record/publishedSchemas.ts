import { instrumentTypeSchema } from '../instruments';
import { entryBodies, storedEntrySchema } from '../logbook';
import { jobDocumentSchema } from './jobDocument.schema';

const dialect = 'https://json-schema.org/draft/2020-12/schema';

/** The schemas others may write their own documents by, by name. A new version gets a new `$id` and file. */
export const publishedSchemas: Readonly<Record<string, object>> = {
  'job-document': {
    $schema: dialect,
    ...jobDocumentSchema,
    $defs: { entry: storedEntrySchema, bodies: entryBodies },
  },
  'instrument-type': { $schema: dialect, ...instrumentTypeSchema },
};
