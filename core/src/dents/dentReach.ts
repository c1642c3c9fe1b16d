import type { FindingState } from '../findings';
import { usualDentWidth } from '../instruments';

/** How wide a dent is, mm: as it was written down, else as its severity lets one guess. A crease reaches as far as it is long. */
export const dentReach = ({ dent, severity }: Pick<FindingState, 'dent' | 'severity'>): number =>
  dent ? Math.max(dent.length, dent.width) : usualDentWidth(severity);
