import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { isOpenStatus } from '../findings';
import type { JobKind } from '../job';
import { says } from '../logbook';
import { freeText, uuidSchema } from '../validation/plain.schema';

const body = {
  type: 'object',
  description: 'a master has looked',
  properties: {
    asked: { ...uuidSchema, description: 'the entry that asked' },
    good: { type: 'boolean', description: 'false: sent back' },
    reason: freeText(1000),
  },
  required: ['asked', 'good'],
  additionalProperties: false,
} as const satisfies JSONSchema;

/**
 * A master has looked: good, or sent back with the reason. A finding that is good is confirmed, one that is sent back is
 * suspected again; a step that is sent back is to be done again.
 */
export const lookGiven: JobKind<'look-given', FromSchema<typeof body>> = {
  body,
  misfits: ({ masterLooks }, { asked, good, reason = '' }) => {
    const look = masterLooks.get(asked);
    if (!look) return says('asked', 'is no look that was asked for in this job');
    if (look.answer) return says('asked', 'has its answer already');
    return good || reason.trim() !== ''
      ? []
      : says('reason', 'is missing: whoever did it has to know what to do otherwise');
  },
  fold: ({ masterLooks, findings }, { id, seq, author, benchTime, body: { asked, good, reason = '' } }) => {
    const look = masterLooks.get(asked);
    if (!look) return;
    masterLooks.set(asked, { ...look, answer: { good, reason, by: author, at: benchTime, entry: id, seq } });
    const finding = look.about === 'finding' ? findings.get(look.of) : undefined;
    // What was cured or left since is another question.
    if (finding && isOpenStatus(finding.status))
      findings.set(finding.finding, {
        ...finding,
        status: good ? 'confirmed' : 'suspected',
        reason,
        history: [...finding.history, id],
      });
  },
  words: ({ good, reason }) => `A master has looked: ${good ? 'good' : 'sent back'}${reason ? `. ${reason}` : ''}`,
  turnsPlan: true,
  bears: true,
};
