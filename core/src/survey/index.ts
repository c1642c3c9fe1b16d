export * from './lightPicture';
export * from './stations';
export * from './surveyProgress';
export * from './pictureWords';
export { observationWords, padConditionWords, resonatorWords } from './observationWords';
export type { Observation } from './observation.kind';
export { landings, landingWords, linksAt, landingOf, type Landing, type Link } from './landing';
