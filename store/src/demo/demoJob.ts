import {
  assemblyGuide,
  chanceFrom,
  choosePads,
  foldStock,
  padLine,
  usualPadSet,
  changeToAgree,
  emptyJobState,
  estimateOptions,
  findingOfPicture,
  foldEntries,
  foldShop,
  gaugeOfReading,
  gaugeShows,
  judgeJob,
  jobPlan,
  printPhrase,
  lightPicture,
  nextCell,
  overRelations,
  padClocks,
  padPoint,
  heightPoint,
  diameterPoint,
  diameterClocks,
  rimClocks,
  pictureWords,
  pointsOfPart,
  stripOrder,
  shelfGauges,
  soundInstrument,
  trueGaps,
  trueFigure,
  usualGauge,
  type AgreementAnswer,
  type Chance,
  type Entry,
  type EntryBody,
  type EntryKind,
  type EstimateDraft,
  type InstrumentType,
  type JobState,
  type MeasuringPoint,
  type Step,
  type Suggestion,
  type TrueInstrument,
} from '@holotonos/core';

import { drawers } from './drawers';
import { pictureSize } from './drawings';
import { lanternLane } from './lanternLane';

/** The shop the story plays in: its rates and prices are in every estimate. */
const demoShop = foldShop(lanternLane().map((entry, i) => ({ ...entry, seq: i + 1, receivedAt: entry.benchTime })));

/** What lies in the drawers there, from which pads are chosen. */
const demoStock = foldStock(drawers().map((entry, i) => ({ ...entry, seq: i + 1, receivedAt: entry.benchTime })));

type Marks = EntryBody<'photo-marks'>['marks'];

const minuteMs = 60_000;
/** Benches close at six and open again at nine. */
const closing = 18;
const opening = 9;

const gaugeById = (id: string) => {
  const gauge = shelfGauges.find((shelf) => shelf.id === id);
  if (!gauge) throw new Error(`no gauge “${id}” on the shelf`);
  return gauge;
};

/**
 * Plays a technician on a made-up instrument whose true shape is known: writes the entries that such a story would
 * have left in the logbook. Everything follows from the seed.
 */
export class DemoJob {
  readonly entries: Entry[] = [];
  /** made-up pictures that go with the entries, as drawings */
  readonly pictures: { id: string; svg: string }[] = [];
  readonly chance: Chance;
  readonly truth: TrueInstrument;
  state: JobState = emptyJobState;
  author = 'Perrin Oake';
  /** air of the room, written down with every reading while it is set */
  air: { temperature: number; humidity: number } | null = null;
  #now: Date;
  readonly #type: InstrumentType;

  constructor(type: InstrumentType, seed: number, start: string) {
    this.#type = type;
    this.chance = chanceFrom(seed);
    this.truth = soundInstrument(type, this.chance);
    this.#now = new Date(start);
  }

  get now(): string {
    return this.#now.toISOString();
  }

  /** The instrument as it is known by now. */
  get type(): InstrumentType {
    return this.state.instrument ?? this.#type;
  }

  /** Lets bench time pass; work stops at closing time and goes on in the morning. */
  pass(minutes: number): void {
    this.#now = new Date(this.#now.getTime() + minutes * minuteMs);
    if (this.#now.getUTCHours() >= closing) this.goTo(1);
  }

  /** Opens the bench again `days` later. */
  goTo(days: number): void {
    this.#now = new Date(this.#now.getTime() + days * 24 * 60 * minuteMs);
    this.#now.setUTCHours(opening, 10, 0, 0);
  }

  /** Bodies are checked by their schemas in the tests of the demo, as they would be on arrival. */
  write(kind: EntryKind, body: object): Entry {
    const at = this.now;
    const plain = {
      id: this.chance.uuid(),
      seq: this.entries.length + 1,
      kind,
      body,
      author: this.author,
      benchTime: at,
      receivedAt: at,
    };
    const entry = plain as unknown as Entry;
    this.entries.push(entry);
    this.state = foldEntries(this.state, [entry]);
    return entry;
  }

  finding(
    kind: EntryBody<'finding'>['kind'],
    part: string,
    severity: 1 | 2 | 3,
    note: string,
    status: EntryBody<'finding'>['status'] = 'confirmed',
    more: Pick<EntryBody<'finding'>, 'spring' | 'place' | 'dent'> = {},
  ): string {
    const finding = this.chance.uuid();
    this.write('finding', { finding, kind, part, severity, status, note, ...more });
    this.pass(2);
    return finding;
  }

  reading(point: MeasuringPoint, trueValue: number, gaugeId: string, least = -1000): Entry {
    const gauge = gaugeOfReading(gaugeById(gaugeId));
    const shown = Math.max(least, gaugeShows(trueValue, gauge, this.chance));
    const typed = (Math.round(shown * 10000) / 10000).toString();
    this.pass(0.3);
    return this.write('reading', { point, value: Number(typed), typed, gauge, ...this.air });
  }

  /** What the leak light showed of a pad, and the finding it came to. */
  light(part: string, sectors: readonly number[]): void {
    this.write('observation', { part, about: 'light', sectors });
    const picture = lightPicture(sectors);
    const kind = findingOfPicture[picture];
    if (kind) this.finding(kind, part, sectors.length > 2 ? 2 : 1, pictureWords[picture].title);
    else this.pass(0.3);
  }

  /** Looks at a part without taking a figure. */
  look(group: EntryBody<'tick'>['group'], part: string, says: string): void {
    this.write('tick', { group, part, says });
    this.pass(0.1);
  }

  /** Goes through a station of the survey. */
  looked(station: EntryBody<'survey'>['station']): void {
    this.write('survey', { station, outcome: 'looked' });
    this.pass(1);
  }

  photo(svg: string, about: { part?: string; finding?: string; caption: string }, marks: Marks = []): void {
    const photo = this.chance.uuid();
    this.pictures.push({ id: photo, svg });
    this.write('photo', { photo, width: pictureSize.width, height: pictureSize.height, ...about });
    if (marks.length > 0) this.write('photo-marks', { photo, marks });
    this.pass(1);
  }

  /** Takes everything off in an order that nothing speaks against, each part to the next place of the board. */
  stripDown(leave: readonly string[], notes: Readonly<Record<string, string>> = {}): void {
    const parts = stripOrder(this.type).filter(({ id }) => !leave.includes(id));
    const guide = assemblyGuide(
      parts.map(({ id }) => id),
      overRelations(this.type),
    );
    for (const { part } of guide.steps.reverse()) {
      const note = notes[part];
      const cell = nextCell(this.state);
      this.write('part-off', { part, where: 'board', cell, ...(note !== undefined && { note }) });
      this.pass(1);
    }
  }

  measurePad(part: string, gaugeId = 'feeler-film'): void {
    for (const { clock, gap } of trueGaps(this.type, this.truth, part, padClocks, this.chance)) {
      this.reading(padPoint(part, clock), gap, gaugeId, 0);
    }
  }

  measureRim(part: string, withDiameters = false): void {
    const points = [
      ...rimClocks.map((clock) => heightPoint(part, clock)),
      ...(withDiameters ? diameterClocks.map((clock) => diameterPoint(part, clock)) : []),
    ];
    for (const point of points) {
      const value = trueFigure(this.type, this.truth, point, this.chance);
      if (value === null) throw new Error(`no hole “${part}”`);
      this.reading(point, value, usualGauge[point.measure]);
    }
  }

  /** Reads the points of one part from what is true there, each with the gauge its measure takes; only these measures, if any are named. */
  measurePart(
    group: 'body-line' | 'bore' | 'post' | 'hinge' | 'joint',
    part: string,
    only: readonly MeasuringPoint['measure'][] = [],
    gaugeId?: string,
  ): void {
    for (const { point } of pointsOfPart(this.state, this.type, group, part)) {
      if (only.length > 0 && !only.includes(point.measure)) continue;
      const value = trueFigure(this.type, this.truth, point, this.chance);
      if (value !== null) this.reading(point, value, gaugeId ?? usualGauge[point.measure]);
    }
  }

  /** The true instrument changes when work is done on it. */
  repairRim(part: string): void {
    const rim = this.truth.rims.get(part);
    if (rim) Object.assign(rim, { tilt: 0.01, saddle: 0.002, dent: 0.003 });
  }

  seatPad(part: string): void {
    const pad = this.truth.pads.get(part);
    if (pad) Object.assign(pad, { thickness: 0, side: 0, roughness: 0.003 });
  }

  steps(): Step[] {
    return jobPlan(this.state, this.type, judgeJob(this.state, this.type), this.now).steps;
  }

  suggestions(): Suggestion[] {
    return judgeJob(this.state, this.type).suggestions;
  }

  confirm(suggestion: Suggestion, note = ''): string {
    const finding = this.chance.uuid();
    const { kind, part, severity, evidence, key, cause } = suggestion;
    this.write('finding', {
      finding,
      kind,
      part,
      severity,
      status: 'confirmed',
      note: note || printPhrase(cause, this.state.unit),
      suggestion: key,
      evidence,
    });
    this.pass(1);
    return finding;
  }

  /** Chooses pads for these cups out of the drawers, as the page of the set proposes; for all of them where none is named. */
  choosePads(holes: readonly string[] = this.type.pads.map(({ hole }) => hole)): void {
    const lines = choosePads(this.state, this.type, demoStock, usualPadSet).flatMap((row) =>
      holes.includes(row.hole) && row.suggested ? [padLine(row, row.suggested)] : [],
    );
    this.write('chosen', { lines });
    this.pass(6);
  }

  /** Gives the owner one of the estimates the plan comes to, and writes down what was said. */
  offer(key: string, answer: AgreementAnswer | null, by = '', note = ''): void {
    const option = estimateOptions(this.state, this.type, demoShop).find((each) => each.key === key);
    if (!option) throw new Error(`no estimate “${key}”`);
    this.give(option.draft, answer, by, note);
  }

  /** Puts to the owner what has come up since. */
  offerChange(answer: AgreementAnswer, by: string, note: string): void {
    const plan = jobPlan(this.state, this.type, judgeJob(this.state, this.type), this.now);
    const change = changeToAgree(this.state, this.type, demoShop, plan);
    if (change) this.give(change.draft, answer, by, note);
  }

  private give(draft: EstimateDraft, answer: AgreementAnswer | null, by: string, note: string): void {
    const estimate = this.chance.uuid();
    this.write('estimate', { estimate, ...draft });
    this.pass(30);
    if (answer === null) return;
    this.write('agreement', { estimate, answer, on: this.now.slice(0, 10), by, note });
    this.pass(2);
  }

  /** Does one step of the plan as it stands, the way the step card writes it. */
  do(id: string, note = ''): void {
    const step = this.steps().find((candidate) => candidate.id === id);
    if (!step) throw new Error(`no step “${id}” in the plan`);
    this.write('operation-started', { operation: id, cautionsAccepted: step.cautions });
    const minutes = Math.round(step.minutes.low + this.chance.uniform() * (step.minutes.high - step.minutes.low) * 0.6);
    this.pass(minutes);
    const { title, spoils, cures, takes } = step;
    this.write('operation-done', {
      operation: id,
      title,
      minutes,
      disturbs: [...spoils],
      cures,
      ...(takes.length > 0 && { takes: [...takes] }),
      ...(note && { note }),
    });
    // Long work ends the day; other jobs take the bench for a while after it.
    if (step.unattended > 600) this.goTo(Math.ceil(step.unattended / 1440));
    else if (minutes > 45) this.goTo(1 + Math.floor(this.chance.uniform() * 4));
    else this.pass(step.unattended + 5);
  }

  skip(id: string, reason: string): void {
    const step = this.steps().find((candidate) => candidate.id === id);
    if (!step) throw new Error(`no step “${id}” in the plan`);
    this.write('operation-skipped', { operation: id, title: step.title, reason, leaves: step.cures });
  }

  /** Does every step in order up to and with the last of a stage, passing over those named. */
  doThrough(stage: Step['stage'], skip: Record<string, string> = {}): void {
    for (;;) {
      const stages = this.steps();
      const last = stages.findLastIndex((step) => step.stage === stage);
      const next = stages.slice(0, last + 1).find(({ status }) => status === 'ready' || status === 'waiting');
      if (!next) return;
      const reason = skip[next.id];
      if (reason !== undefined) this.skip(next.id, reason);
      else this.do(next.id);
    }
  }
}
