import type { EntryOf, JobState } from '../job';
import { downTheTube, type InstrumentType } from '../instruments';
import { lightPicture, pictureWords } from '../survey';

/** Where light showed at a pad, as it was first seen and as it was last. */
export interface LightPair {
  part: string;
  first: { sectors: readonly number[]; title: string; at: string; by: string };
  /** null where it was looked at only once */
  last: LightPair['first'] | null;
}

type Seen = EntryOf<'observation'>;
const isLight = (entry: JobState['entries'][number]): entry is Seen =>
  entry.kind === 'observation' && entry.body.about === 'light';

const told = ({ body: { sectors = [] }, benchTime, author }: Seen): LightPair['first'] => ({
  sectors,
  title: pictureWords[lightPicture(sectors)].title,
  at: benchTime,
  by: author,
});

/** The light pictures of a job, first and last of each pad, down the tube. */
export function lightHistory(state: JobState, type: InstrumentType): LightPair[] {
  const byPart = new Map<string, Seen[]>();
  for (const entry of state.entries)
    if (isLight(entry) && !state.struck.has(entry.id))
      byPart.set(entry.body.part, [...(byPart.get(entry.body.part) ?? []), entry]);
  return downTheTube(type, [...byPart.keys()]).flatMap((part) => {
    const seen = byPart.get(part) ?? [];
    const [first, last] = [seen[0], seen.at(-1)];
    return first ? [{ part, first: told(first), last: last && last !== first ? told(last) : null }] : [];
  });
}
