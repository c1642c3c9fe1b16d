import { choiceOf, heldKey, type EntryOf, type JobState } from '@holotonos/core';
import { csvOf, type Column } from './csvText';

/** The columns of looks without a figure, with what stands in each. */
export const tickColumns = [
  { name: 'entry', type: 'string', says: 'id of the entry in the logbook' },
  { name: 'bench time', type: 'datetime', says: 'when it was looked at, ISO 8601' },
  { name: 'author', type: 'string', says: 'who looked' },
  { name: 'group', type: 'string', says: 'group of measures' },
  { name: 'part', type: 'string', says: 'id of the part on the instrument' },
  { name: 'says', type: 'string', says: 'the answer, as its group has it' },
  { name: 'in words', type: 'string', says: 'the answer as it is read' },
  { name: 'verdict', type: 'string', says: 'good, hair or bad' },
  { name: 'means', type: 'string', says: 'what it was taken with: light, film, hand, eye or air' },
  { name: 'film (mm)', type: 'number', says: 'thickness of the film that was pulled' },
  { name: 'toward (deg)', type: 'number', says: 'clock of the side it shows at' },
  { name: 'at (mm)', type: 'number', says: 'where along the part it shows most' },
  { name: 'held', type: 'string', says: 'of a link: ids of the keys that were held down meanwhile, joined by +' },
  { name: 'note', type: 'string', says: 'as it was written' },
  {
    name: 'stale because of',
    type: 'string',
    says: 'the work that disturbed it since, where it was the newest of its part',
  },
] as const satisfies readonly Column[];

type Tick = EntryOf<'tick'>;

/** Looks of a job that stand, in the order they were taken. */
const standing = (state: JobState): Tick[] =>
  state.entries.filter((entry): entry is Tick => entry.kind === 'tick' && !state.struck.has(entry.id));

/** Is there any look to be told? */
export const hasTicks = (state: JobState): boolean => state.ticks.size > 0;

/** The looks of a job as CSV (RFC 4180), one a row, in the order they were taken. Struck ones are left out. */
export function ticksToCsv(state: JobState): string {
  const rows = standing(state).map(({ id, benchTime, author, body }) => {
    const { group, part, says, film, toward, at, held = [], note } = body;
    const choice = choiceOf(group, says);
    const newest = state.ticks.get(`${group}:${part}${heldKey(held)}`);
    return [
      id,
      benchTime,
      author,
      group,
      part,
      says,
      choice?.words ?? '',
      choice?.verdict ?? '',
      choice?.means ?? '',
      film ?? '',
      toward ?? '',
      at ?? '',
      held.join('+'),
      note ?? '',
      newest?.entry === id ? (newest.stale?.title ?? '') : '',
    ];
  });
  return csvOf(tickColumns, rows);
}
