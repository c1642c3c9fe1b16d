/**
 * The closed word lists that schemas, solvers and screens share. They stand apart from the folders that give them
 * meaning so that a schema can name a word without importing a room.
 */
export const families = ['flute', 'piccolo', 'clarinet', 'oboe', 'saxophone', 'other'] as const;
export type Family = (typeof families)[number];

export const practiceNames = ['stage', 'steady', 'keeper'] as const;
export type PracticeName = (typeof practiceNames)[number];

export const scopes = ['overhaul', 'repair'] as const;
export type Scope = (typeof scopes)[number];

/** What a reading measures, and what an operation disturbs. */
export const measureGroups = [
  'body-line',
  'bore',
  'rim',
  'hole',
  'post',
  'hinge',
  'joint',
  'spring',
  'pad',
  'link',
  'pitch',
] as const;
export type MeasureGroup = (typeof measureGroups)[number];

export const findingKinds = [
  'body-bent',
  'bell-turned',
  'dent',
  'seam-open',
  'hole-unsoldered',
  'post-loose',
  'post-stripped',
  'post-leaning',
  'crack',
  'stuck-part',
  'broken-screw',
  'rim-warped',
  'hole-oval',
  'rim-chipped',
  'joint-loose',
  'joint-tight',
  'receiver-oval',
  'tenon-gouged',
  'cork-worn',
  'key-bent',
  'rod-bent',
  'pivot-worn',
  'hinge-loose',
  'end-play',
  'spring-weak',
  'spring-missing',
  'pad-worn',
  'pad-leaking',
  'grommet-cracked',
  'adjuster-out',
  'lost-motion',
  'noise',
  'tarnish',
  'tuning-low',
  'tuning-high',
  'dirt',
] as const;
export type FindingKind = (typeof findingKinds)[number];

export const findingStatuses = ['open', 'suspected', 'confirmed', 'declined', 'cured', 'stop-gap', 'left'] as const;
export type FindingStatus = (typeof findingStatuses)[number];

/** The stages of an overhaul, in the order of the work. */
export const stages = [
  'intake',
  'survey',
  'strip',
  'free',
  'body',
  'seams',
  'holes',
  'joints',
  'keys',
  'finish',
  'corks',
  'pads',
  'assemble',
  'regulate',
  'tune',
  'playtest',
  'handover',
] as const;
export type Stage = (typeof stages)[number];

/** The stations of a survey, in the order they are gone through. */
export const surveyStations = ['joints', 'body', 'holes', 'mechanism', 'springs', 'pads', 'corks'] as const;
export type SurveyStation = (typeof surveyStations)[number];

/** Where a part that has been taken off can be. */
export const partWheres = ['board', 'bag', 'replaced', 'lost', 'borrowed'] as const;
export type PartWhere = (typeof partWheres)[number];

export const padHolds = ['adhesive', 'screw', 'grommet'] as const;

/** What a figure is a figure of. */
export const measures = [
  'gap',
  'height',
  'diameter',
  'deviation',
  'tube-outer',
  'tube-inner',
  'tube-length',
  'rod',
  'post-gap',
  'tenon',
  'receiver',
  'leak',
  'force',
  'lost-motion',
] as const;
export type Measure = (typeof measures)[number];
