export * from './audit';
export * from './keys';
export { demoPeople, loadDemoKeys } from './demoKeys';
export { allow } from './limits';
