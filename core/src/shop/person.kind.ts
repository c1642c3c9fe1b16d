import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { weekProblems, type ScheduleWeek } from '../schedule';
import { calendarHours } from '../schedule/schedule.schema';
import { text } from '../validation/plain.schema';
import { stages } from '../vocabulary';
import { dates, keptId, retired } from './ids.schema';
import { put } from '../logbook';
import type { ShopKind } from './kind';

const body = {
  type: 'object',
  properties: {
    id: keptId,
    name: text(80),
    skills: {
      type: 'array',
      items: { enum: stages },
      uniqueItems: true,
      maxItems: 17,
      description: 'stages; none named means all',
    },
    week: calendarHours.week,
    away: dates,
    retired,
  },
  required: ['id', 'name', 'skills'],
  additionalProperties: false,
} as const satisfies JSONSchema;
type Body = Omit<FromSchema<typeof body>, 'week'> & { week?: ScheduleWeek };

/** A pair of hands: what they can do, and when. */
export const person: ShopKind<'person', Body> = {
  body,
  problems: ({ week = {} }) => weekProblems(week, '/body/week'),
  fold: (draft, entry) => {
    draft.people = put(draft.people, entry.body);
  },
  words: ({ name, retired: away }) => (away ? `No longer here: ${name}` : `Person: ${name}`),
  bears: false,
};
