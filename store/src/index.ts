export { besideOf, createDatabase, openStore, sqlState, withClient, type Store } from './database';
export { faultLine, kindOfFault } from './faults';
export { ticksToCsv } from './ticksCsv';
export { checkGuards, guards, IncompleteDatabase, letWrite } from './guard';
export { migrateDatabase, NewerDatabase } from './migrate';
export {
  appendEntry,
  importJob,
  isEmpty,
  jobByTicket,
  jobEntries,
  jobState,
  listJobs,
  openJob,
  ticketOf,
  ticketPattern,
  ticketsOfSerial,
  ticketsWithPasses,
} from './logbook';
export {
  mostPhotoBytes,
  photoBytes,
  photosOfJob,
  preparePhoto,
  savePhoto,
  thumbnailsOf,
  type PreparedPhoto,
} from './photos';
export { keepType, keptTypes, knownTypes, typeById } from './instrumentTypes';
export { announceAim, openAnnouncer, type Aimed, type Announcer } from './announcements';
export { groupsWithReadings, lookAtCsv, readingsToCsv, sniffCsv, type CsvDialect } from './readingsCsv';
export { brackwaterJobs, loadDemo, machineZone } from './demo/loadDemo';
export { appendShopEntry, settleZone, shopState } from './shop';
export { appendStockEntries, appendStockEntry, stockState } from './stock';
export { orderToCsv, stockFromCsv, stockToCsv } from './stockCsv';
export { importBook, importReadings, readReadings, type Imported, type ImportProgress } from './importReadings';
export { bookPackage, filesInPackage } from './bookPackage';
export { checkUps, type CheckUp } from './checkUps';
export { byOwnersLink, forgetOwner, forgottenOwner, listOwners, ownerArchive, ownerById, type Owner } from './owners';
export { findEntries, howTicketsRead } from './search';
export {
  basisOf,
  knownOutcomes,
  learnedTimes,
  listTickets,
  nearRows,
  openNeeds,
  outcomeCounts,
  outdatedJobs,
  rowsWithClocks,
  timesSeen,
  whyUnread,
  type ListQuestion,
  type Standing,
  type TicketLine,
} from './summaries';
export { refreshSummaries } from './refreshSummaries';
export { backedUp, BadBackup, NotEmpty, restoreBackup, verifyBackup, writeBackup, type BackupHeader } from './backup';
export {
  addressHeader,
  allow,
  BadKey,
  changeKey,
  demoPeople,
  hasKeys,
  listKeys,
  loadDemoKeys,
  makeKey,
  noteAudit,
  readAudit,
  type Key,
} from './accounts';
