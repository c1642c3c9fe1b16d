export * from './suggestFindings';
export * from './judgeJob';
export * from './lookAgain';
