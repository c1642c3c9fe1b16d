import { isTimeZone } from '../clock';
import { says } from '../logbook';
import { weekProblems, type ScheduleWeek } from '../schedule';
import { calendarHours } from '../schedule/schedule.schema';
import type { BenchResource } from '../vocabulary';
import { dates } from './ids.schema';
import type { ShopKind } from './kind';

const body = {
  type: 'object',
  properties: {
    ...calendarHours,
    closed: dates,
    resources: {
      type: 'object',
      properties: {
        oven: { type: 'integer', minimum: 1, maximum: 20 },
        vice: { type: 'integer', minimum: 1, maximum: 20 },
      },
      required: ['oven', 'vice'],
      additionalProperties: false,
    },
  },
  required: ['timeZone', 'week', 'closed', 'resources'],
  additionalProperties: false,
} as const;

/** When the shop is open, and how many there are of what a step can hold. */
export interface ShopHours {
  timeZone: string;
  week: ScheduleWeek;
  /** days it is closed, ISO dates */
  closed: string[];
  resources: Record<BenchResource, number>;
}

/** When the shop is open. */
export const hours: ShopKind<'hours', ShopHours> = {
  body,
  problems: ({ timeZone, week }) => [
    ...(isTimeZone(timeZone) ? [] : says('timeZone', 'is not a known time zone')),
    ...weekProblems(week, '/body/week'),
  ],
  fold: (draft, entry) => {
    draft.hours = entry.body;
  },
  words: ({ timeZone }) => `Opening hours, ${timeZone}`,
  bears: false,
};
