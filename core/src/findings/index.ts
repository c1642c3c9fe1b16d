export { findingStatusWords, findingTitle, findingWords, finishWords, isOpenStatus } from './findingWords';
export { likelyCauses } from './likelyCauses';
export { causeRules, commonCauses, everExplained, explainedFindings } from './commonCauses';
export type { FindingState } from './finding.kind';
export { settledByLook } from './settledByLook';
export { setFindings } from './setFindings';
export { findingOfLight, lastAct, lightMark, seenLight, worsened, type Writing } from './seenLight';
