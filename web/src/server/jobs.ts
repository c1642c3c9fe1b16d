import 'server-only';
import type { InstrumentType, JobState, LearnedTimes, ShopState } from '@holotonos/core';
import { jobByTicket, jobState, learnedTimes, shopState, whyUnread } from '@holotonos/store';
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
  const [shop, learned] = await Promise.all([readShop(), learnedTimes(getDb())]);
  return { shop, learned };
}

let lastZone: string | null = null;

/**
 * The time zone of the shop. The frame of every page asks, those too that say that the database does not answer: then
 * the last one known stands, or the machine's.
 */
export async function shopZone(): Promise<string> {
  try {
    lastZone = (await readShop()).hours.timeZone;
  } catch {
    // The page itself says what is wrong.
  }
  return lastZone ?? new Intl.DateTimeFormat().resolvedOptions().timeZone;
}
