import type { InstrumentType } from '../instruments';
import type { MeasuredJob } from './measuredJob';
import { upperLimit } from '../practice';
import { limitsOf } from './limitsOf';
import { judgeFigure, type ReportFact } from './partReport';
import { readPoint } from './pointReading';

/** How far the stand of the pads of one stack is spread, as far as they have been read; null below two of them. */
export function padStandSpread(state: MeasuredJob, type: InstrumentType, part: string): ReportFact | null {
  const stack = type.pads.find(({ hole }) => hole === part)?.stack;
  const limit = upperLimit('padStandSpread', limitsOf(state, type));
  if (stack === undefined || limit === null) return null;
  const read = type.pads
    .filter((pad) => pad.stack === stack)
    .map(({ hole }) => readPoint(state, { group: 'pad', part: hole, measure: 'stand', clock: 0 }))
    .filter(({ mean }) => mean !== null)
    .sort((a, b) => (a.mean ?? 0) - (b.mean ?? 0));
  const [least, most] = [read[0], read.at(-1)];
  if (!least || !most || read.length < 2) return null;
  return judgeFigure(
    'stand-spread',
    'Spread of pad stand in the stack',
    'mm',
    (most.mean ?? 0) - (least.mean ?? 0),
    [least, most],
    {
      upper: limit,
    },
  );
}
