import { commonCauses, isOpenStatus, type FindingState } from '../findings';
import { adviceWords, landingWords, pictureWords } from '../survey';
import { removableNames, type InstrumentType } from '../instruments';
import type { JobState } from '../job';
import type { SeatOutput } from '../pads';
import { choiceOf, tickWords } from '../readings';
import type { FindingKind, SpringFault } from '../vocabulary';
import { joined, length, phrase, type Phrase } from '../units';
import { clockWords, severityAgainst } from './figureWords';
import type { MeasureState } from './measureState';
import type { PadReport } from './padReport';
import type { PartReport } from './partReport';
import type { RimReport } from './rimReport';

/** A finding the figures speak for, waiting for a person to confirm, edit or decline it. */
export interface Suggestion {
  key: string;
  kind: FindingKind;
  part: string;
  severity: 1 | 2 | 3;
  /** of a spring: what is wrong with it */
  spring?: SpringFault;
  /** what the figures show */
  cause: Phrase;
  remedy: Phrase;
  why: Phrase;
  evidence: string[];
  /** the newest reading it rests on */
  newestSeq: number;
}

/** Which finding a pad's advice amounts to; null where there is nothing to find. */
const kindByAdvice: Record<SeatOutput['advice'], FindingKind | null> = {
  'none': null,
  'regulate': 'adjuster-out',
  'add-adhesive': 'pad-leaking',
  'level-rim': 'rim-warped',
  'bend-cup': 'pad-leaking',
  'clean-inspect': 'pad-leaking',
  'shim': 'pad-leaking',
  'reset-bed': 'pad-leaking',
  'change-pad': 'pad-worn',
};

/**
 * What a pad's picture speaks for. Where the gaps follow the hollows of the rim the finding lands on the rim, not the
 * pad: a deeper cause is cured first.
 */
export function suggestFromSeat(report: PadReport, seat: SeatOutput): Suggestion | null {
  const kind = kindByAdvice[seat.advice];
  // A gap within the doubt of the gauge is no finding yet.
  if (kind === null || !report.points.some(({ state }) => state === 'outside')) return null;
  const widest = Math.max(...report.points.map(({ mean }) => mean ?? 0));
  const correction = seat.thicknessCorrection;
  const remedies: Phrase[] = [[adviceWords[seat.advice]]];
  if (seat.advice === 'reset-bed' || seat.advice === 'change-pad') {
    remedies.push(phrase`The pad stands ${length(Math.abs(correction))} too ${correction < 0 ? 'thick' : 'thin'}.`);
  }
  if (seat.advice === 'shim' && seat.shims.length > 0) {
    const list = joined(
      seat.shims.map(({ clock, thickness }) => phrase`${clock}°: ${length(thickness)}`),
      ', ',
    );
    remedies.push(phrase`Shims ${list}; leaves ${length(seat.predictedMaxGap)}.`);
  }
  return {
    key: `${kind}:${report.part}`,
    kind,
    part: report.part,
    severity: severityAgainst(widest, report.limit),
    cause: [
      seat.rimSuspected
        ? 'The gaps open where the rim is low: the rim is crooked, not the pad.'
        : `${pictureWords[seat.picture].title}. ${pictureWords[seat.picture].causes}`,
    ],
    remedy: joined(remedies),
    why: phrase`Widest gap ${length(widest)} against a limit of ${length(report.limit)}; opens toward ${clockWords(seat.openClock)}, ${length(seat.tilt)} across, ${length(seat.unevenness)} uneven.`,
    evidence: report.evidence,
    newestSeq: report.newestSeq,
  };
}

/** What a rim's figures speak for: not flat or not level, and an oval hole. */
export function suggestFromRim(report: RimReport): Suggestion[] {
  const { rim, flatness, limits, part, evidence, newestSeq } = report;
  if (!rim || !flatness) return [];
  const suggestions: Suggestion[] = [];
  const base = { part, evidence, newestSeq };
  if (flatness.verdict === 'outside' || rim.verdicts.tilt === 'outside') {
    const low = rim.lowSectors.map(({ fromClock, toClock }) =>
      fromClock === toClock ? clockWords(fromClock) : `${clockWords(fromClock)} to ${clockWords(toClock)}`,
    );
    suggestions.push({
      ...base,
      key: `rim-warped:${part}`,
      kind: 'rim-warped',
      severity: severityAgainst(Math.max(rim.flatness / limits.flatness, rim.tilt / limits.tilt), 1),
      cause: [
        low.length > 0
          ? `The rim is low at ${low.join(' and ')}.`
          : `The rim is not level: high at ${clockWords(rim.highClock)}.`,
      ],
      remedy: {
        'none': ['Level the rim over a plug; it is flat but tilted, so look at the body beneath it first.'],
        'dress': phrase`Dress the high spots over a centring plug: ${length(rim.levelling.removal)} to come off.`,
        'raise-then-dress': phrase`Raise the low side from inside first: dressing alone would take ${length(rim.levelling.removal)}.`,
      }[rim.levelling.method],
      why: phrase`Flatness ${length(rim.flatness, flatness.expandedUncertainty)} against ${length(limits.flatness)}; tilt ${length(rim.tilt)} against ${length(limits.tilt)}.`,
    });
  }
  if (rim.verdicts.ovality === 'outside' && rim.ellipse) {
    suggestions.push({
      ...base,
      key: `hole-oval:${part}`,
      kind: 'hole-oval',
      severity: severityAgainst(rim.ellipse.ovality, limits.ovality),
      cause: [`The hole is oval, longest toward ${clockWords(rim.ellipse.longClock)}.`],
      remedy: ['Bring it round over a tapered plug, then read the rim again.'],
      why: phrase`Ovality ${length(rim.ellipse.ovality)} against ${length(limits.ovality)}.`,
    });
  }
  return suggestions;
}

/** What the figures of any other part speak for. */
export const suggestFromPart = ({ part, facts, findings, evidence, newestSeq }: PartReport): Suggestion[] =>
  findings.map(({ kind, severity, spring, cause, remedy }) => ({
    key: `${kind}:${part}`,
    kind,
    part,
    severity,
    ...(spring && { spring }),
    cause,
    remedy,
    why: joined(
      facts
        .filter(({ verdict }) => verdict === 'outside')
        .map(({ words, value, unit, uncertainty, limit }) => {
          const bounds = [limit?.lower, limit?.upper].filter((side) => side !== undefined);
          const bound = joined(
            bounds.map((side) => [{ value: side, unit }]),
            ' to ',
          );
          return phrase`${words} ${{ value, unit, uncertainty }} against ${bound}`;
        }),
      '; ',
    ),
    evidence,
    newestSeq,
  }));

/** How a link is brought in, by what it is adjusted with: the follower comes early, or late. */
const bringIn: Record<InstrumentType['links'][number]['adjuster'], { early: string; late: string }> = {
  screw: {
    early:
      'Turn its screw out until both land together; one that is backed off already asks for cork to be taken away.',
    late: 'Turn its screw in until both land together.',
  },
  arm: {
    early: 'Bend the arm up a little, the cup held, until both land together.',
    late: 'Bend the arm down a little, the cup held, until both land together.',
  },
  cork: {
    early: 'Shave its cork until both land together.',
    late: 'Add paper or thicker cork until both land together.',
  },
  felt: {
    early: 'Shave its felt until both land together.',
    late: 'Add paper or thicker felt until both land together.',
  },
  paper: { early: 'Take paper away until both land together.', late: 'Add paper until both land together.' },
  fixed: {
    early: 'It has nothing to turn: level both cups first, then ease the arm that carries.',
    late: 'It has nothing to turn: level both cups first, then bring the arm that carries closer.',
  },
};

/** What a link looked at from its driver speaks for: what lands first is wrong by itself, whatever it is by. */
export function suggestFromLandings(state: JobState, type: InstrumentType): Suggestion[] {
  return [...state.observations.values()].flatMap(({ about, part, lands, entry, seq }): Suggestion[] => {
    const link = type.links.find(({ id }) => id === part);
    if (about !== 'landing' || !link || !lands || lands === 'together') return [];
    const early = lands === 'follower';
    const kind = early || link.acts !== 'carries' ? 'adjuster-out' : 'lost-motion';
    return [
      {
        key: `${kind}:${part}`,
        kind,
        part,
        severity: 2,
        cause: [`From its driver, at the lightest touch: ${landingWords(type, link)[lands]}.`],
        remedy: [bringIn[link.adjuster][early ? 'early' : 'late']],
        why: ['Seen, not measured: a feeler under the later pad says by how much.'],
        evidence: [entry],
        newestSeq: seq,
      },
    ];
  });
}

/** What a look without a figure speaks for, where no figure has taken its place. */
export function suggestFromTicks(
  state: JobState,
  { body }: Pick<InstrumentType, 'body'>,
  figures: (group: string, part: string) => MeasureState | null,
): Suggestion[] {
  return [...state.ticks.values()].flatMap((tick): Suggestion[] => {
    const choice = choiceOf(tick.group, tick.says);
    const known = figures(tick.group, tick.part);
    if (!choice?.finds || tick.stale || tick.verdict !== 'bad') return [];
    if (known === 'within' || known === 'outside' || known === 'undecided') return [];
    return [
      {
        key: `${choice.finds}:${tick.part}`,
        kind: choice.finds,
        part: tick.part,
        // What wooden joints leak past is their cork, which is renewed; that they wobble is the wood.
        severity: body === 'wood' && choice.means === 'air' ? 1 : 2,
        ...(choice.spring && { spring: choice.spring }),
        cause: phrase`Looked at: ${tickWords(tick)}.`,
        remedy: ['Look again before work: figures say how much where it hangs on hundredths.'],
        why: ['Seen or felt, not measured.'],
        evidence: [tick.entry],
        newestSeq: tick.seq,
      },
    ];
  });
}

/** What several findings speak for together: one deeper fault, to be looked at before any of them is cured. */
export function suggestCommonCauses(state: JobState, type: InstrumentType): Suggestion[] {
  return commonCauses(state, type, removableNames(type)).map(({ kind, part, severity, reason, gathers, evidence }) => ({
    key: `common:${kind}:${part}`,
    kind,
    part,
    severity,
    cause: [reason],
    remedy: ['Look there before any of them is cured: a cure over a deeper fault is a stop-gap.'],
    why: phrase`${gathers.length} findings that point the same way.`,
    evidence,
    newestSeq: Math.max(0, ...evidence.map((entry) => state.byId.get(entry)?.seq ?? 0)),
  }));
}

/** Has this been answered already, by a finding that stands or by one that is newer than the readings? */
function answered(findings: Iterable<FindingState>, suggestion: Suggestion, seqOf: (entry: string) => number): boolean {
  for (const finding of findings) {
    if (finding.kind !== suggestion.kind || finding.part !== suggestion.part) continue;
    if (isOpenStatus(finding.status) || finding.status === 'stop-gap' || finding.status === 'left') return true;
    if (seqOf(finding.history.at(-1) ?? '') > suggestion.newestSeq) return true;
  }
  return false;
}

/** Suggestions that still wait for an answer, deepest cause first, one for each kind and part. */
export function openSuggestions(
  state: JobState,
  type: InstrumentType,
  suggestions: readonly Suggestion[],
): Suggestion[] {
  const seqOf = (entry: string) => state.byId.get(entry)?.seq ?? 0;
  const byKey = new Map<string, Suggestion>();
  for (const suggestion of suggestions) if (!byKey.has(suggestion.key)) byKey.set(suggestion.key, suggestion);
  const order = new Map(type.holes.map(({ id }, i) => [id, i]));
  const depth = ({ key, kind }: Suggestion) =>
    key.startsWith('common:') ? 0 : kind === 'rim-warped' || kind === 'hole-oval' ? 1 : 2;
  return [...byKey.values()]
    .filter((suggestion) => !answered(state.findings.values(), suggestion, seqOf))
    .sort((a, b) => depth(a) - depth(b) || (order.get(a.part) ?? 0) - (order.get(b.part) ?? 0));
}
