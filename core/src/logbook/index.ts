export { strike, unreadable, type StrikeBody, type UnreadableBody } from './engineKinds';
export { formsOf, type Forms } from './forms';
export { logbookOf, type Logbook, type LogbookReader } from './engine';
export {
  says,
  type Draft,
  type Envelope,
  type Kind,
  type Logged,
  type LogState,
  type NameOf,
  type Receipt,
  type Written,
} from './kind';
export { receivedSoon } from './receivedSoon';
export { readMoment, type RawEntry } from './rawEntry';
export { put } from './put';
