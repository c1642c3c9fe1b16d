import { publishedSchemas } from '@holotonos/core';
import { notFound } from '@/server/replies';

export async function GET(_request: Request, { params }: { params: Promise<{ name: string }> }) {
  const { name } = await params;
  const schema = Object.hasOwn(publishedSchemas, name) ? publishedSchemas[name] : undefined;
  return schema
    ? Response.json(schema)
    : notFound(`There is no schema “${name}”. There are: ${Object.keys(publishedSchemas).join(', ')}.`);
}
