export * from './instrumentType.schema';
export * from './instrumentTypes';
export * from './checkInstrumentType';
export * from './partNames';
