import { entryBodies, instrumentTypeSchema, jobDocumentSchema, storedEntrySchema } from '@holotonos/core';
import { notFound } from '@/server/replies';

const dialect = 'https://json-schema.org/draft/2020-12/schema';
const published: Record<string, object> = {
  'job-document': { $schema: dialect, ...jobDocumentSchema, $defs: { entry: storedEntrySchema, bodies: entryBodies } },
  'instrument-type': { $schema: dialect, ...instrumentTypeSchema },
};

export async function GET(_request: Request, { params }: { params: Promise<{ name: string }> }) {
  const { name } = await params;
  const schema = Object.hasOwn(published, name) ? published[name] : undefined;
  return schema
    ? Response.json(schema)
    : notFound(`There is no schema “${name}”. There are: ${Object.keys(published).join(', ')}.`);
}
