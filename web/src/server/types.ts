import 'server-only';
import type { InstrumentType } from '@holotonos/core';
import { knownTypes } from '@holotonos/store';
import { getDb } from './store';

/** A type as whoever opens a ticket has to know it. */
export type TypeChoice = Pick<InstrumentType, 'id' | 'name' | 'family' | 'options'> & { ships: boolean };

/** Every type a ticket can be opened with, as far as a list has to know it. */
export const loadTypeChoices = async (): Promise<TypeChoice[]> =>
  (await knownTypes(getDb())).map(({ type: { id, name, family, options }, ships }) => ({
    id,
    name,
    family,
    options,
    ships,
  }));
