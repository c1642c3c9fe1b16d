import 'server-only';
import { earlierVisit, sameInstrument, type EarlierVisit } from '@holotonos/core';
import { ticketsOfSerial } from '@holotonos/store';
import { loadJob } from './jobs';
import { getDb } from './store';

/** Visits that are told of; what lies further back stands in their own records. */
const mostVisits = 3;

/** Earlier tickets of the same instrument, newest first, held against this one. */
export async function earlierVisits(ticket: string, now: string): Promise<EarlierVisit[]> {
  const today = await loadJob(ticket);
  const serial = today?.state.intake?.serial?.trim() ?? '';
  if (!today || serial === '') return [];
  const found: EarlierVisit[] = [];
  for (const other of await ticketsOfSerial(getDb(), serial, today.ticket)) {
    const earlier = await loadJob(other);
    if (!earlier?.state.intake || !sameInstrument(earlier.state.intake, today.state.intake ?? {})) continue;
    // A ticket that was opened later is no earlier visit.
    if ((earlier.state.openedAt ?? '') >= (today.state.openedAt ?? '')) continue;
    const visit = earlierVisit(earlier, today, now);
    if (visit) found.push(visit);
    if (found.length === mostVisits) break;
  }
  return found;
}
