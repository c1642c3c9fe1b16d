// What each address takes: kind and weight of a body. One table for the door, which refuses before anything is read, and
// for the routes, which count what comes without saying how much it is.

const MB = 1024 * 1024;
const json = ['application/json'];
const csv = ['text/csv'];

/** The first that fits an address holds for it. */
const bodies = [
  // A whole job with its pictures.
  { address: /^\/api\/v1\/import$/, most: 128 * MB, types: json },
  { address: /^\/api\/v1\/jobs\/[^/]+\/readings$/, most: 128 * MB, types: csv },
  { address: /^\/api\/v1\/jobs\/[^/]+\/book\.zip$/, most: 32 * MB, types: ['application/zip'] },
  { address: /^\/api\/v1\/jobs\/[^/]+\/photos\/[^/]+$/, most: 20 * MB, types: ['image/*'] },
  { address: /^\/api\/v1\/jobs\/[^/]+\/entries$/, most: MB, types: json },
  // The beginning of a file, to see how it is written.
  { address: /^\/api\/v1\/readings\/look$/, most: MB / 4, types: csv },
  { address: /^\/api\/v1\/owner\//, most: 8192, types: json },
  { address: /^\/api\/v1\/jobs\/[^/]+\/owner-link$/, most: 8192, types: json },
  { address: /^\/api\/v1\/owners\//, most: 1024, types: json },
  { address: /^\/api\/auth\//, most: 4096, types: json },
  { address: /^\/api\/v1\/gauges\/aim$/, most: 4096, types: json },
  { address: /^\/api\/v1\/shop$/, most: MB / 16, types: json },
  { address: /^\/api\/v1\/stock$/, most: MB / 8, types: json },
  { address: /^\/api\/v1\/stock\/items\.csv$/, most: 4 * MB, types: csv },
  { address: /^\/api\//, most: 8 * MB, types: json },
];
const none = { most: 0, types: [] };

/** What an address takes: bytes at most, and as what. @param path without the query */
export const bodyAt = (path) => bodies.find(({ address }) => address.test(path)) ?? none;

/** A weight in words. */
export const weightText = (bytes) => (bytes >= MB ? `${bytes / MB} MB` : `${Math.floor(bytes / 1024)} KB`);
