import type { JobState } from '../job';
import { heldKey } from '../readings';
import {
  intervalOf,
  latenessNow,
  regulationQuestions,
  rulesAt,
  solveRegulate,
  type LinkStop,
  type RegulateOutput,
  type RuleNow,
} from '../regulation';
import type { FindingKind } from '../vocabulary';
import { hiddenMechanism, turnedBy, type LaidOut } from './hiddenMechanism';
import type { PieceFault } from './piece.schema';

/** A job as it is kept of a piece: what was seen, turned and said. */
export type PieceJob = Pick<JobState, 'entries' | 'struck' | 'adjustments' | 'findings'>;

/** One fault that was there, and whether it was said. */
export interface FaultThere {
  fault: PieceFault;
  /** the link, hole or key it is at */
  part: string;
  /** null for what nobody has to say: how far a rod twists */
  said: boolean | null;
}

/** A look that spoke of something else than an adjuster. */
export interface Misled {
  entry: string;
  link: string;
  held: readonly string[];
  /** what was seen, mm late, and what a sound pad and hinge would have shown */
  low: number;
  high: number;
  late: number;
  because: PieceFault;
}

/** What was there, what was done, and what would have been enough. */
export interface PieceReview {
  faults: FaultThere[];
  /** findings that were confirmed where nothing was wrong */
  falseAlarms: { kind: FindingKind; part: string }[];
  /** every rule by the hidden truth: before anything was turned, and now */
  rules: { id: string; words: string; before: RuleNow; after: RuleNow }[];
  /** the shortest cure of what adjusters can cure */
  cure: RegulateOutput['moves'];
  yields: RegulateOutput['yields'];
  /** what was turned in all, link by link, in steps; what was turned back again is not in it */
  turned: Map<string, number>;
  looks: number;
  /** settings that were made */
  turns: number;
  misled: Misled[];
  /** all that can hold does hold, and what no adjuster can cure was said */
  cured: boolean;
}

/** A rule that the shortest cure leaves as it is may be off by this much more, mm: no film tells it. */
const alike = 0.012;
/** Findings that name each kind of fault, at its part. */
const namedBy: Record<PieceFault['kind'], readonly FindingKind[]> = {
  adjuster: ['adjuster-out', 'lost-motion'],
  pad: ['pad-leaking'],
  hinge: ['hinge-loose', 'end-play'],
  twist: [],
};

/** Where a fault is. */
const faultPart = (fault: PieceFault): string =>
  fault.kind === 'adjuster' ? fault.link : fault.kind === 'pad' ? fault.hole : fault.key;

/** Every look at a link that still stands, with what it amounts to, oldest first. */
function linkLooks({ entries, struck }: Pick<JobState, 'entries' | 'struck'>) {
  return entries.flatMap(({ id, seq, kind, body }) => {
    if (struck.has(id)) return [];
    if (kind === 'tick' && body.group === 'link') {
      const interval = intervalOf(body.says, body.film);
      return interval ? [{ id, seq, link: body.part, held: body.held ?? [], low: interval[0], high: interval[1] }] : [];
    }
    if (kind === 'reading' && body.point.group === 'link' && body.point.measure === 'lateness') {
      const { part, held = [] } = body.point;
      return [{ id, seq, link: part, held, low: body.value - feelerDoubt, high: body.value + feelerDoubt }];
    }
    return [];
  });
}
/** A feeler of films is good to this, mm. */
const feelerDoubt = 0.01;

/** Faults a look at this link can fall for: at the pads and hinges of the two keys. */
function atEnds({ piece, type }: LaidOut, { link: id }: Pick<LinkStop, 'link'>): PieceFault[] {
  const link = type.links.find((each) => each.id === id);
  const keys = [link?.driver, link?.follower];
  return piece.faults.filter(
    (fault) =>
      (fault.kind === 'hinge' && keys.includes(fault.key)) ||
      (fault.kind === 'pad' && keys.includes(type.pads.find(({ hole }) => hole === fault.hole)?.key)),
  );
}

function misledBy(laid: LaidOut, job: PieceJob): Misled[] {
  const { piece, type, sound } = laid;
  const known = new Map<string, number | null>();
  return linkLooks(job).flatMap(({ id, seq, link, held, low, high }) => {
    const [because] = atEnds(laid, { link });
    if (!because) return [];
    const before = job.adjustments.filter((turn) => turn.seq < seq);
    const key = `${link} ${heldKey(held)} ${before.length}`;
    if (!known.has(key)) {
      const healed = hiddenMechanism(sound.mechanism, piece.faults, before, true);
      known.set(key, latenessNow(healed, sound.mechanism, type, { link, held }, sound.touch));
    }
    const late = known.get(key) ?? null;
    if (late === null || (late >= low - alike && late <= high + alike)) return [];
    return [{ entry: id, link, held, low, high, late, because }];
  });
}

/** What a piece asks of the solver of regulation, once its pads and hinges are healed. */
const healedRegulation = ({ piece, sound }: LaidOut, turns: PieceJob['adjustments']) => {
  const mechanism = hiddenMechanism(sound.mechanism, piece.faults, turns, true);
  return { mechanism, rules: rulesAt(sound, mechanism) };
};

/**
 * What there was to a piece: its faults, the shortest cure, where what was seen misled, and how it stands now. Takes as
 * long as the solver of regulation does.
 */
export function reviewPiece(laid: LaidOut, job: PieceJob): PieceReview {
  const { piece, sound } = laid;
  const said = [...job.findings.values()].filter(({ status }) => status === 'confirmed' || status === 'open');
  const names = (fault: PieceFault) =>
    said.some(({ kind, part }) => part === faultPart(fault) && namedBy[fault.kind].includes(kind));
  const faults = piece.faults.map((fault): FaultThere => ({
    fault,
    part: faultPart(fault),
    said: namedBy[fault.kind].length === 0 ? null : names(fault),
  }));
  const falseAlarms = said
    .filter(
      ({ kind, part }) =>
        !piece.faults.some((fault) => faultPart(fault) === part && namedBy[fault.kind].includes(kind)),
    )
    .map(({ kind, part }) => ({ kind, part }));
  const [before, after] = [[], job.adjustments].map((turns) =>
    rulesAt(sound, hiddenMechanism(sound.mechanism, piece.faults, turns)),
  ) as [RuleNow[], RuleNow[]];
  const answers = regulationQuestions(healedRegulation(laid, [])).map((asked) => solveRegulate(asked));
  const least = new Map(answers.flatMap(({ rules }) => rules.map((rule) => [rule.id, rule.violationAfter] as const)));
  const beyondScrews = faults.filter(({ fault }) => fault.kind === 'pad' || fault.kind === 'hinge');
  return {
    faults,
    falseAlarms,
    rules: after.map((now, i) => ({ id: now.rule.id, words: now.words, before: before[i] ?? now, after: now })),
    cure: answers.flatMap(({ moves }) => moves),
    yields: answers.flatMap(({ yields }) => yields),
    turned: new Map([...turnedBy(job.adjustments)].filter(([, steps]) => steps !== 0)),
    looks: job.entries.filter(({ id, kind }) => (kind === 'tick' || kind === 'reading') && !job.struck.has(id)).length,
    turns: job.adjustments.length,
    misled: misledBy(laid, job),
    cured:
      beyondScrews.every((fault) => fault.said) &&
      healedRegulation(laid, job.adjustments).rules.every(
        ({ rule, violation }) => violation <= (least.get(rule.id) ?? 0) + alike,
      ),
  };
}
