import type { InstrumentType } from '../instruments';
import { partFigures, type ReportFact } from '../measures';
import type { KeptUnit } from '../units';
import type { JobState } from '../job';
import { establishes, type Step } from '../plan';
import { generation } from './measureHistory';

/** One figure of a step's own part: as it was before work spoilt it, and as it is now. */
export interface StepReading {
  group: string;
  part: string;
  /** the fact it is, see `ReportFact` */
  id: string;
  words: string;
  unit: KeptUnit;
  before: number | null;
  now: number | null;
}

type Figures = Map<string, Pick<ReportFact, 'id' | 'words' | 'unit' | 'value'>>;

/** What the readings of one part come to. */
function figuresOf(state: JobState, type: InstrumentType, group: string, part: string): Figures {
  const facts = partFigures(state, type, group, part)?.facts ?? [];
  return new Map(facts.filter(({ limit }) => limit !== null).map((fact) => [fact.id, fact]));
}

/**
 * The figures a step is there to change, before and after: those of the measures it sets on its own part. Steps on the
 * whole instrument have none here; their parts have pages of their own.
 */
export function stepReadings(state: JobState, type: InstrumentType, step: Step): StepReading[] {
  const places = establishes(step).flatMap((measure) => {
    const [group = '', part = ''] = measure.split(':');
    return part === '*' ? [] : [{ group, part }];
  });
  if (places.length === 0) return [];
  const [spoilt, last] = [generation(state, 'spoilt'), state];
  return places.flatMap(({ group, part }) => {
    const [before, now] = [figuresOf(spoilt, type, group, part), figuresOf(last, type, group, part)];
    return [...new Map([...before, ...now]).values()].map(({ id, words, unit }) => ({
      group,
      part,
      id,
      words,
      unit,
      before: before.get(id)?.value ?? null,
      now: now.get(id)?.value ?? null,
    }));
  });
}
