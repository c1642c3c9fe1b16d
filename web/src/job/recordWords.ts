import {
  printPhrase,
  printQuantity,
  type JobRecord,
  type KeptUnit,
  type LengthUnit,
  type RecordFigure,
} from '@holotonos/core';

type Row = JobRecord['figures'][number];

/** What a row of the record measures, and where. */
export const rowWords = ({ group, place, what }: Row): string => `${group.replaceAll('-', ' ')} of ${place}, ${what}`;

/** A figure of the record with its uncertainty; a dash for none. */
export const figureText = (figure: RecordFigure | null, own: KeptUnit, unit: LengthUnit): string =>
  figure ? printQuantity({ ...figure, unit: own }, unit) : '–';

/** The limits of a figure; the same either way is said once. */
export function limitText({ lower, upper }: Row['limit'], own: KeptUnit, unit: LengthUnit): string {
  const told = (value: number) => printQuantity({ value, unit: own }, unit);
  if (lower !== undefined && upper !== undefined && lower === -upper) return `± ${told(upper)}`;
  return [lower, upper]
    .filter((side) => side !== undefined)
    .map(told)
    .join(' to ');
}

/** What was looked at without a figure, in a line. */
export const lookWords = ({ group, place, says, stale }: JobRecord['looks'][number], unit: LengthUnit): string =>
  `${group.replaceAll('-', ' ')} of ${place}: ${printPhrase(says, unit)}${stale ? ' (stale)' : ''}`;

/** What was read and comes to no figure yet. */
export const readOnlyWords = ({ group, place, readings }: JobRecord['readOnly'][number]): string =>
  `${group.replaceAll('-', ' ')} of ${place}: ${readings} ${readings === 1 ? 'reading' : 'readings'}, too few for a figure`;

/** How the rules of regulation stand, a line each; what holds in one. */
export function ruleLines({ hold, yield: left }: NonNullable<JobRecord['rules']>, unit: LengthUnit): string[] {
  const held = hold.length > 0 ? [`Holds: ${hold.join(' ')}`] : [];
  const off = left.map(
    ({ words, off: by, why }) =>
      `${why === '' ? 'Does not hold yet' : 'Left as a compromise'}, ${printPhrase(by, unit)}: ${words}${why === '' ? '' : ` Because: ${why}`}`,
  );
  return [...held, ...off];
}
