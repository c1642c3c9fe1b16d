import { says } from '../logbook';
import type { Problem } from '../solvers/contract';
import { fingeringNames } from './mechanism';
import type { InstrumentType } from './instrumentType.schema';
import { removableNames } from './removableParts';

/** What speaks against the place a figure is said to have been taken at: notes are read at a fingering, all else at a part. */
export const strangePlace = (
  instrument: InstrumentType | null,
  { group, part }: { group: string; part: string },
  path = 'point/part',
): Problem[] =>
  group !== 'pitch'
    ? strangePart(instrument, part, path)
    : instrument && !fingeringNames(instrument).has(part)
      ? says(path, `“${part}” is no fingering of this instrument`)
      : [];

/** What speaks against a part an entry names: that this instrument has none of that id. @param path where it is named */
export const strangePart = (instrument: InstrumentType | null, part: string, path = 'part'): Problem[] =>
  instrument && !removableNames(instrument).has(part) ? says(path, `“${part}” is not a part of this instrument`) : [];
