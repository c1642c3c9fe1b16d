export { passWords, type PassState } from './pass.kind';
