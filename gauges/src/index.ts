export * from './standIns';
export * from './serve';
