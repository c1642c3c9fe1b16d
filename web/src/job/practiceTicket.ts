import type { Entry } from '@holotonos/core';

/** A ticket to play with: an address no real ticket can have. It lives in this browser only, and in no logbook. */
export const practiceTicket = '-practice';
export const isPractice = (ticket: string): boolean => ticket === practiceTicket;

/** What it begins with: a saxophone that came out of an attic, as if it had been taken in at this moment. */
export const practiceIntake = (now: string): Entry => ({
  id: '00000000-0000-4000-8000-000000000000',
  kind: 'intake',
  author: 'For practice',
  benchTime: now,
  receivedAt: now,
  seq: 1,
  body: {
    ticket: 'PRACTICE',
    owner: 'Nobody: a ticket to play with',
    instrumentType: 'alto-saxophone',
    family: 'saxophone',
    practice: 'stage',
    scope: 'overhaul',
    unit: 'mm',
    complaint: 'Found in an attic. Nothing below G speaks; the neck wobbles.',
  },
});
