import type { InstrumentType } from '../instruments';
import type { JobState } from '../job';
import { surveyStations, type FindingKind, type SurveyStation } from '../vocabulary';
import { stationPlaces, stations } from './stations';

export interface StationProgress {
  id: SurveyStation;
  title: string;
  outcome: 'looked' | 'skipped' | null;
  /** findings that stand at its places and are of its kinds */
  findings: number;
  places: number;
}

/** How far a survey has come. */
export interface SurveyProgress {
  stations: StationProgress[];
  /** the first station nobody has gone through or passed over; null when all are answered */
  next: SurveyStation | null;
}

/** How far the survey of a job has come; findings of each station counted. */
export function surveyProgress(state: JobState, type: InstrumentType): SurveyProgress {
  const standing = [...state.findings.values()].filter(({ status }) => status !== 'declined');
  const list = stations.map(({ id, title, faults }) => {
    const parts = new Set(stationPlaces(type, id).map(({ part }) => part));
    const kinds = new Set<FindingKind>(faults.map(({ kind }) => kind));
    if (id === 'pads') for (const kind of ['pad-leaking', 'adjuster-out', 'rim-warped'] as const) kinds.add(kind);
    return {
      id,
      title,
      outcome: state.survey.get(id)?.outcome ?? null,
      findings: standing.filter(({ kind, part }) => kinds.has(kind) && parts.has(part)).length,
      places: parts.size,
    };
  });
  return { stations: list, next: surveyStations.find((id) => !state.survey.has(id)) ?? null };
}
