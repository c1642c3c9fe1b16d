import { says } from '../logbook';
import type { Problem } from '../solvers/contract';
import type { InstrumentType } from './instrumentType.schema';
import { removableNames } from './removableParts';

/** What speaks against a part an entry names: that this instrument has none of that id. @param path where it is named */
export const strangePart = (instrument: InstrumentType | null, part: string, path = 'part'): Problem[] =>
  instrument && !removableNames(instrument).has(part) ? says(path, `“${part}” is not a part of this instrument`) : [];
