import { printQuantity, stock, type LengthUnit, type PartReport } from '@holotonos/core';
import type { StripMark } from './StripControl';

const featureWords = { narrow: 'narrow', wide: 'wide', oval: 'oval' } as const;

/** What the report of a section shows on the strip: where the bore leaves its reference, where a bend is held and pushed. */
export function marksOf(report: PartReport | undefined, unit: LengthUnit): StripMark[] {
  if (!report) return [];
  const section = report.part;
  const features = (report.bore?.features ?? []).map(({ kind, from, to, peak }) => ({
    kind,
    section,
    at: from,
    to,
    words: `${featureWords[kind]} ${printQuantity(stock(Math.abs(peak)), unit)}`,
  }));
  const { bend, correction } = report.line ?? {};
  if (!bend || !correction) return features;
  const { supportAt: at, pushClock, setDegrees } = correction;
  return [
    ...features,
    { kind: 'support' as const, section, at, clock: bend.towardClock ?? 0, words: 'support' },
    ...(pushClock === null
      ? []
      : [
          {
            kind: 'push' as const,
            section,
            at,
            clock: pushClock,
            words: `push ${setDegrees.toFixed(2)}° toward ${Math.round(pushClock)}°`,
          },
        ]),
  ];
}
