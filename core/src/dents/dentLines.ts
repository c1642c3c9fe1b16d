import type { FindingState } from '../findings';
import { partsNear, type InstrumentType } from '../instruments';
import { along, joined, phrase, size, type Phrase } from '../units';
import { ballsFor } from './balls';
import { dentReach } from './dentReach';

/** Rims that are thin or held by solder: work stays short of their plane. */
const soft: readonly string[] = ['drawn', 'soldered'];

/** The order several dents of one part are worked in: ridges and creases first, what is deep last. */
const rank = ({ dent, severity }: FindingState): number => {
  const deep = dent?.depth ?? { slight: 0.3, plain: 1, deep: 2.5 }[dent?.looks ?? 'plain'];
  return (dent?.ridge ? 0 : dent?.edge === 'creased' ? 1 : 2) * 100 + deep + severity / 10;
};
export const dentOrder = (dents: readonly FindingState[]): FindingState[] =>
  [...dents].sort((a, b) => rank(a) - rank(b));

function wordsOf({ dent, place }: FindingState, type: InstrumentType): Phrase {
  const where = place ? phrase`${place.clock}° at ${along(place.at)}` : [];
  const section = place && type.sections.find(({ id }) => id === place.section)?.name;
  const extent = dent ? phrase`${size(dent.length)} × ${size(dent.width)}` : [];
  return joined([extent, where, section ? [section] : []], ', ');
}

/**
 * What is to be done about the dents of a part beyond what the table says: which ball to begin with, what comes first,
 * where to stop, what the finish forbids.
 *
 * @param balls diameters of the shop, mm
 */
export function dentLines(dents: readonly FindingState[], type: InstrumentType, balls: readonly number[]): Phrase[] {
  const known = dentOrder(dents.filter(({ dent, place }) => dent !== null || place !== null));
  const lines: Phrase[] = [];
  if (known.length > 1)
    lines.push(
      phrase`In this order: ${joined(
        known.map((each) => wordsOf(each, type)),
        '; ',
      )}.`,
    );
  for (const finding of known) {
    const { dent, place } = finding;
    const choice = place && balls.length > 0 ? ballsFor(type, place, balls) : null;
    if (choice) {
      const [first, ...rest] = choice.balls;
      lines.push(
        first === undefined
          ? phrase`No ball of the shop gets there: the bore is ${size(choice.bore)}.`
          : phrase`Begin with the ball of ${size(first)} in the bore of ${size(choice.bore)}${rest.length > 0 ? ' and go down no further than it asks for: ' : '.'}${joined(
              rest.map((each) => [size(each)]),
              ', ',
            )}${rest.length > 0 ? '. A smaller one is more pointed and shows more.' : ''}`,
      );
    }
    if (dent?.ridge) lines.push(['The ridge first: chased down over a hollow, before anything comes up from below.']);
    if (dent?.edge === 'creased')
      lines.push(['Follow the crease from its shallow end; the deepest of it last, then blend.']);
    const near = place ? partsNear(type, place, dentReach(finding)).holes : [];
    if (type.holes.some(({ id, rim }) => near.includes(id) && soft.includes(rim)))
      lines.push(['Stay short of the plane beside the rim: that last bit is done from the rim, over plugs.']);
    if (dent?.finish === 'lacquer-brittle')
      lines.push([
        'The lacquer is brittle: no heat, no polish. Photograph it first; what flakes is said to the owner.',
      ]);
    if (dent?.finish === 'engraving')
      lines.push(['Engraving lies over it: nothing is burnished there without the owner’s word.']);
    if (dent?.finish === 'plate') lines.push(['Plate is thin where it was bent: blend, do not polish through.']);
  }
  // Two dents that ask for the same are told once.
  const seen = new Set<string>();
  return lines.filter((line) => {
    const key = JSON.stringify(line);
    return seen.has(key) ? false : seen.add(key);
  });
}
