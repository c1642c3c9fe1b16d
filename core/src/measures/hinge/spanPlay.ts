import { tubesOf, type InstrumentType, type PostSpan } from '../../instruments';
import type { MeasuredJob } from '../base/measuredJob';
import { bandOf } from '../../practice';
import { limitsOf } from '../base/limitsOf';
import { judgeFigure, type ReportFact } from '../base/partReport';
import { readPoint, type PointReading } from '../base/pointReading';

/** What has been read of the room between two posts and of the tubes in it. */
export interface SpanRead {
  gap: PointReading;
  /** of each tube that takes room, in the order of the span */
  lengths: PointReading[];
  /** what is left between the posts: gap less the sum of the tubes, with its doubt; null until all is read */
  play: ReportFact | null;
  /** the play that would be right for all of them together, mm */
  middle: number;
}

const ofKey = (state: MeasuredJob, part: string, measure: 'tube-length' | 'post-gap') =>
  readPoint(state, { group: 'hinge', part, measure, clock: 0 });

/**
 * End play belongs to the span: the gap between its posts less the sum of the tubes in it. Uncertainties of the lengths
 * and of the gap add in quadrature (GUM 5.1.2, sensitivity ±1). A tube that runs inside another takes no room.
 */
export function spanPlay(state: MeasuredJob, type: InstrumentType, span: PostSpan): SpanRead {
  const band = bandOf('endPlay', limitsOf(state, type)) ?? [0, 0];
  const tubes = tubesOf(span);
  const read = readPoint(state, { group: 'post', part: span.lower.id, measure: 'post-gap', clock: 0 });
  // The gap of a key that has its posts to itself may have been read at the key.
  const only = tubes.length === 1 ? tubes[0] : undefined;
  const gap = read.mean === null && only ? ofKey(state, only.id, 'post-gap') : read;
  const lengths = tubes.map(({ id }) => ofKey(state, id, 'tube-length'));
  const complete = gap.mean !== null && lengths.every(({ mean }) => mean !== null);
  const middle = ((band[0] + band[1]) / 2) * tubes.length;
  if (!complete || tubes.length === 0) return { gap, lengths, play: null, middle };
  const play = judgeFigure(
    'room-left',
    'Room left between the posts',
    'mm',
    (gap.mean ?? 0) - lengths.reduce((sum, { mean }) => sum + (mean ?? 0), 0),
    [gap, ...lengths],
    // Every tube brings its own end play.
    { lower: band[0] * tubes.length, upper: band[1] * tubes.length },
  );
  return { gap, lengths, play, middle };
}
