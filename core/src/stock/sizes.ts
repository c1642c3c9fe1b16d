import { sizeKinds, type SizeKind } from '../vocabulary';

/** The sizes of each kind that lie in the shop's drawers, mm, smallest first. */
export type Sizes = Readonly<Record<SizeKind, readonly number[]>>;

/** What a shop has until it has said its own: workshop defaults. Rods of other sizes and dent balls nobody has by default. */
export const usualSizes: Sizes = {
  films: [0.01, 0.02, 0.03, 0.05],
  shims: [0.03, 0.05, 0.08, 0.12],
  washers: [0.05, 0.1, 0.15, 0.2],
  rods: [],
  cutters: [4, 4.5, 5, 5.5, 6, 6.5, 7],
  bushes: [3.8, 4.3, 4.8, 5.3, 5.8, 6.3],
  balls: [],
};

/** The film a pull is made with where nobody says which, mm. */
export const usualFilm = 0.02;

/** What each kind is called. */
export const sizeWords: Record<SizeKind, string> = {
  films: 'Feeler films, thickness',
  shims: 'Shims, thickness',
  washers: 'Hinge washers, thickness',
  rods: 'Rod stock, diameter',
  cutters: 'Bushing cutters, diameter',
  bushes: 'Bush stock, diameter',
  balls: 'Dent balls, diameter',
};

/**
 * Sizes with some kinds replaced by what the shop has: each once, smallest first.
 *
 * @param own lists in mm; a kind that is left out stays as it was
 */
export const sizesWith = (sizes: Sizes, own: Partial<Record<SizeKind, readonly number[]>>): Sizes =>
  Object.fromEntries(
    sizeKinds.map((kind) => {
      const list = own[kind];
      return [kind, list ? [...new Set(list)].sort((a, b) => a - b) : sizes[kind]];
    }),
  ) as Record<SizeKind, readonly number[]>;
