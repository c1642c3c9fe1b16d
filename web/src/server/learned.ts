import 'server-only';
import {
  jobLessons,
  type Family,
  type FindingKind,
  type JobLesson,
  type LengthUnit,
  type TimesSeen,
} from '@holotonos/core';
import { outcomeCounts, ticketsWithPasses, timesSeen } from '@holotonos/store';
import { loadJob } from './jobs';
import { getDb } from './store';

/** Jobs whose own lessons are gone through. */
const mostJobs = 12;

/** What a job has learned of its own instrument, in the unit it is worked in. */
export interface LearnedOfJob {
  ticket: string;
  unit: LengthUnit;
  lessons: JobLesson[];
}

/** All that the shop has learned, from every logbook there is. */
export interface LearnedHere {
  times: TimesSeen[];
  faults: { family: Family; kind: FindingKind; times: number }[];
  jobs: LearnedOfJob[];
}

export async function learnedHere(): Promise<LearnedHere> {
  const db = getDb();
  const [times, faults, tickets] = await Promise.all([
    timesSeen(db),
    outcomeCounts(db),
    ticketsWithPasses(db, mostJobs),
  ]);
  const jobs: LearnedOfJob[] = [];
  // One after the other: long logbooks need not be held at once.
  for (const ticket of tickets) {
    const job = await loadJob(ticket);
    const lessons = job ? jobLessons(job.state, job.type) : [];
    if (job && lessons.length > 0) jobs.push({ ticket: job.ticket, unit: job.state.unit, lessons });
  }
  return { times, faults, jobs };
}
