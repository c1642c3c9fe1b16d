export * from './findingWords';
export * from './likelyCauses';
export * from './commonCauses';
export type { FindingState } from './finding.kind';
export { settledByLook } from './settledByLook';
export { setFindings } from './setFindings';
export { findingOfLight, lastAct, lightMark, seenLight, worsened, type Writing } from './seenLight';
