export * from './lightPicture';
export * from './stations';
export * from './surveyProgress';
export * from './pictureWords';
export { padConditionWords } from './observationWords';
export type { Observation } from './observation.kind';
export { landings, landingWords, linksAt, landingOf, type Landing, type Link } from './landing';
