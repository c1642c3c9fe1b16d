import type { FromSchema } from 'json-schema-to-ts';
import type { ChangeableList, InstrumentType, typeChangeSchema } from './instrumentType.schema';
import { changeableLists } from './instrumentType.schema';

/** Rows put into a type or taken out of it. Rows are replaced whole, by id. */
export interface TypeChange {
  put?: FromSchema<(typeof typeChangeSchema)['put']>;
  remove?: FromSchema<(typeof typeChangeSchema)['remove']>;
}

/** Any row, as far as changing goes: what matters is what it goes by. */
interface Row {
  id?: string;
  hole?: string;
}

/** What a row goes by within its list: a pad by its hole, everything else by its id. */
export const rowId = (row: Row): string => row.id ?? row.hole ?? '';

/** The type after a change. Taking out what is not there changes nothing; the last section stays. */
export function changeType(type: InstrumentType, { put, remove }: TypeChange): InstrumentType {
  const changed: Partial<Record<ChangeableList, Row[]>> = {};
  for (const list of changeableLists) {
    const gone = remove?.[list] ?? [];
    const fresh: readonly Row[] = put?.[list] ?? [];
    if (gone.length === 0 && fresh.length === 0) continue;
    const byId = new Map((type[list] as readonly Row[]).map((row) => [rowId(row), row]));
    for (const row of fresh) byId.set(rowId(row), row);
    for (const id of gone) if (list !== 'sections' || byId.size > 1) byId.delete(id);
    changed[list] = [...byId.values()];
  }
  return { ...type, ...(changed as Partial<InstrumentType>) };
}
