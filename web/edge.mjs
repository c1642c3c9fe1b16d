// What is refused before anything else sees it: requests that name no address, ways of asking nobody answers, names this
// server does not have, writing on behalf of another site, bodies of the wrong kind or weight.
import { bodyAt, weightText } from './bodies.mjs';

/** Ways of asking that any address may know. Each route refuses those it does not. */
const methods = new Set(['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS']);
const reading = new Set(['GET', 'HEAD', 'OPTIONS']);
const longestAddress = 8192;
/** What this machine calls itself. Any other name is one the server has to be told. */
const loopback = ['localhost', '127.0.0.1', '[::1]'];
/** What browsers say of a request that comes from this application or from an address bar. Scripts say nothing. */
const ours = new Set([undefined, 'same-origin', 'none']);

const refuse = (status, error, message) => ({ status, body: { error, message } });

/** A path as text, or null when its percent signs spell none. */
function decoded(path) {
  try {
    return decodeURIComponent(path);
  } catch {
    return null;
  }
}

function addressRefusal(method, url) {
  if (!methods.has(method)) return refuse(405, 'method', `${method.slice(0, 20)} is not a way to ask here.`);
  if (url.length > longestAddress) return refuse(414, 'address', 'The address is too long.');
  if (!url.startsWith('/')) return refuse(400, 'address', 'The address must be a path on this server.');
  const path = decoded(url.split('?', 1)[0]);
  if (path === null) return refuse(400, 'address', 'The address holds a percent sign that spells no character.');
  if (/[\u0000-\u001f\u007f]/.test(path)) return refuse(404, 'not-found', 'There is no such address.');
  if (path.split(/[/\\]/).some((step) => step === '..' || step === '.'))
    return refuse(404, 'not-found', 'There is no such address.');
  return null;
}

/** The name in `name:port`, in small letters. */
const nameIn = (host) => host.toLowerCase().replace(/:\d*$/, '');

/**
 * The names a server answers to: those of this machine, and those it was told.
 *
 * @param told separated by commas or spaces, without ports
 */
export const namesOf = (told = '') =>
  new Set([
    ...loopback,
    ...told
      .toLowerCase()
      .split(/[\s,]+/)
      .filter(Boolean),
  ]);

/** Was the server told a name beside those of its machine? Then others can reach it, through a proxy. */
export const isBeyond = (names) => [...names].some((name) => !loopback.includes(name));

/**
 * A page under a name of its own that points here would be let in by every browser as its own site; so only names that
 * are known are answered. Writing is only for pages of this very server, and for programs, which say no origin.
 */
function speakerRefusal(method, headers, names) {
  const { host, origin } = headers;
  if (!host || !names.has(nameIn(host)))
    return refuse(
      421,
      'name',
      `This server does not answer to the name “${(host ?? '').slice(0, 100)}”. If it is its own, start it with  bin/start --name NAME`,
    );
  if (reading.has(method)) return null;
  // Scheme and port are a proxy's affair; the name with its port is what the browser itself has sent in both.
  const from = origin === undefined ? host : (/^https?:\/\/(.+)$/.exec(origin)?.[1] ?? '');
  const isOurs = from.toLowerCase() === host.toLowerCase() && ours.has(headers['sec-fetch-site']);
  return isOurs ? null : refuse(403, 'cross-site', 'Another site may not write here.');
}

function bodyRefusal(method, path, headers) {
  if (reading.has(method) || method === 'DELETE') return null;
  if (!path.startsWith('/api/')) return refuse(405, 'method', `${method} is not a way to ask for a page.`);
  const length = Number(headers['content-length'] ?? 0);
  if (length === 0 && headers['transfer-encoding'] === undefined) return null;
  const { most, types } = bodyAt(path);
  if (length > most) return refuse(413, 'too-large', `${weightText(most)} at most can be taken here.`);
  const [type, ...parameters] = (headers['content-type'] ?? '').toLowerCase().split(';');
  const charset = parameters.map((each) => /^\s*charset="?([^"]*)"?\s*$/.exec(each)?.[1]).find(Boolean);
  const fits = types.some((wanted) =>
    wanted.endsWith('*') ? type.trim().startsWith(wanted.slice(0, -1)) : type.trim() === wanted,
  );
  if (!fits || (charset !== undefined && charset !== 'utf-8'))
    return refuse(415, 'type', `The body must be sent as ${types.join(' or ')}, and text in UTF-8.`);
  return null;
}

/**
 * Why a request is refused as it stands, with the status, or null when it may go on. Pure.
 *
 * @param method the method, as it was sent
 * @param url path and query, as they were sent
 * @param headers by names in small letters
 * @param names what the server answers to, see `namesOf`
 */
export function refusalOf({ method, url, headers, names }) {
  return (
    addressRefusal(method, url) ??
    speakerRefusal(method, headers, names) ??
    bodyRefusal(method, url.split('?', 1)[0], headers)
  );
}

/**
 * What every answer says to browsers: nothing is fetched from anywhere but this server, scripts only with the number of
 * this very answer, no page in another's frame, nothing of the machine but what the work needs.
 *
 * @param nonce new for each answer
 * @param beyond reached under a name of its own, so over https, and from then on only so
 */
export const guardsOf = (nonce, beyond = false) => ({
  ...(beyond && { 'Strict-Transport-Security': 'max-age=31536000' }),
  'Content-Security-Policy': [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'wasm-unsafe-eval'`,
    // React writes styles of single elements into them.
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'self'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; '),
  'X-Content-Type-Options': 'nosniff',
  'Referrer-Policy': 'same-origin',
  'Cross-Origin-Resource-Policy': 'same-origin',
  'Cross-Origin-Opener-Policy': 'same-origin',
  'Permissions-Policy': 'camera=(), geolocation=(), microphone=(self), payment=(), usb=(), serial=(), bluetooth=()',
});
