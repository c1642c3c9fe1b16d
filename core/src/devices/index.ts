export * from './gaugeLine.schema';
export * from './gaugeLine';
export * from './gaugeGate';
