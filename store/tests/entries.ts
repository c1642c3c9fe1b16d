import { randomUUID } from 'node:crypto';
import type { NewEntry } from '@holotonos/core';

/** When everything in these tests is written down. */
export const now = '2026-11-23T09:00:00.000Z';

/** An entry as the bench would write it. */
export const entryOf = (kind: NewEntry['kind'], body: object): NewEntry =>
  ({ id: randomUUID(), kind, body, author: 'Juno Tam', benchTime: now }) as NewEntry;

/** What opens a ticket, with whatever else is said of it. */
export const intakeOf = (ticket: string, more: object = {}): NewEntry =>
  entryOf('intake', {
    ticket,
    owner: 'The band',
    instrumentType: 'alto-saxophone',
    family: 'saxophone',
    practice: 'stage',
    scope: 'repair',
    unit: 'mm',
    ...more,
  });
