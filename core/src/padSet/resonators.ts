import type { InstrumentType } from '../instruments';
import type { JobState } from '../job';
import { chosenKey, type Chosen } from '../materials';
import type { StockItem, StockState } from '../stock';

/** A resonator is about this share of its pad across, where nobody wishes otherwise: a workshop default. */
const usualShare = 0.6;

/** What a pad carries: as it was seen before it was pulled, else as the type has it. */
export const resonatorOf = (
  { observations }: Pick<JobState, 'observations'>,
  { hole, resonator = 'none' }: Pick<InstrumentType['pads'][number], 'hole' | 'resonator'>,
): 'disc' | 'snap' | 'none' => observations.get(`fit:${hole}`)?.resonator ?? resonator;

/** Does it snap into the pad by petals, rather than being riveted? */
const isSnap = ({ form = '' }: StockItem): boolean => /\bsnap/i.test(form);

/** A pad that wants a resonator, with every one of the stock that is smaller than its hole, the nearest to the wish first. */
export interface ResonatorRow {
  hole: string;
  /** across, mm, as wished */
  wanted: number;
  answers: readonly StockItem[];
  chosen: Chosen | null;
}

/**
 * Resonators for the pads that carry one: of those that snap in where that is what the pad is made for. It has to stay clear of the rim, so what is no smaller than the hole does not
 * count.
 *
 * @param share of the pad’s diameter that is wished for
 */
export function chooseResonators(
  state: JobState,
  type: InstrumentType,
  { items }: Pick<StockState, 'items'>,
  share = usualShare,
): ResonatorRow[] {
  const discs = items.filter(({ kind, retired }) => kind === 'resonator' && !retired);
  return type.pads.flatMap((pad): ResonatorRow[] => {
    const { hole, diameter } = pad;
    const carries = resonatorOf(state, pad);
    if (carries === 'none') return [];
    const across = type.holes.find(({ id }) => id === hole)?.diameter ?? diameter;
    const wanted = Math.min(diameter * share, across);
    const off = (disc: StockItem) => Math.abs((disc.diameter ?? 0) - wanted);
    return [
      {
        hole,
        wanted,
        answers: discs
          .filter((disc) => (disc.diameter ?? 0) < across && isSnap(disc) === (carries === 'snap'))
          .sort((a, b) => off(a) - off(b)),
        chosen: state.chosen.get(chosenKey({ use: 'resonator', part: hole })) ?? null,
      },
    ];
  });
}
