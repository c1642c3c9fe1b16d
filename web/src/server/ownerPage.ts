import 'server-only';
import { dayIn, linkOpens, type OwnerLink } from '@holotonos/core';
import { createHash } from 'node:crypto';
import { loadJob, loadShop, type LoadedJob, type ShopNow } from './jobs';

/** A job as its owner may see it, and by which link. */
export interface OwnersJob extends ShopNow {
  job: LoadedJob;
  link: OwnerLink;
}

/** What stands in a link is written down nowhere: only what it comes to. */
export const hashOfToken = (token: string): string => createHash('sha256').update(token).digest('hex');

/** The job a link opens today; null for all that opens nothing, whatever the reason. */
export async function ownersJob(ticket: string, token: string, now: string): Promise<OwnersJob | null> {
  // As long as the links that are given out: nothing else is looked up.
  if (!/^[\w-]{43}$/.test(token)) return null;
  const [job, shop] = await Promise.all([loadJob(ticket), loadShop()]);
  if (!job) return null;
  const hash = hashOfToken(token);
  const today = dayIn(now, shop.shop.hours.timeZone);
  const link = [...job.state.ownerLinks.values()].find((each) => each.tokenHash === hash && linkOpens(each, today));
  return link ? { job, link, ...shop } : null;
}
