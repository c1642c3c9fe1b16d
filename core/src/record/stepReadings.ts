import type { InstrumentType } from '../instruments';
import { partReport } from '../judgement';
import type { JobState } from '../job';
import { establishes, type Step } from '../plan';
import { generation, padFigure, rimFigure } from './measureHistory';

/** One figure of a step's own part: as it was before work spoilt it, and as it is now. */
export interface StepReading {
  group: string;
  part: string;
  words: string;
  unit: string;
  before: number | null;
  now: number | null;
}

type Figures = Map<string, { words: string; unit: string; value: number }>;

/** What the readings of one part come to. */
function figuresOf(state: JobState, type: InstrumentType, group: string, part: string): Figures {
  if (group === 'pad' || group === 'rim') {
    const figure = group === 'pad' ? padFigure(state, type, part) : rimFigure(state, type, part);
    const words = group === 'pad' ? 'Widest gap' : 'Flatness';
    return new Map(figure ? [[words, { words, unit: 'mm', value: figure.value }]] : []);
  }
  const facts = partReport(state, type, group, part)?.facts ?? [];
  return new Map(facts.filter(({ limit }) => limit !== null).map((fact) => [fact.words, fact]));
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
    return [...new Map([...before, ...now]).values()].map(({ words, unit }) => ({
      group,
      part,
      words,
      unit,
      before: before.get(words)?.value ?? null,
      now: now.get(words)?.value ?? null,
    }));
  });
}
