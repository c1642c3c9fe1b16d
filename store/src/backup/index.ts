export { BadBackup, type BackupHeader } from './backupFile';
export { backedUp, writeBackup, type BackupOptions } from './backup';
export { NotEmpty, restoreBackup, verifyBackup } from './restore';
