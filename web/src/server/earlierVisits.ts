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
  if (!today) return [];
  const { intake, sameAs } = today.state;
  const serial = intake?.serial?.trim() ?? '';
  const bySerial = serial === '' ? [] : await ticketsOfSerial(getDb(), serial, today.ticket);
  const found: EarlierVisit[] = [];
  for (const other of new Set([...sameAs, ...bySerial])) {
    const earlier = await loadJob(other);
    if (!earlier?.state.intake) continue;
    // Whoever has it in hand knows it; else its serial does, where no maker speaks against it.
    if (!sameAs.includes(earlier.ticket) && !sameInstrument(earlier.state.intake, intake ?? {})) continue;
    // A ticket that was opened later is no earlier visit.
    if ((earlier.state.openedAt ?? '') >= (today.state.openedAt ?? '')) continue;
    const visit = earlierVisit(earlier, today, now);
    if (visit) found.push(visit);
  }
  return found.sort((a, b) => b.openedAt.localeCompare(a.openedAt)).slice(0, mostVisits);
}
