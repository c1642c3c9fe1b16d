import { daySchema, momentSchema } from '../validation/plain.schema';

const id = { type: 'string', minLength: 1, maxLength: 200 } as const;
const minutes = { type: 'number', minimum: 0, maximum: 1e7 } as const;
const clock = { type: 'string', pattern: '^(([01][0-9]|2[0-3]):[0-5][0-9]|24:00)$' } as const;
const spans = {
  type: 'array',
  maxItems: 24,
  items: { type: 'array', items: clock, minItems: 2, maxItems: 2 },
} as const;
const due = { type: ['number', 'string', 'null'], maxLength: 40 } as const;

export const weekdays = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const;
export type Weekday = (typeof weekdays)[number];

/** Opening hours by weekday, local time of a zone. */
export const calendarHours = {
  timeZone: { type: 'string', minLength: 1, maxLength: 60 },
  week: {
    type: 'object',
    properties: { mon: spans, tue: spans, wed: spans, thu: spans, fri: spans, sat: spans, sun: spans },
    additionalProperties: false,
  },
} as const;

export const scheduleInput = {
  type: 'object',
  properties: {
    tasks: {
      type: 'array',
      maxItems: 2000,
      items: {
        type: 'object',
        properties: {
          id,
          attended: minutes,
          unattended: minutes,
          after: { type: 'array', items: id, maxItems: 2000 },
          resource: id,
          skill: { ...id, description: 'what whoever does it must be able to do, where people are named' },
          piece: { ...id, description: 'what it is worked on: only one pair of hands has it at a time' },
          notBefore: { ...minutes, description: 'minutes from the start' },
        },
        required: ['id', 'attended', 'unattended', 'after'],
        additionalProperties: false,
      },
    },
    resources: {
      type: 'object',
      maxProperties: 2000,
      additionalProperties: { type: 'integer', minimum: 1 },
    },
    calendar: {
      type: ['object', 'null'],
      properties: {
        start: momentSchema,
        ...calendarHours,
        closed: { type: 'array', items: daySchema, maxItems: 4000 },
      },
      required: ['start', 'timeZone', 'week', 'closed'],
      additionalProperties: false,
    },
    people: {
      type: 'array',
      maxItems: 50,
      description: 'several pairs of hands; without them there is one, which can do everything',
      items: {
        type: 'object',
        properties: {
          id,
          skills: { type: 'array', items: id, maxItems: 100, description: 'none named means all' },
          week: { ...calendarHours.week, description: 'own hours in place of those of the calendar' },
          away: { type: 'array', items: daySchema, maxItems: 400 },
        },
        required: ['id', 'skills'],
        additionalProperties: false,
      },
    },
    aim: {
      enum: ['makespan', 'due'],
      description: 'the earliest end of all (usual), or tickets in time first',
    },
    dueBy: { ...due, description: 'for the whole: minutes from the start, or ISO 8601 when there is a calendar' },
    tickets: {
      type: 'array',
      maxItems: 500,
      items: {
        type: 'object',
        properties: { id, tasks: { type: 'array', items: id, maxItems: 2000 }, dueBy: due },
        required: ['id', 'tasks'],
        additionalProperties: false,
      },
    },
  },
  required: ['tasks', 'resources', 'calendar'],
  additionalProperties: false,
} as const;

export interface ScheduleTask {
  id: string;
  attended: number;
  unattended: number;
  after: string[];
  resource?: string;
  /** what whoever does it must be able to do */
  skill?: string;
  /** what it is worked on: only one pair of hands has it at a time */
  piece?: string;
  /** minutes from the start */
  notBefore?: number;
}

/** One pair of hands among several. */
export interface SchedulePerson {
  id: string;
  /** none named means all */
  skills: string[];
  week?: ScheduleWeek;
  /** days away, ISO dates */
  away?: string[];
}
export type ScheduleWeek = Partial<Record<Weekday, [string, string][]>>;
export interface ScheduleCalendar {
  start: string;
  timeZone: string;
  week: ScheduleWeek;
  closed: string[];
}
export interface ScheduleInput {
  tasks: ScheduleTask[];
  resources: Record<string, number>;
  calendar: ScheduleCalendar | null;
  people?: SchedulePerson[];
  aim?: 'makespan' | 'due';
  dueBy?: number | string | null;
  tickets?: { id: string; tasks: string[]; dueBy?: number | string | null }[];
}

const number = { type: 'number' } as const;
export const scheduleOutput = {
  type: 'object',
  properties: {
    tasks: {
      type: 'array',
      items: {
        type: 'object',
        properties: { id, start: number, attendedEnd: number, end: number, person: id },
        required: ['id', 'start', 'attendedEnd', 'end'],
      },
    },
    makespan: number,
    lowerBound: number,
    gap: number,
    criticalPath: { type: 'array', items: id },
    late: { type: 'array', items: id },
  },
  required: ['tasks', 'makespan', 'lowerBound', 'gap', 'criticalPath', 'late'],
} as const;

/** Minutes from the start of the calendar, or from 0 without one. */
export interface PlacedTask {
  id: string;
  start: number;
  attendedEnd: number;
  end: number;
  /** whose hands, where people are named */
  person?: string;
}
export interface ScheduleOutput {
  tasks: PlacedTask[];
  makespan: number;
  lowerBound: number;
  gap: number;
  criticalPath: string[];
  /** tickets whose last task ends after they are due; tasks that end after `dueBy` */
  late: string[];
}
