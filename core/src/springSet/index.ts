export {
  forceAtTouch,
  forceBand,
  helperIsLighter,
  readAtPlaces,
  springQuestion,
  springRows,
  wiresFor,
  wireSize,
  type ForceBand,
  type ReadAt,
  type SpringRow,
} from './springRows';
export { usualSpringMaterials } from './springMaterials';
export type { SpringMaterial } from './springMaterial.schema';
export { springSize } from './springSet.kind';
export type { SpringAsSet, SpringMeasures, SpringSetBody } from './springSet.kind';
