import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import type { JobKind } from '../job';
import { freeText, text } from '../validation/plain.schema';
import { changeType } from './changeType';
import { typeChangeSchema } from './instrumentType.schema';

const body = {
  type: 'object',
  properties: { ...typeChangeSchema, name: text(80), reason: freeText(400) },
  additionalProperties: false,
} as const satisfies JSONSchema;
type Body = FromSchema<typeof body>;

/** What was changed on the instrument as it is known. */
function changeWords({ name, put = {}, remove = {}, reason }: Body): string {
  const count = (lists: Record<string, readonly unknown[] | undefined>) =>
    Object.entries(lists)
      .filter(([, rows]) => rows && rows.length > 0)
      .map(([list, rows]) => `${rows?.length} ${rows?.length === 1 ? list.replace(/s$/, '') : list}`)
      .join(', ');
  const says = [
    name && `Instrument named ${name}`,
    count(put) && `Instrument: put in ${count(put)}`,
    count(remove) && `Instrument: took out ${count(remove)}`,
    reason,
  ];
  return says.filter(Boolean).join('. ') || 'Instrument looked over';
}

/** The instrument is not what its type says: parts put in, changed, taken out, at the bench. */
export const instrumentChange: JobKind<'instrument-change', Body> = {
  body,
  fold: (draft, { body: { name, put, remove } }) => {
    if (!draft.instrument) return;
    const changed = changeType(draft.instrument, { ...(put && { put }), ...(remove && { remove }) });
    draft.instrument = name === undefined ? changed : { ...changed, name };
  },
  words: changeWords,
  turnsPlan: true,
  bears: true,
};
