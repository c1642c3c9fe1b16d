import { lookAtCsv } from '@holotonos/store';
import { answering, readText } from '@/server/replies';

/** Looks at the beginning of a file of readings and says how it is written; takes nothing. */
export const POST = (request: Request) =>
  answering(async () => {
    const read = await readText(request);
    return read.ok ? Response.json(lookAtCsv(read.text)) : read.response;
  });
