export * from './trueInstrument';
