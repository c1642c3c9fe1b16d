import { families, findingKinds, type Family, type FindingKind } from '@holotonos/core';
import { knownOutcomes } from '@holotonos/store';
import { answering, invalid } from '@/server/replies';
import { getDb } from '@/server/store';

/** One of a closed list, as it is asked for in the address. */
const asked = <T extends string>(search: URLSearchParams, name: string, list: readonly T[]): T | undefined =>
  list.find((each) => each === search.get(name));

/** What became of the faults of one kind on one family: `?family=saxophone&kind=pad-leaking`. */
export const GET = (request: Request) =>
  answering(async () => {
    const { searchParams } = new URL(request.url);
    const family = asked<Family>(searchParams, 'family', families);
    const kind = asked<FindingKind>(searchParams, 'kind', findingKinds);
    if (!family || !kind)
      return invalid([
        ...(family ? [] : [{ path: '/family', message: `has to be one of ${families.join(', ')}` }]),
        ...(kind ? [] : [{ path: '/kind', message: 'has to be a kind of finding' }]),
      ]);
    return Response.json({ outcomes: await knownOutcomes(getDb(), family, kind) });
  });
