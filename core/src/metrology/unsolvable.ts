/** Well-formed input without an answer. The message is for the technician: what is missing or contradictory. */
export class Unsolvable extends Error {
  override readonly name = 'Unsolvable';
}
