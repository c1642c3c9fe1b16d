/** A piece of sheet, mm. */
export interface Rectangle {
  length: number;
  width: number;
}

/** What is narrower than this is no offcut, mm: a workshop default. */
const leastSide = 4;

const area = ({ length, width }: Rectangle) => length * width;

/**
 * What is left of a sheet when a piece is cut out of its corner: one cut right across and one off the strip, made the way
 * that leaves the larger single piece. What is too narrow to be used again is left out; the larger first.
 *
 * @returns null where the piece does not go in, whichever way it is turned
 */
export function cutFrom(sheet: Rectangle, piece: Rectangle): Rectangle[] | null {
  const ways = [piece, { length: piece.width, width: piece.length }].flatMap(({ length, width }) => {
    const [along, across] = [sheet.length - length, sheet.width - width];
    if (along < -1e-9 || across < -1e-9) return [];
    return [
      // Across the whole width first, then the piece off the strip; or along the whole length first.
      [
        { length: along, width: sheet.width },
        { length, width: across },
      ],
      [
        { length: sheet.length, width: across },
        { length: along, width },
      ],
    ];
  });
  const kept = ways.map((left) =>
    left
      .filter((each) => each.length >= leastSide && each.width >= leastSide)
      // A piece of sheet is known by its longer side first.
      .map(({ length, width }) => ({ length: Math.max(length, width), width: Math.min(length, width) }))
      .sort((a, b) => area(b) - area(a)),
  );
  const largest = (left: readonly Rectangle[]) => (left[0] ? area(left[0]) : 0);
  return kept.reduce<Rectangle[] | null>((best, left) => (best && largest(best) >= largest(left) ? best : left), null);
}
