import { isOpenStatus, type FindingState } from '../findings';
import {
  closedHoles,
  firstOpenOf,
  keysOfPart,
  linksOfKeys,
  oncePerType,
  placeOfPart,
  sectionStarts,
  type InstrumentType,
} from '../instruments';
import type { JobState } from '../job';
import { compassOf, quickLoss, soundNotes, soundOf, usualSlit } from '../sound';
import type { FindingKind } from '../vocabulary';
import { isOpenStep, type Step } from './step';

/** Faults that cost nothing of a note: looks, noise, feel and pitch. Every other lets air out where it should not. */
const silent: ReadonlySet<FindingKind> = new Set<FindingKind>([
  'dent',
  'fitting-bent',
  'tarnish',
  'dirt',
  'noise',
  'end-play',
  'lost-motion',
  'stuck-part',
  'broken-screw',
  'tuning-low',
  'tuning-high',
]);

/** The holes whose pads a part bears on: a key its own, a link those of both its keys, a rod or a post those of its keys. */
function holesUnder(type: InstrumentType, part: string): string[] {
  if (type.holes.some(({ id }) => id === part)) return [part];
  const keys = new Set(keysOfPart(type, part));
  return type.pads.filter(({ key }) => keys.has(key)).map(({ hole }) => hole);
}

/** What a pad that does not seal takes from each note, dB, by its hole and then by its note; worked out once a type. */
const padLosses = oncePerType((type): ReadonlyMap<string, ReadonlyMap<string, number>> => {
  const tube = soundOf(type);
  const notes = tube
    ? soundNotes(
        tube,
        compassOf(type).filter(({ alternative }) => alternative === null),
      )
    : [];
  return new Map(
    (tube ? type.pads : []).flatMap(({ hole }): [string, ReadonlyMap<string, number>][] => {
      const slit = usualSlit(type, hole);
      if (!tube || !slit) return [];
      const loss = quickLoss(tube, notes, new Map([[hole, slit]]));
      return [[hole, new Map(notes.map(({ fingering }, i) => [fingering.note, loss[i] ?? 0]))]];
    }),
  );
});

/**
 * The notes a fault spoils: every one whose air goes past it. A pad spoils those it is closed for above the hole they
 * come out of; a joint, a seam or a crack those that come out below it. Alternative fingerings are not counted.
 */
export function notesSpoilt(type: InstrumentType, finding: Pick<FindingState, 'kind' | 'part' | 'place'>): string[] {
  const { kind, part } = finding;
  if (silent.has(kind)) return [];
  const starts = sectionStarts(type, 0);
  const along = (place: { section: string; at: number } | null | undefined) =>
    place ? (starts.get(place.section) ?? 0) + place.at : null;
  const holes = holesUnder(type, part);
  const leak = holes.length === 0 ? along(finding.place ?? placeOfPart(type, part)) : null;
  if (holes.length === 0 && leak === null) return [];
  const spoilt = type.fingerings.flatMap(({ note, down, alternative }) => {
    if (alternative !== undefined) return [];
    const closed = closedHoles(type, down);
    const open = firstOpenOf(type, closed);
    const end = open === null ? Infinity : (along(placeOfPart(type, open)) ?? Infinity);
    const past =
      leak === null
        ? holes.some((hole) => closed.has(hole) && (along(placeOfPart(type, hole)) ?? Infinity) < end)
        : leak < end;
    return past ? [note] : [];
  });
  return [...new Set(spoilt)];
}

/** A note that is weakened by so much is as good as lost, dB; one that hardly minds still counts for a part. */
const lost = 6;
const leastWeight = 0.25;

/** How much a note suffers from a fault beside others that it suffers from, by the model where that knows: up to 1. */
export function weightOf(type: InstrumentType, { part }: Pick<FindingState, 'part'>, note: string): number {
  const losses = holesUnder(type, part).flatMap((hole) => padLosses(type).get(hole)?.get(note) ?? []);
  if (losses.length === 0) return 1;
  return Math.min(1, Math.max(leastWeight, ...losses.map((loss) => loss / lost)));
}

/** More than these are told by their ends. */
const mostNamed = 6;

/**
 * Notes in words, in the order they are given.
 *
 * @example notesWords(['C4', 'D4']) // => "C4, D4"
 */
export const notesWords = (notes: readonly string[]): string =>
  notes.length <= mostNamed ? notes.join(', ') : `${notes.length} notes from ${notes[0]} to ${notes.at(-1)}`;

/** Why a step is left that does not fit, in words for the owner. @param promised in words, such as `2 h` */
export const beyondWords = (promised: string, notes: readonly string[]): string =>
  notes.length === 0
    ? `Beyond the ${promised} that were promised; no note suffers from it.`
    : `Beyond the ${promised} that were promised; ${notesWords(notes)} may fail.`;

/** How the hours that were promised are spent. */
export interface PromiseFit {
  /** minutes promised, and worked already */
  promised: number;
  spent: number;
  /** likely minutes of the steps that fit; more than is left only where what has to be done anyway is more */
  planned: number;
  /** ids of the open steps that fit */
  within: ReadonlySet<string>;
  /** what does not fit, the notes that still suffer from it and the minutes it would take */
  left: { finding: FindingState; notes: string[]; minutes: number }[];
  /** notes that fail now, and those of them that play when what fits is done */
  failing: string[];
  regained: string[];
}

/**
 * Spends promised hours from the top: what has to be done anyway (strip-down, assembly, play test) first, then the cures
 * that give back most notes a minute, each as much as the model says it suffers. A note that several faults spoil
 * counts in shares, for it plays only when all of them are cured; a cure brings what has to be right before it. Faults no note suffers from come last, the quickest first.
 *
 * @param minutes promised in all; what was booked on the job is taken off
 */
export function fitPromise(steps: readonly Step[], state: JobState, type: InstrumentType, minutes: number): PromiseFit {
  const open = steps.filter(isOpenStep);
  const byId = new Map(open.map((step) => [step.id, step]));
  const spent =
    [...state.operations.values()].reduce((sum, each) => sum + each.minutes, 0) +
    state.times.reduce((sum, { body }) => sum + body.minutes, 0);
  const within = new Set(open.filter(({ cures }) => cures.length === 0).map(({ id }) => id));
  /** The holes that what a step cures bears on, one list a fault; a fault that costs no note has none. */
  const holesOf = ({ cures }: Step) =>
    cures.flatMap((id) => {
      const finding = state.findings.get(id);
      return finding && !silent.has(finding.kind) ? [holesUnder(type, finding.part)] : [];
    });
  /** How many links the keys over these holes act in. */
  const linksAt = (holes: ReadonlySet<string>): number => {
    const keys = new Set(type.pads.filter(({ hole }) => holes.has(hole)).map(({ key }) => key));
    return linksOfKeys(type, keys).length;
  };
  const everyLink = linksAt(new Set(open.flatMap((step) => holesOf(step).flat())));
  const wantOff = (steps: readonly Step[]) => steps.filter(({ keysOff, cures }) => keysOff && cures.length > 0).length;
  const everyOff = wantOff(open);
  /** The plan strips for all that it cures and brings in all links it touches: with hours to count, for what is done. */
  const shareOf = ({ stage, cures }: Step, chosen: readonly Step[], touched: ReadonlySet<string>): number => {
    if (cures.length > 0) return 1;
    if (stage === 'regulate') return linksAt(touched) / Math.max(1, everyLink);
    return stage === 'strip' || stage === 'assemble' ? wantOff(chosen) / Math.max(1, everyOff) : 1;
  };
  const likely = (ids: Iterable<string>) => {
    const chosen = [...ids].flatMap((id) => byId.get(id) ?? []);
    const touched = new Set(chosen.flatMap((step) => holesOf(step).flat()));
    return chosen.reduce((sum, step) => sum + step.minutes.likely * shareOf(step, chosen, touched), 0);
  };
  /**
   * Must the one be done for the other to be worth doing? The order of a plan also keeps a pad behind a dent elsewhere; with
   * hours to count, only what bears on the same pad counts, and what lets air out wherever the note comes from.
   */
  const bearsOn = (earlier: Step, later: Step): boolean => {
    const own = new Set(holesOf(later).flat());
    return holesOf(earlier).some((holes) => holes.length === 0 || holes.some((hole) => own.has(hole)));
  };
  /** What a cure brings with it that is not in yet. */
  const brought = (finding: FindingState): Set<string> => {
    const more = new Set(open.filter(({ cures }) => cures.includes(finding.finding)).map(({ id }) => id));
    // A set hands out what is added to it while it is walked.
    for (const id of more) {
      const step = byId.get(id);
      for (const { id: before } of step?.after ?? []) {
        const earlier = byId.get(before);
        if (step && earlier && bearsOn(earlier, step)) more.add(before);
      }
    }
    for (const id of within) more.delete(id);
    return more;
  };
  const rest = new Map(
    [...state.findings.values()]
      .filter(({ status }) => isOpenStatus(status))
      .map((finding) => [finding, notesSpoilt(type, finding)] as const),
  );
  const failing = [...new Set([...rest.values()].flat())];
  const wanted = () => [...rest].filter(([finding]) => open.some(({ cures }) => cures.includes(finding.finding)));
  for (;;) {
    const planned = likely(within);
    const room = minutes - spent - planned;
    const shares = new Map<string, number>();
    for (const notes of rest.values()) for (const note of notes) shares.set(note, (shares.get(note) ?? 0) + 1);
    const fitting = wanted()
      .map(([finding, notes]) => {
        const more = brought(finding);
        const gain = notes.reduce((sum, note) => sum + weightOf(type, finding, note) / (shares.get(note) ?? 1), 0);
        const cost = likely([...within, ...more]) - planned;
        return { finding, more, cost, rate: cost > 0 ? gain / cost : Infinity };
      })
      .filter(({ cost }) => cost <= room + 1e-9)
      .sort((a, b) => b.rate - a.rate || a.cost - b.cost);
    const [best] = fitting;
    if (!best) break;
    for (const id of best.more) within.add(id);
    rest.delete(best.finding);
  }
  const still = new Set([...rest.values()].flat());
  const planned = likely(within);
  return {
    promised: minutes,
    spent,
    planned,
    within,
    left: [...rest].map(([finding, notes]) => ({
      finding,
      notes,
      minutes: likely([...within, ...brought(finding)]) - planned,
    })),
    failing,
    regained: failing.filter((note) => !still.has(note)),
  };
}
