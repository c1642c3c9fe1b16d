// What is refused before anything else sees it: requests that name no address, and ways of asking nobody answers.

/** Ways of asking that any address may know. Each route refuses those it does not. */
const methods = new Set(['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS']);
const longestAddress = 8192;

const refuse = (status, error, message) => ({ status, body: { error, message } });

/** A path as text, or null when its percent signs spell none. */
function decoded(path) {
  try {
    return decodeURIComponent(path);
  } catch {
    return null;
  }
}

/**
 * Why a request is refused as it stands, with the status, or null when it may go on. Pure.
 *
 * @param method the method, as it was sent
 * @param url path and query, as they were sent
 */
export function refusalOf({ method, url }) {
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
