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
  'neck-down',
  'fitting-bent',
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
  'resonator-broken',
  'adjuster-out',
  'lost-motion',
  'noise',
  'tarnish',
  'tuning-low',
  'tuning-high',
  'dirt',
] as const;
export type FindingKind = (typeof findingKinds)[number];

/** What is wrong with a spring. */
export const springFaults = ['weak', 'strong', 'spent'] as const;
export type SpringFault = (typeof springFaults)[number];

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

/** What a pad carries in its middle: a riveted disc, one that snaps in by petals, or nothing. */
export const padResonators = ['disc', 'snap', 'none'] as const;

/** How an owner is reminded of a check-up. */
export const reminderWays = ['card', 'call', 'message', 'in-person'] as const;

/** What a pad that was pulled is like. */
export const padConditions = ['sound', 'hard', 'stained', 'torn', 'swollen', 'loose'] as const;
export type PadCondition = (typeof padConditions)[number];

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
  'lateness',
  'lean',
  'run-out',
  'rise-and-fall',
  'wear',
  'cone-angle',
  'cork',
  'leak-baseline',
  'leak-scale',
  'leak-scale-baseline',
  'weight',
  'stand',
  'setter',
  'cup',
  'cup-depth',
  'mark-gap',
  'key-gap',
  'end-play',
  'arm',
  'cents',
  'spread',
] as const;
export type Measure = (typeof measures)[number];

/** What a gauge is; which measures each kind can take stands in metrology. */
export const gaugeKinds = [
  'feeler',
  'indicator',
  'straight-edge',
  'caliper',
  'micrometer',
  'pins',
  'bore-gauge',
  'small-hole',
  'leak-tester',
  'leak-scale',
  'force-gauge',
  'protractor',
  'hygrometer',
  'pitch-meter',
] as const;
export type GaugeKind = (typeof gaugeKinds)[number];

/** Limits a practice sets and a shop may set otherwise. */
export const toleranceNames = [
  'bodyStraightness',
  'boreOvality',
  'boreDeviation',
  'rimFlatness',
  'rimFlatnessLarge',
  'rimTilt',
  'holeOvality',
  'hingeClearance',
  'endPlay',
  'rodRunOut',
  'pivotRise',
  'pivotWear',
  'postLean',
  'postHeight',
  'witnessGap',
  'metalJointClearance',
  'corkedTenonClearance',
  'corkSqueeze',
  'padGap',
  'padStandSpread',
  'followerLateness',
  'lostMotion',
  'leastForceNewtons',
  'sealForceNewtons',
  'jointLeakMlPerMinute',
  'jointLeakShare',
  'noteCents',
  'rimRemoval',
  'tubeReduction',
  'swageZone',
  'swageFacing',
  'tenonOvershoot',
  'tenonStep',
] as const;
export type ToleranceName = (typeof toleranceNames)[number];

/** Corrective work that goes in passes: act a little, measure, act again. */
export const passKinds = [
  'straighten',
  'turn-bell',
  'expand',
  'shrink',
  'lap',
  'swage',
  'face',
  'cut',
  'fill',
] as const;
export type PassKind = (typeof passKinds)[number];

/** Where good technicians disagree: each question of a practice, and the sides that can be taken. */
export const practiceSides = {
  lostMotion: ['none', 'hair'],
  closingOrder: ['together', 'needed-first'],
  adhesive: ['shellac', 'hot-glue'],
  seating: ['clamp-and-warm', 'no-clamp'],
  clamping: ['finger-keys', 'every-pad'],
  levelling: ['bend-cup', 'shim-or-float'],
  pads: ['renew-all', 'keep-sound'],
  padLife: ['age', 'condition'],
  rims: ['dress-every', 'only-faulty'],
  tenon: ['expand-then-shrink', 'creep-and-lap'],
  endPlay: ['washers', 'new-tube'],
  originality: ['playability', 'reversible'],
  straightening: ['taps', 'slow-pressure'],
  smallDents: ['remove', 'leave'],
  springFeel: ['light', 'firm'],
  tuning: ['alter-holes', 'leave-holes'],
  tarnish: ['polish', 'wash-only'],
} as const;
export type PracticeQuestion = keyof typeof practiceSides;
export const practiceQuestions = Object.keys(practiceSides) as PracticeQuestion[];
/** A side taken on every question. */
export type PracticeSettings = { [Q in PracticeQuestion]: (typeof practiceSides)[Q][number] };

/**
 * How far work reaches from where it is done: along a whole tube (straightening), about two widths of a dent, as far as
 * heat spreads from a seam, over all that spans bell and body, or no further than a key and its rod.
 */
export const reaches = ['tube', 'near', 'heat', 'bell', 'key'] as const;
export type Reach = (typeof reaches)[number];

/** What a step holds while it is worked and while it cures. */
export const benchResources = ['oven', 'vice'] as const;
export type BenchResource = (typeof benchResources)[number];

/** What a shop keeps by size. */
export const sizeKinds = ['films', 'shims', 'washers', 'rods', 'cutters', 'bushes', 'balls'] as const;
export type SizeKind = (typeof sizeKinds)[number];

/** What is paid for beside hours. */
export const costKinds = ['part', 'material', 'outside'] as const;
export type CostKind = (typeof costKinds)[number];

/** What an owner can say to an estimate. */
export const agreementAnswers = ['accepted', 'changed', 'refused'] as const;
export type AgreementAnswer = (typeof agreementAnswers)[number];

/** What lies in the drawers of a shop. */
export const stockKinds = [
  'pad',
  'resonator',
  'grommet',
  'shim',
  'cork',
  'felt',
  'washer',
  'spring-wire',
  'flat-spring',
  'rod',
  'bush',
  'cutter',
  'punch',
  'film',
  'ball',
  'mandrel',
  'adhesive',
  'other',
] as const;
export type StockKind = (typeof stockKinds)[number];

/** How something in a drawer is counted. */
export const countedIn = ['piece', 'sheet', 'metre', 'gram', 'millilitre'] as const;
export type CountedIn = (typeof countedIn)[number];

/** Why something left a drawer or came into it. */
export const moveReasons = ['taken', 'put-back', 'bought', 'spoilt'] as const;
export type MoveReason = (typeof moveReasons)[number];

/** What a part of an instrument is given out of the drawers. */
export const materialUses = [
  'pad',
  'resonator',
  'grommet',
  'shim',
  'cork',
  'felt',
  'spring',
  'bush',
  'washer',
  'other',
] as const;
export type MaterialUse = (typeof materialUses)[number];

/** What a place that has to be kept quiet or tight is given. */
export const corkKinds = ['cork', 'felt', 'bumper', 'tenon'] as const;
export type CorkKind = (typeof corkKinds)[number];

/** How deep a dent is by eye. */
export const dentDepths = ['slight', 'plain', 'deep'] as const;
/** How its edge runs. */
export const dentEdges = ['soft', 'creased'] as const;
/** What lies over metal. */
export const finishes = ['bare', 'tarnished', 'lacquer-sound', 'lacquer-brittle', 'plate', 'engraving'] as const;
export type Finish = (typeof finishes)[number];
