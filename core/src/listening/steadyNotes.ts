import { meanOf } from '../metrology';
import { centsOf } from '../tuning';
import { hear, lookLength, lookStep, type Look } from './hear';

/** A note that was held: its pitch, and how it was held. */
export interface SteadyNote {
  /** Hz, the mean of its steady part */
  frequency: number;
  /** standard deviation over its steady part, cents */
  spread: number;
  /** the largest step within it, cents: a key that lifts while another is worked moves the note at once */
  step: number;
  /** expanded uncertainty of the mean (k = 2), cents */
  uncertainty: number;
  /** seconds from the beginning of the sound at which it began, and how long its steady part lasted */
  from: number;
  seconds: number;
}

/** Less alike from period to period is noise, breath or two notes at once. */
const leastClarity = 0.85;
/** Softer is the room, of full scale. */
const leastLevel = 0.003;
/** So far a held note wanders before it is another one, cents. */
const sameNote = 45;
/** Its start and its end belong to the tongue, seconds. */
const attack = 0.12;
/** A note is held for so long before it is taken, seconds. */
const heldFor = 0.4;
/** Looks overlap by half: two of them are worth one and a half that do not. */
const worthOfLook = 0.75;

/** A step is told from a drift within so many looks on either side. */
const stepLooks = 4;

interface Run {
  from: number;
  looks: Look[];
}

const isSound = ({ clarity, level, frequency }: Look) =>
  clarity >= leastClarity && level >= leastLevel && frequency > 0;

/** The frequency looks are compared with: of the last few, so that a slow drift is no new note. */
const middle = ({ looks }: Run): number => {
  const last = looks
    .slice(-9)
    .map(({ frequency }) => frequency)
    .sort((a, b) => a - b);
  return last[Math.floor(last.length / 2)] ?? 0;
};

/** The largest step in a row of figures: what lies after a place against what lies before it, its neighbours left out. */
function largestStep(figures: readonly number[]): number {
  let largest = 0;
  for (let at = stepLooks; at + stepLooks < figures.length; at += 1) {
    const step = meanOf(figures.slice(at + 1, at + 1 + stepLooks)) - meanOf(figures.slice(at - stepLooks, at));
    if (Math.abs(step) > Math.abs(largest)) largest = step;
  }
  return largest;
}

/** What a run of looks comes to; null where it was not held for long enough. */
function steadyPart({ from, looks }: Run, step: number): SteadyNote | null {
  const off = Math.ceil(attack / step);
  const steady = looks.slice(off, Math.max(off, looks.length - off));
  const [first] = steady;
  if (!first || steady.length * step < heldFor) return null;
  const cents = steady.map(({ frequency }) => centsOf(frequency, first.frequency));
  const mean = meanOf(cents);
  const spread = Math.sqrt(cents.reduce((sum, c) => sum + (c - mean) ** 2, 0) / Math.max(1, cents.length - 1));
  return {
    frequency: first.frequency * 2 ** (mean / 1200),
    spread,
    step: largestStep(cents),
    uncertainty: (2 * spread) / Math.sqrt(Math.max(1, cents.length * worthOfLook)),
    from: from + off * step,
    seconds: steady.length * step,
  };
}

/** What a listener says after each look. */
export interface Listening {
  /** what is heard just now; null in silence, breath or noise */
  look: Look | null;
  /** how long it has been held, seconds */
  held: number;
  /** a note that has just ended, if it was held for long enough */
  ended: SteadyNote | null;
}

/**
 * Listens to sound as it comes in and tells the notes that were held. It keeps no sound, only the pitch of each look at
 * the note that is under way.
 */
export class Listener {
  readonly #rate: number;
  readonly #window = new Float32Array(lookLength);
  #filled = 0;
  #time = 0;
  #run: Run | null = null;

  /** @param rate samples a second */
  constructor(rate: number) {
    this.#rate = rate;
  }

  get #step(): number {
    return lookStep / this.#rate;
  }

  /** The note under way as far as it was heard; null before it has been held for long enough. */
  get underWay(): SteadyNote | null {
    return this.#run && steadyPart(this.#run, this.#step);
  }

  /** What has come in since, in pieces of any length: one answer for each look that is full. */
  *take(samples: Float32Array): Generator<Listening> {
    for (let at = 0; at < samples.length;) {
      const room = Math.min(lookLength - this.#filled, samples.length - at);
      this.#window.set(samples.subarray(at, at + room), this.#filled);
      this.#filled += room;
      at += room;
      if (this.#filled < lookLength) return;
      yield this.#look(hear(this.#window, this.#rate));
      this.#window.copyWithin(0, lookStep);
      this.#filled = lookLength - lookStep;
      this.#time += this.#step;
    }
  }

  /** The sound is over: the note under way, if it was held for long enough. */
  end(): SteadyNote | null {
    const note = this.underWay;
    this.#run = null;
    return note;
  }

  #look(look: Look): Listening {
    const run = this.#run;
    if (!isSound(look)) return { look: null, held: 0, ended: this.end() };
    if (run && Math.abs(centsOf(look.frequency, middle(run))) <= sameNote) {
      run.looks.push(look);
      return { look, held: run.looks.length * this.#step, ended: null };
    }
    const ended = this.end();
    this.#run = { from: this.#time, looks: [look] };
    return { look, held: this.#step, ended };
  }
}

/** How much of a recording is gone through before it says how far it has come, seconds. */
const progressEvery = 1;

/**
 * All notes held in a recording, in the order they were played; says from time to time how far it has come, 0 to 1.
 *
 * @param rate samples a second
 */
export function* notesIn(samples: Float32Array, rate: number): Generator<number, SteadyNote[]> {
  const listener = new Listener(rate);
  const notes: SteadyNote[] = [];
  const piece = Math.round(rate * progressEvery);
  for (let at = 0; at < samples.length; at += piece) {
    for (const { ended } of listener.take(samples.subarray(at, at + piece))) if (ended) notes.push(ended);
    yield Math.min(1, (at + piece) / samples.length);
  }
  const last = listener.end();
  return last ? [...notes, last] : notes;
}
