import {
  instrumentType,
  instrumentTypeProblems,
  isPlainText,
  shippedTypes,
  strangeTexts,
  typeFormProblems,
  type InstrumentType,
  type Problem,
} from '@holotonos/core';
import { desc, eq } from 'drizzle-orm';
import type { Database } from './database';
import { instrumentTypes } from './schema';

/** A type the shop can open a ticket with. */
export interface KnownType {
  type: InstrumentType;
  /** comes with the program, and is the same everywhere */
  ships: boolean;
}

/** Types a shop may keep; the newest are shown. */
const mostKept = 300;

/** The newest revision of every type the shop has kept, by name. */
export async function keptTypes(db: Database): Promise<InstrumentType[]> {
  const rows = await db
    .selectDistinctOn([instrumentTypes.id], { document: instrumentTypes.document })
    .from(instrumentTypes)
    .orderBy(instrumentTypes.id, desc(instrumentTypes.revision))
    .limit(mostKept);
  return rows.flatMap(({ document }) => readType(document) ?? []).sort((a, b) => a.name.localeCompare(b.name));
}

/** A kept document as the type it is, or null: one that cannot be read must not take the others with it. */
const readType = (document: unknown): InstrumentType | null =>
  typeFormProblems(document).length === 0 ? (document as InstrumentType) : null;

/** Every type a ticket can be opened with: those that ship, then the shop's own. */
export async function knownTypes(db: Database): Promise<KnownType[]> {
  return [
    ...shippedTypes.map((type) => ({ type, ships: true })),
    ...(await keptTypes(db)).map((type) => ({ type, ships: false })),
  ];
}

/** A type by its id, the shop's own before those that ship; null when there is none. */
export async function typeById(db: Database, id: string): Promise<InstrumentType | null> {
  if (!isPlainText(id)) return null;
  const [row] = await db
    .select({ document: instrumentTypes.document })
    .from(instrumentTypes)
    .where(eq(instrumentTypes.id, id))
    .orderBy(desc(instrumentTypes.revision))
    .limit(1);
  return readType(row?.document) ?? instrumentType(id);
}

export type KeptType = { status: 'kept'; revision: number } | { status: 'refused'; problems: Problem[] };

/** Problems of a type document: its form, its wholeness, and its name being free. */
function typeDocumentProblems(data: unknown): Problem[] {
  const form = [...strangeTexts(data), ...typeFormProblems(data)];
  if (form.length > 0) return form;
  const type = data as InstrumentType;
  if (instrumentType(type.id))
    return [{ path: '/id', message: `“${type.id}” is the id of a type that ships: give this one an id of its own` }];
  return instrumentTypeProblems(type);
}

/** Keeps a type in the shop's library, as a new revision where the id is known already. */
export async function keepType(db: Database, data: unknown, author: string): Promise<KeptType> {
  const problems = typeDocumentProblems(data);
  if (problems.length > 0) return { status: 'refused', problems };
  const type = data as InstrumentType;
  const [row] = await db
    .insert(instrumentTypes)
    .values({ id: type.id, document: type, author })
    .returning({ revision: instrumentTypes.revision });
  if (!row) throw new Error('insert returned no row');
  return { status: 'kept', revision: row.revision };
}
