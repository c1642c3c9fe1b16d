export { freshId, idsOf, slugOf } from './freshId';
