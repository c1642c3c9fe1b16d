import {
  diameterClocks,
  diameterPoint,
  emptyJobState,
  foldEntries,
  gaugeOfReading,
  heightPoint,
  instrumentType,
  padClocks,
  padPoint,
  rimClocks,
  shelfGauges,
  type Entry,
  type InstrumentType,
  type JobState,
  printPhrase,
  type LengthUnit,
  type MeasuringPoint,
  type Phrase,
} from '../src';

export const sax = instrumentType('alto-saxophone') as InstrumentType;
/** What the core says, as a reader of this unit reads it; nothing where it says nothing. */
export const told = (said: Phrase | undefined, unit: LengthUnit = 'mm'): string => printPhrase(said ?? [], unit);
export const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;

/** Writes a small logbook by hand, for tests of what is read out of one. */
export class TestJob {
  readonly entries: Entry[] = [];
  /** minutes since nine o'clock */
  minute = 0;

  constructor(intake: Record<string, unknown> = {}) {
    const body = {
      ticket: 'T-1',
      owner: 'The band',
      instrumentType: sax.id,
      family: 'saxophone',
      practice: 'stage',
      scope: 'repair',
      unit: 'mm',
    };
    this.write('intake', { ...body, ...intake });
  }

  #folded: JobState = emptyJobState;

  /** Taken on from where it was last asked for, as a page does. */
  get state(): JobState {
    this.#folded = foldEntries(this.#folded, this.entries.slice(this.#folded.entries.length));
    return this.#folded;
  }

  get now(): string {
    return new Date(Date.parse('2026-11-23T09:00:00.000Z') + this.minute * 60_000).toISOString();
  }

  write(kind: string, body: object, id?: string): string {
    const seq = this.entries.length + 1;
    const entry = {
      id: id ?? uuid(seq),
      seq,
      kind,
      body,
      author: 'Juno Tam',
      benchTime: this.now,
      receivedAt: this.now,
    };
    this.entries.push(entry as unknown as Entry);
    return entry.id;
  }

  read(point: MeasuringPoint, value: number, gaugeId = 'feeler-fine', air: object = {}): string {
    const gauge = shelfGauges.find(({ id }) => id === gaugeId);
    if (!gauge) throw new Error(`no gauge “${gaugeId}”`);
    return this.write('reading', { point, value, typed: String(value), gauge: gaugeOfReading(gauge), ...air });
  }

  pad(part: string, gaps: readonly number[], gaugeId?: string): void {
    padClocks.forEach((clock, i) => this.read(padPoint(part, clock), gaps[i] ?? 0, gaugeId));
  }

  rim(part: string, heights: readonly number[]): void {
    rimClocks.forEach((clock, i) => this.read(heightPoint(part, clock), heights[i] ?? 0, 'dial-indicator'));
  }

  diameters(part: string, values: readonly number[]): void {
    diameterClocks.forEach((clock, i) => this.read(diameterPoint(part, clock), values[i] ?? 0, 'telescoping-gauge'));
  }

  finding(kind: string, part: string, status = 'confirmed', finding = uuid(5000 + this.entries.length)): string {
    this.write('finding', { finding, kind, part, severity: 2, status });
    return finding;
  }

  done(operation: string, { disturbs = [] as string[], cures = [] as string[], minutes = 10 } = {}): string {
    return this.write('operation-done', { operation, title: operation, minutes, disturbs, cures });
  }
}

export const flat = Array<number>(8).fill(0);
/** A rim that saddles by 0.1 mm, and the gaps a level pad leaves over it. */
export const saddle = [-0.05, 0, 0.05, 0, -0.05, 0, 0.05, 0];
export const gapsOverSaddle = saddle.map((height) => 0.05 - height);
/** A pad too thick: open at the front. */
export const thick = [0.12, 0.1, 0.06, 0.01, 0, 0.01, 0.06, 0.1];
