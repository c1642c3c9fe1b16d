import { commonCauses, isOpenStatus, type FindingState } from '../findings';
import { removableNames, type InstrumentType } from '../instruments';
import type { JobState } from '../job';
import { choiceOf, type MeasureState, type Suggestion } from '../measures';
import { tickWords } from '../readings';
import { landingWords } from '../survey';
import { phrase } from '../units';

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
