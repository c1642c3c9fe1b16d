import { downTheTube, placeOfPart, type InstrumentType } from '../instruments';
import type { JobState } from '../job';
import type { FindingState } from './finding.kind';
import { lightDirection } from '../survey';
import type { FindingKind } from '../vocabulary';
import { isOpenStatus } from './findingWords';

/** Several findings that point at one deeper fault. */
export interface CommonCause {
  rule: string;
  kind: FindingKind;
  part: string;
  severity: 1 | 2 | 3;
  reason: string;
  /** findings it would explain */
  gathers: string[];
  /** entries that made them */
  evidence: string[];
}

/** A finding with what the rules need to know of it. */
interface Sign {
  finding: FindingState;
  /** clock the pad opens toward, where light was seen */
  side: 'front' | 'back' | 'left' | 'right' | null;
  section: string | null;
  rod: string | null;
  /** position among the parts of its kind down the tube */
  order: number;
}

/** One way of seeing that several findings are one. Tried in order; a finding is explained once, by the deepest rule. */
interface CauseRule {
  id: string;
  of: readonly FindingKind[];
  /** findings must share this to be gathered: the section, the rod, the whole instrument */
  along: 'section' | 'rod' | 'instrument';
  /** all must open toward the same side */
  sameSide?: boolean;
  /** must be neighbours down the tube, nothing sound between them */
  inARow?: boolean;
  least: number;
  suspect: FindingKind;
  /** where the deeper fault is looked for; a suspect on a rod or section carries its id */
  reason: (parts: string, where: string, side: string) => string;
}

/**
 * The rules, deepest cause first. Data: what is gathered, along what, how many it takes, what is suspected and why.
 */
export const causeRules: readonly CauseRule[] = [
  {
    id: 'posts-lean-together',
    of: ['post-leaning', 'post-loose'],
    along: 'section',
    least: 3,
    suspect: 'body-bent',
    reason: (parts, where) =>
      `${parts}: several posts out on one part of the body. Posts follow the metal they stand on, so look at the line of the ${where} first.`,
  },
  {
    id: 'holes-beside-a-blow',
    of: ['hole-oval', 'rim-warped', 'hole-unsoldered'],
    along: 'section',
    inARow: true,
    least: 2,
    suspect: 'dent',
    reason: (parts, where) =>
      `${parts}: neighbouring rims and holes out of shape. One blow to the ${where} would do that; raise the body before any rim is dressed.`,
  },
  {
    id: 'pads-open-one-side-on-a-rod',
    of: ['pad-leaking'],
    along: 'rod',
    sameSide: true,
    inARow: true,
    least: 3,
    suspect: 'rod-bent',
    reason: (parts, where, side) =>
      `${parts}: pads in a row on one rod, all open at the ${side}. That is one cause upstream, not several pads: sight along the ${where}, and down the body beneath it, before any pad is touched.`,
  },
  {
    id: 'pads-open-one-side-down-the-body',
    of: ['pad-leaking'],
    along: 'section',
    sameSide: true,
    inARow: true,
    least: 3,
    suspect: 'body-bent',
    reason: (parts, where, side) =>
      `${parts}: pads in a row, on more than one rod, all open at the ${side}. What they share is the tube: look at the line of the ${where} first.`,
  },
  {
    id: 'rod-worn-along',
    of: ['hinge-loose', 'end-play', 'pivot-worn'],
    along: 'rod',
    least: 3,
    suspect: 'rod-bent',
    reason: (parts, where) =>
      `${parts}: every key of one rod is loose. Draw the ${where} and measure it: a bent or thin rod wears all its keys, and fitting them to it would be done twice.`,
  },
  {
    id: 'springs-rusted',
    of: ['spring-weak', 'spring-missing'],
    along: 'instrument',
    least: 5,
    suspect: 'stuck-part',
    reason: (parts) =>
      `${parts}: springs gone all over. Where water reached the springs it reached the rods and screws too: expect them to be stuck, and oil before force.`,
  },
  {
    id: 'links-out',
    of: ['adjuster-out', 'lost-motion'],
    along: 'rod',
    least: 3,
    suspect: 'cork-worn',
    reason: (parts, where) =>
      `${parts}: several links out along the ${where}. Corks and felts that have had their day do this together; renew them before anything is regulated.`,
  },
  {
    id: 'pads-aged',
    of: ['pad-worn'],
    along: 'instrument',
    least: 5,
    suspect: 'pad-worn',
    reason: (parts) => `${parts}: the set is of one age and goes together. Judge it as one set.`,
  },
  {
    id: 'corks-aged',
    of: ['cork-worn', 'noise'],
    along: 'instrument',
    least: 5,
    suspect: 'cork-worn',
    reason: (parts) => `${parts}: corks and felts are of one age. Renew them as a set.`,
  },
];

const sides = ['front', 'right', 'back', 'left'] as const;
/** The side most of the light shows on; null when it shows all round or nowhere in particular. */
const sideOf = (sectors: readonly number[]): Sign['side'] => {
  const direction = sectors.length > 5 ? null : lightDirection(sectors);
  return direction === null ? null : (sides[Math.round(direction / 90) % 4] ?? null);
};

/** The section a part sits on and the rod it turns on, a pad by its key. */
function whereIs(type: InstrumentType, part: string): Pick<Sign, 'section' | 'rod'> {
  const key = type.pads.find(({ hole }) => hole === part)?.key ?? part;
  const rod = [...type.keys, ...type.posts].find(({ id }) => id === key)?.rod;
  return {
    section: placeOfPart(type, part)?.section ?? null,
    rod: rod ?? (type.rods.some(({ id }) => id === part) ? part : null),
  };
}

/** What there is to gather: open findings, with where they sit and which way their pad opens. */
function signsOf(
  type: InstrumentType,
  findings: readonly FindingState[],
  sectorsAt: (part: string) => readonly number[],
): Sign[] {
  const padsDown = downTheTube(
    type,
    type.pads.map(({ hole }) => hole),
  );
  const holesDown = downTheTube(
    type,
    type.holes.map(({ id }) => id),
  );
  return findings.map((finding) => ({
    finding,
    side: sideOf(sectorsAt(finding.part)),
    ...whereIs(type, finding.part),
    order: (finding.kind === 'pad-leaking' ? padsDown : holesDown).indexOf(finding.part),
  }));
}

const openFindings = (state: JobState) => [...state.findings.values()].filter(({ status }) => isOpenStatus(status));
const lightNow = (state: JobState) => (part: string) => state.observations.get(`light:${part}`)?.sectors ?? [];

/** Where light first showed at each part: what it showed when the finding was made, whatever was seen since. */
function firstLight(state: JobState): (part: string) => readonly number[] {
  const first = new Map<string, readonly number[]>();
  for (const entry of state.entries)
    if (entry.kind === 'observation' && entry.body.about === 'light' && !state.struck.has(entry.id))
      if (!first.has(entry.body.part)) first.set(entry.body.part, entry.body.sectors ?? []);
  return (part) => first.get(part) ?? [];
}

/** Neighbours of the same line, longest stretches first. `line` numbers the parts that count as neighbours. */
function stretches(signs: readonly Sign[], line: readonly number[]): Sign[][] {
  const rank = new Map(line.map((order, i) => [order, i]));
  const sorted = [...signs].sort((a, b) => a.order - b.order);
  const runs: Sign[][] = [];
  for (const sign of sorted) {
    const run = runs.at(-1);
    const last = run?.at(-1);
    const near = last !== undefined && (rank.get(sign.order) ?? 0) - (rank.get(last.order) ?? 0) === 1;
    if (run && near) run.push(sign);
    else runs.push([sign]);
  }
  return runs;
}

const groupedBy = <T>(items: readonly T[], keyOf: (item: T) => string | null): Map<string, T[]> => {
  const groups = new Map<string, T[]>();
  for (const item of items) {
    const key = keyOf(item);
    if (key !== null) groups.set(key, [...(groups.get(key) ?? []), item]);
  }
  return groups;
};

interface Gathered {
  /** the section, rod or instrument they share */
  place: string;
  side: string;
  run: Sign[];
}

/** What one rule gathers from these signs. */
function gatheredBy(rule: CauseRule, signs: readonly Sign[], type: InstrumentType): Gathered[] {
  const { of, along, sameSide = false, inARow = false, least } = rule;
  const fitting = signs.filter(({ finding, side }) => of.includes(finding.kind) && !(sameSide && side === null));
  const holes = of.includes('pad-leaking') ? type.pads.map(({ hole }) => hole) : type.holes.map(({ id }) => id);
  const placeOf = (sign: Pick<Sign, 'section' | 'rod'>) => (along === 'instrument' ? 'instrument' : sign[along]);
  const gathered: Gathered[] = [];
  if (fitting.length < least) return gathered;
  const down = inARow ? downTheTube(type, holes) : [];
  for (const [place, sharing] of groupedBy(fitting, placeOf)) {
    // Neighbours are counted among the pads or holes that share the rod or the section.
    const line = down.flatMap((part, i) => (placeOf(whereIs(type, part)) === place ? [i] : []));
    for (const [side, alike] of groupedBy(sharing, (sign) => (sameSide ? sign.side : 'any'))) {
      for (const run of inARow ? stretches(alike, line) : [alike]) {
        if (new Set(run.map(({ finding }) => finding.part)).size >= least) gathered.push({ place, side, run });
      }
    }
  }
  return gathered;
}

/** A finding that a deeper one explains. */
export interface Explained {
  finding: FindingState;
  by: FindingState;
}

/**
 * Which findings a deeper one that was confirmed explains, or has explained before they were settled: pads in a row that
 * open to one side on a rod that is bent.
 */
export function everExplained(state: JobState, type: InstrumentType): Explained[] {
  const deeper = [...state.findings.values()].filter(({ status }) => status === 'confirmed' || status === 'cured');
  if (!causeRules.some(({ suspect }) => deeper.some(({ kind }) => kind === suspect))) return [];
  const found: Explained[] = [];
  // Some of them may be settled by now; they still show what the others have in common with them.
  let signs = signsOf(type, [...state.findings.values()], firstLight(state));
  for (const rule of causeRules) {
    const suspects = deeper.filter(({ kind }) => kind === rule.suspect);
    if (suspects.length === 0) continue;
    for (const { place, run } of gatheredBy(rule, signs, type)) {
      const by = suspects.find(
        ({ part, finding }) => part === place && !run.some((sign) => sign.finding.finding === finding),
      );
      if (!by) continue;
      found.push(...run.map(({ finding }) => ({ finding, by })));
      signs = signs.filter((sign) => !run.includes(sign));
    }
  }
  return found;
}

/** Those of them that are open: they are suspended, whether the deeper one still waits for its cure or has had it, until they are looked at again. */
export const explainedFindings = (state: JobState, type: InstrumentType): Explained[] =>
  everExplained(state, type).filter(({ finding }) => isOpenStatus(finding.status));

/**
 * Findings that point the same way, gathered into the one deeper fault they speak for: suspected, with its reason, for a
 * person to accept or not. A fault that is known already is not suspected again, and explains what it would have.
 */
export function commonCauses(state: JobState, type: InstrumentType, names: ReadonlyMap<string, string>): CommonCause[] {
  const name = (part: string) => names.get(part) ?? part;
  const causes: CommonCause[] = [];
  let signs = signsOf(type, openFindings(state), lightNow(state));
  for (const rule of causeRules) {
    for (const { place, side, run } of gatheredBy(rule, signs, type)) {
      const known = signs.some(({ finding }) => finding.kind === rule.suspect && finding.part === place);
      signs = signs.filter((sign) => !run.includes(sign));
      if (known) continue;
      const parts = [...new Set(run.map(({ finding }) => finding.part))].map(name).join(', ');
      causes.push({
        rule: rule.id,
        kind: rule.suspect,
        part: place,
        severity: Math.max(...run.map(({ finding }) => finding.severity)) as 1 | 2 | 3,
        reason: rule.reason(parts, name(place).toLowerCase(), side),
        gathers: run.map(({ finding }) => finding.finding),
        evidence: run.flatMap(({ finding }) => finding.history.slice(0, 1)),
      });
    }
  }
  return causes;
}
