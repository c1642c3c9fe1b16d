export {
  findingOfPicture,
  lightClocks,
  lightDirection,
  lightPicture,
  namedPictures,
  type NamedPicture,
} from './lightPicture';
export { faultsAt, likelyKinds, lookAtPlace, station, stationPlaces, stations, type SurveyFault } from './stations';
export { surveyProgress } from './surveyProgress';
export { adviceWords, pictureWords } from './pictureWords';
export { padConditionWords } from './observationWords';
export type { Observation } from './observation.kind';
export { landings, landingWords, linksAt, landingOf, type Landing, type Link } from './landing';
