export * from './trueInstrument';
export * from './trueFigure';
export * from './hiddenJobs';
