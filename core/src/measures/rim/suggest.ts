import { length, phrase } from '../../units';
import { clockWords, severityAgainst } from '../base/figureWords';
import type { Suggestion } from '../base/suggestion';
import type { RimReport } from './report';

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
