import { movedKeys, type InstrumentType } from '../instruments';
import type { Observation } from './observation.kind';

export type Link = InstrumentType['links'][number];

/** What lands first of a link when its driver is pressed at the lightest touch. */
export const landings = ['driver', 'together', 'follower'] as const;
export type Landing = (typeof landings)[number];

/** What each answer says, in the words of this link: a lever without a pad is looked at by what it moves. */
export function landingWords(type: InstrumentType, link: Link): Record<Landing, string> {
  const name = (key: string) => type.keys.find(({ id }) => id === key)?.name ?? key;
  const padded = (key: string) => type.pads.some((pad) => pad.key === key);
  const [driver, follower] = [name(link.driver), name(link.follower)];
  if (link.acts !== 'carries')
    return { driver: `${follower} can still lift`, together: 'held shut', follower: `${driver} is held off` };
  if (!padded(link.driver) || !padded(link.follower))
    return { driver: `${follower} comes late`, together: 'at once', follower: `${follower} is held off its rest` };
  return { driver: `${driver} first`, together: 'together', follower: `${follower} first` };
}

/**
 * The links to be looked at from one pad: those of its key, and those that only move levers which in the end move this
 * key. So every link of an instrument is met at some pad.
 */
export function linksAt(type: InstrumentType, hole: string): Link[] {
  const key = type.pads.find((pad) => pad.hole === hole)?.key;
  if (key === undefined) return [];
  const padded = new Set(type.pads.map((pad) => pad.key));
  return type.links.filter(
    ({ driver, follower }) =>
      driver === key || follower === key || (!padded.has(follower) && movedKeys(type, [follower]).has(key)),
  );
}

/**
 * The link an observation of a landing is about, and what it says. Pads that were compared by name, as the bench once
 * did, are found by the link between their keys.
 */
export function landingOf(
  type: InstrumentType | null,
  { part, lands, first, other }: Pick<Observation, 'part' | 'lands' | 'first' | 'other'>,
): { link: Link; lands: Landing } | null {
  const own = type?.links.find(({ id }) => id === part);
  if (own) return lands ? { link: own, lands } : null;
  const keyOf = (hole?: string) => type?.pads.find((pad) => pad.hole === hole)?.key;
  const [a, b] = [keyOf(part), keyOf(other)];
  const link = type?.links.find(
    ({ driver, follower }) => (driver === a && follower === b) || (driver === b && follower === a),
  );
  if (!link) return null;
  const early = keyOf(first);
  return { link, lands: early === undefined ? 'together' : early === link.driver ? 'driver' : 'follower' };
}
