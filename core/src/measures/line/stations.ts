import type { BodyLineInput } from '../../body';
import type { MeasuringPoint } from '../../readings';
import { byStation } from '../base/reportContext';

/** A line through fewer stations could be anything. */
export const enoughStations = 4;
const enoughSightings = 3;

/** Is this point a sighting along the line of a tube? */
export const ofLine = ({ point }: { point: MeasuringPoint }): boolean => point.measure === 'deviation';

/** Sightings by station, as the solver asks for them; stations with too few lines are left out. */
export const lineStations = (
  sightings: readonly { at?: number; clock: number; mean: number }[],
): BodyLineInput['stations'] =>
  byStation(sightings.map((each) => ({ ...each, at: each.at ?? 0 })))
    .filter(([, here]) => here.length >= enoughSightings)
    .map(([at, here]) => ({ at, sightings: here.map(({ clock, mean }) => ({ clock, deviation: mean })) }));
