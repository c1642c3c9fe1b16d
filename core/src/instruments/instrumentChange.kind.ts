import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import type { JobKind } from '../job';
import { freeText, text } from '../validation/plain.schema';
import { changeType } from './changeType';
import { soundSchema, typeChangeSchema, typeRows, usualStandard } from './instrumentType.schema';

const body = {
  type: 'object',
  properties: {
    ...typeChangeSchema,
    sound: soundSchema,
    fingerings: { type: 'array', maxItems: 400, items: typeRows.fingerings, description: 'in place of all there were' },
    name: text(80),
    reason: freeText(400),
  },
  additionalProperties: false,
} as const satisfies JSONSchema;
type Body = FromSchema<typeof body>;

/** What was changed on the instrument as it is known. */
function changeWords({ name, put = {}, remove = {}, sound, fingerings, reason }: Body): string {
  const count = (lists: Record<string, readonly unknown[] | undefined>) =>
    Object.entries(lists)
      .filter(([, rows]) => rows && rows.length > 0)
      .map(([list, rows]) => `${rows?.length} ${rows?.length === 1 ? list.replace(/s$/, '') : list}`)
      .join(', ');
  const says = [
    name && `Instrument named ${name}`,
    count(put) && `Instrument: put in ${count(put)}`,
    count(remove) && `Instrument: took out ${count(remove)}`,
    sound &&
      `Instrument: blown ${sound.excitation.kind === 'reed' ? 'with a reed' : 'over an edge'}, A4 at ${sound.standard ?? usualStandard} Hz`,
    fingerings && `Instrument: ${fingerings.length} fingerings`,
    reason,
  ];
  return says.filter(Boolean).join('. ') || 'Instrument looked over';
}

/** The instrument is not what its type says: parts put in, changed, taken out, at the bench. */
export const instrumentChange: JobKind<'instrument-change', Body> = {
  body,
  fold: (draft, { body: { name, put, remove, sound, fingerings } }) => {
    if (!draft.instrument) return;
    const changed = changeType(draft.instrument, { ...(put && { put }), ...(remove && { remove }) });
    draft.instrument = {
      ...changed,
      ...(name !== undefined && { name }),
      ...(sound && { sound }),
      ...(fingerings && { fingerings }),
    };
  },
  words: changeWords,
  turnsPlan: true,
  bears: true,
};
