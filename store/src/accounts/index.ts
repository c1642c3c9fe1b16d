export { addressHeader, noteAudit, readAudit } from './audit';
export { BadKey, changeKey, hasKeys, listKeys, makeKey, type Key } from './keys';
export { demoPeople, loadDemoKeys } from './demoKeys';
export { allow } from './limits';
