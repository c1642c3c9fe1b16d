import { overRelations, removableNames } from '../instruments';
import type { JobState } from '../job';
import type { OffPart } from './place';
import { assemblyGuide, type AssemblyGuide } from './assemblyGuide';

/** One part to put back, with where it lies. */
export interface AssemblyLine extends OffPart {
  name: string;
  reasons: string[];
  /** what stands in the way: it is lost, lent out, or not bought yet */
  missing: string | null;
}

export interface JobAssembly {
  lines: AssemblyLine[];
  contradictions: AssemblyGuide['contradictions'];
  /** parts of the strip-down that are back on, newest last */
  backOn: { part: string; name: string; entry: string }[];
}

const missingWords = { lost: 'lost: find or make another', borrowed: 'lent out: fetch it back' } as const;

/** How to put this job's instrument together again, from what is off it now. */
export function jobAssembly(state: JobState): JobAssembly {
  const { instrument } = state;
  if (!instrument) return { lines: [], contradictions: [], backOn: [] };
  const names = removableNames(instrument);
  const name = (part: string) => names.get(part) ?? part;
  const inOrder = [...state.off.values()].sort((a, b) => a.seq - b.seq);
  const { steps, contradictions } = assemblyGuide(
    inOrder.map(({ part }) => part),
    overRelations(instrument),
  );
  const lines = steps.flatMap(({ part, reasons }) => {
    const off = state.off.get(part);
    if (!off) return [];
    const missing = off.where === 'lost' || off.where === 'borrowed' ? missingWords[off.where] : null;
    return [{ ...off, name: name(part), reasons, missing }];
  });
  const backOn = state.entries.flatMap((entry) =>
    entry.kind === 'part-on' && !state.struck.has(entry.id) && !state.off.has(entry.body.part)
      ? [{ part: entry.body.part, name: name(entry.body.part), entry: entry.id }]
      : [],
  );
  return { lines, contradictions, backOn };
}
