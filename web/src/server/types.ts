import 'server-only';
import { knownTypes } from '@holotonos/store';
import type { TypeChoice } from '@/components/IntakeForm';
import { getDb } from './store';

/** Every type a ticket can be opened with, as far as a list has to know it. */
export const loadTypeChoices = async (): Promise<TypeChoice[]> =>
  (await knownTypes(getDb())).map(({ type: { id, name, family, options }, ships }) => ({
    id,
    name,
    family,
    options,
    ships,
  }));
