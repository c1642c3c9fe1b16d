export type { Look } from './hear';
export { Listener, notesIn, type Listening, type SteadyNote } from './steadyNotes';
