import type { SeatOutput } from '../../pads';
import { adviceWords, pictureWords } from '../../survey';
import { joined, length, phrase, type Phrase } from '../../units';
import type { FindingKind } from '../../vocabulary';
import { clockWords, severityAgainst } from '../base/figureWords';
import type { Suggestion } from '../base/suggestion';
import type { PadReport } from './report';

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
