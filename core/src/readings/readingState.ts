import type { MeasuringPoint } from './point';
import type { ReadingBody } from './reading.kind';

/** Why a reading no longer tells the truth: the done operation that disturbed what it measured. */
export interface Staleness {
  entry: string;
  operation: string;
  title: string;
}

export interface ReadingState {
  entry: string;
  seq: number;
  /** mm */
  value: number;
  typed: string;
  gauge: ReadingBody['gauge'];
  author: string;
  benchTime: string;
  /** of the room, where it was written down: °C and % */
  temperature: number | null;
  humidity: number | null;
  stale: Staleness | null;
}

export interface PointState {
  point: MeasuringPoint;
  readings: ReadingState[];
}
