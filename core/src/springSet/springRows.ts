import type { InstrumentType } from '../instruments';
import type { JobState } from '../job';
import { limitsOf, readPoint, type MeasureState } from '../measures';
import { stateOf, type JobJudgement } from '../judgement';
import { upperLimit } from '../practice';
import type { SpringInput } from '../springs';
import type { StockItem, StockState } from '../stock';
import type { SpringMaterial } from './springMaterial.schema';
import { springSetKey, type SpringAsSet, type SpringMeasures } from './springSet.kind';

/** Least and most force at a touch by the practice, N; null where it sets none. */
export interface ForceBand {
  least: number | null;
  most: number | null;
}

/** A key with a spring: what is felt at its touch, and how its springs are set. */
export interface SpringRow {
  key: string;
  kinds: readonly ('needle' | 'flat')[];
  /** mean of the fresh readings, N; null where nobody has read it */
  force: number | null;
  /** what it was before the work that made it stale, N */
  before: number | null;
  state: MeasureState;
  main: SpringAsSet | null;
  helper: SpringAsSet | null;
}

/** The band of forces every touch of a job should lie in. */
export function forceBand(state: JobState, type: InstrumentType): ForceBand {
  const limits = limitsOf(state, type);
  return { least: upperLimit('leastForceNewtons', limits), most: upperLimit('sealForceNewtons', limits) };
}

/** Every key with a spring, in the order of the type. */
export const springRows = (state: JobState, type: InstrumentType, judgement: JobJudgement): SpringRow[] =>
  type.keys.flatMap(({ id: key, springs = [] }): SpringRow[] => {
    if (springs.length === 0) return [];
    const { mean, stale } = readPoint(state, { group: 'spring', part: key, measure: 'force', clock: 0 });
    return [
      {
        key,
        kinds: springs.map(({ kind }) => kind),
        force: mean,
        before: stale.at(-1)?.value ?? null,
        state: stateOf(judgement, 'spring', key) ?? 'unmeasured',
        main: state.springs.get(springSetKey(key, 'main')) ?? null,
        helper: state.springs.get(springSetKey(key, 'helper')) ?? null,
      },
    ];
  });

/** Where a force gauge can push at a key. */
export const readAtPlaces = ['touch', 'pad', 'catch'] as const;
export type ReadAt = (typeof readAtPlaces)[number];

/**
 * A force that was read at the pad or at the catch as it is at the touch, N: what turns about one axis balances by its
 * arms. At the touch it is what it is.
 *
 * @param spring how far catch, touch and pad lie from the axis, mm
 */
export function forceAtTouch(
  force: number,
  readAt: ReadAt,
  { catchRadius, touchRadius, padRadius }: Pick<SpringMeasures, 'catchRadius' | 'touchRadius' | 'padRadius'>,
): number {
  const arm = { touch: touchRadius, pad: padRadius, catch: catchRadius }[readAt];
  return (force * arm) / touchRadius;
}

/** Widths of flat springs are alike within this, mm. */
const sameWidth = 0.15;

/** The wires of the stock a spring could be renewed from: of its kind and material, flat ones of its width. */
export const wiresFor = (
  { section }: Pick<SpringMeasures, 'section'>,
  material: Pick<SpringMaterial, 'name'>,
  { items }: Pick<StockState, 'items'>,
): StockItem[] =>
  items.filter(
    (item) =>
      !item.retired &&
      item.kind === ('diameter' in section ? 'spring-wire' : 'flat-spring') &&
      (item.material === undefined || item.material.toLowerCase() === material.name.toLowerCase()) &&
      ('diameter' in section || Math.abs((item.width ?? 0) - section.width) <= sameWidth),
  );

/** What a wire of the stock is known by, as `springSize` is of a spring; mm. */
export const wireSize = ({ section }: Pick<SpringMeasures, 'section'>, wire: StockItem): number | undefined =>
  'diameter' in section ? wire.diameter : wire.thickness;

/** The question the `spring` solver is asked about a spring. */
export function springQuestion(
  spring: SpringMeasures,
  material: Pick<SpringMaterial, 'modulus' | 'yield'>,
  { least, most }: ForceBand,
  wires: readonly StockItem[],
): SpringInput {
  const { section, length, preset, travel, catchRadius, touchRadius, padRadius } = spring;
  const sizes = wires.flatMap((wire) => wireSize(spring, wire) ?? []);
  return {
    kind: 'diameter' in section ? 'needle' : 'flat',
    ...section,
    modulus: material.modulus,
    yield: material.yield,
    length,
    preset,
    travel,
    catchRadius,
    touchRadius,
    padRadius,
    // A practice that sets one side only leaves the other open.
    limits: { touch: [least ?? 0, most ?? (least ?? 0) * 2] },
    stock: [...new Set(sizes)],
  };
}

/** Is the helper of a key lighter at the touch than its main spring? Null where one of them is not written down. */
export function helperIsLighter(
  { main, helper }: Record<'main' | 'helper', SpringMeasures | null>,
  touchForce: (spring: SpringMeasures) => number | null,
): boolean | null {
  const [strong, light] = [main && touchForce(main), helper && touchForce(helper)];
  return strong === null || light === null ? null : light < strong;
}
