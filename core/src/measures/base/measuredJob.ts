import type { JobState } from '../../job';
import type { PointsAsked } from '../../readings';

/** All that a report reads of a job. Narrow on purpose: what it cannot read cannot make it untrue later. */
export interface MeasuredJob extends Pick<JobState, 'passes' | 'tolerances' | 'practice'> {
  readonly points: JobState['points'] | PointsAsked;
}
