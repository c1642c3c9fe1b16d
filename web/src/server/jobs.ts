import 'server-only';
import { learnTimes, type InstrumentType, type JobState, type LearnedTimes, type ShopState } from '@holotonos/core';
import { jobByTicket, jobState, shopState, timesSeen, whyUnread } from '@holotonos/store';
import { cache } from 'react';
import { getDb } from './store';

export interface LoadedJob {
  id: string;
  ticket: string;
  state: JobState;
  type: InstrumentType;
}

/** A ticket that is there but says nothing of an instrument: whatever else it says can be taken out whole. */
export async function unreadJob(ticket: string): Promise<UnreadTicket | null> {
  const job = await jobByTicket(getDb(), ticket);
  if (!job) return null;
  const state = await jobState(getDb(), job.id);
  if (state.instrument) return null;
  return { ticket: job.ticket, problem: whyUnread(state) };
}

/** A job with its state and instrument, or null when there is no such ticket. */
export async function loadJob(ticket: string): Promise<LoadedJob | null> {
  const job = await jobByTicket(getDb(), ticket);
  if (!job) return null;
  const state = await jobState(getDb(), job.id);
  return state.instrument && { ...job, state, type: state.instrument };
}

/** A ticket that cannot be shown, and why: the others go on without it. */
export interface UnreadTicket {
  ticket: string;
  problem: string;
}

/** The shop as it is now; read once for a page, however many of its parts ask. */
export const readShop = cache((): Promise<ShopState> => shopState(getDb()));

/** The shop, with what its clock has taught it. */
export interface ShopNow {
  shop: ShopState;
  learned: LearnedTimes;
}

export async function loadShop(): Promise<ShopNow> {
  const [shop, seen] = await Promise.all([readShop(), timesSeen(getDb())]);
  return { shop, learned: learnTimes(seen, shop.lessonsAside) };
}

let lastFrame: { zone: string; lockMinutes: number } | null = null;

/**
 * What the frame of every page knows of the shop: its time zone, and when its benches lock. Pages that say that the
 * database does not answer have a frame too: then what was last known stands.
 */
export async function shopFrame(): Promise<{ zone: string; lockMinutes: number }> {
  try {
    const { hours, lockMinutes } = await readShop();
    lastFrame = { zone: hours.timeZone, lockMinutes };
  } catch {
    // The page itself says what is wrong.
  }
  return lastFrame ?? { zone: new Intl.DateTimeFormat().resolvedOptions().timeZone, lockMinutes: 15 };
}
