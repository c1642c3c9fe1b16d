import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { dentSchema, type Dent } from '../instruments/dent.schema';
import { spotSchema } from '../instruments/spot.schema';
import type { PartPlace } from '../instruments';
import type { JobKind } from '../job';
import { freeText, uuidSchema } from '../validation/plain.schema';
import {
  findingKinds,
  findingStatuses,
  springFaults,
  type SpringFault,
  type FindingKind,
  type FindingStatus,
} from '../vocabulary';
import { findingStatusWords, findingTitle } from './findingWords';

const body = {
  type: 'object',
  properties: {
    finding: { ...uuidSchema, description: 'stays the same through the history of one finding' },
    kind: { enum: findingKinds },
    part: { type: 'string', pattern: '^[a-z0-9-]+$', maxLength: 60 },
    severity: { type: 'integer', minimum: 1, maximum: 3 },
    status: { enum: findingStatuses },
    spring: { enum: springFaults, description: 'of a spring: too weak, too strong, or to be renewed' },
    note: freeText(2000),
    place: spotSchema,
    dent: dentSchema,
    reason: freeText(1000),
    suggestion: { ...freeText(120), description: 'the suggestion this answers' },
    evidence: { type: 'array', items: uuidSchema, maxItems: 400 },
  },
  required: ['finding', 'kind', 'part', 'severity', 'status'],
  additionalProperties: false,
} as const satisfies JSONSchema;

export interface FindingState {
  finding: string;
  kind: FindingKind;
  part: string;
  /** of a spring: what is wrong with it */
  spring: SpringFault | null;
  /** the spot on the tube, where one was given */
  place: PartPlace | null;
  /** of a dent: how large it is, and what lies over it */
  dent: Dent | null;
  severity: 1 | 2 | 3;
  status: FindingStatus;
  note: string;
  reason: string;
  suggestion: string | null;
  evidence: string[];
  /** entries that made it what it is, oldest first */
  history: string[];
}

/** A fault: suspected, confirmed, declined, left, cured. */
export const finding: JobKind<'finding', FromSchema<typeof body>> = {
  body,
  fold: ({ findings }, { id, body: said }) => {
    const before = findings.get(said.finding);
    findings.set(said.finding, {
      finding: said.finding,
      kind: said.kind,
      part: said.part,
      spring: said.spring ?? before?.spring ?? null,
      place: said.place ?? before?.place ?? null,
      dent: said.dent ?? before?.dent ?? null,
      severity: said.severity as 1 | 2 | 3,
      status: said.status,
      note: said.note ?? before?.note ?? '',
      reason: said.reason ?? '',
      suggestion: said.suggestion ?? before?.suggestion ?? null,
      evidence: said.evidence ?? before?.evidence ?? [],
      history: [...(before?.history ?? []), id],
    });
  },
  words: ({ kind, part, status, spring }, name) =>
    `${findingTitle({ kind, spring })}, ${name(part)}: ${findingStatusWords[status]}`,
  turnsPlan: true,
  bears: false,
};
