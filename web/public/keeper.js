// Keeps the pages of jobs in this browser, so that a reload without a server still shows them, and what is written waits as
// ever. Pages come from the server whenever it answers; what is kept is only shown when it does not. Whoever locks the
// bench or signs out takes the kept pages along.
const pages = 'holotonos-pages-1';
const built = 'holotonos-built-1';
/** Kept at most: pages of a few days’ work; parts of a few builds. */
const mostPages = 80;
const mostBuilt = 400;
/** A server that says nothing for so long is as good as none where a page is kept, ms. */
const patience = 5000;
/** What a server or its proxy says when nobody is behind it. */
const absent = new Set([502, 503, 504]);

const isKept = ({ pathname }) => pathname === '/' || /^\/jobs\/[^/]+(\/[a-z-]+)*$/.test(pathname);
/** A built part has its content in its name: what is kept is what the server would send. */
const isBuilt = ({ pathname }) => pathname.startsWith('/_next/static/');
/** A page is the same whatever part of it is asked for. */
const nameOf = ({ origin, pathname }) => origin + pathname;

async function keep(shelf, name, response, most) {
  const cache = await caches.open(shelf);
  // What is put anew stands last: the first is what nobody has opened for longest.
  await cache.delete(name);
  await cache.put(name, response);
  const names = await cache.keys();
  await Promise.all(names.slice(0, Math.max(0, names.length - most)).map((old) => cache.delete(old)));
}
const isPage = (response) =>
  response.ok && !response.redirected && (response.headers.get('Content-Type') ?? '').startsWith('text/html');

const notKept = () =>
  new Response(
    `<!doctype html><html lang="en-GB"><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<title>The server does not answer</title>
<main style="font: 1.1rem/1.5 system-ui; max-width: 40rem; margin: 2rem auto; padding: 0 1rem">
<h1>The server does not answer</h1>
<p>This page was not kept in this browser. Nothing that was written is lost: it waits here and is sent when the server
answers again. Pages of jobs that were open lately are still here: <a href="/">the bench</a>.</p>
<p><a href="">Try again</a></p></main></html>`,
    { status: 503, headers: { 'Content-Type': 'text/html; charset=utf-8' } },
  );

async function page(event, url, wait) {
  const { request } = event;
  // The browser asks for it while this worker wakes, where it can.
  const early = Promise.resolve(event.preloadResponse).then((response) => response ?? fetch(request));
  const asked = early.then((response) => {
    // Sent on to another address: whoever is here has to say first who they are, and what is kept is for nobody.
    if (response.type === 'opaqueredirect') wait(caches.delete(pages));
    if (isPage(response)) wait(keepWhole(url, response.clone()));
    return absent.has(response.status) ? null : response;
  });
  let timer;
  const late = new Promise((done) => (timer = setTimeout(done, patience, null)));
  const first = await Promise.race([asked, late]).catch(() => null);
  clearTimeout(timer);
  if (first) return first;
  const shown = await (await caches.open(pages)).match(nameOf(url));
  return shown ?? (await asked.catch(() => null)) ?? notKept();
}

async function part(request, wait) {
  const cache = await caches.open(built);
  const name = nameOf(new URL(request.url, self.location.origin));
  const known = await cache.match(name);
  // As a new answer: one that remembers where it came from would be taken for its address, and lose what was asked with it.
  if (known) return new Response(known.body, { status: known.status, headers: known.headers });
  const response = await fetch(request);
  if (response.ok) wait(keep(built, name, response.clone(), mostBuilt));
  return response;
}

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', (event) =>
  event.waitUntil(Promise.all([self.clients.claim(), self.registration?.navigationPreload?.enable()])),
);
self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== self.location.origin) return;
  const wait = (work) => event.waitUntil(Promise.resolve(work).catch(() => undefined));
  if (isBuilt(url)) event.respondWith(part(request, wait));
  else if (request.mode === 'navigate' && isKept(url)) event.respondWith(page(event, url, wait));
});

/** Built parts this worker has looked through already. */
const looked = new Set();

/** The built parts a page names, and those that they name in turn (what is only loaded when it is wanted, what works aside). */
async function keepParts(text) {
  const names = new Set(text.match(/static\/[\w./~-]+\.(?:js|css|woff2)/g));
  for (const name of names) {
    if (looked.has(name)) continue;
    looked.add(name);
    const response = await part(new Request(`/_next/${name}`), (work) => work).catch(() => null);
    if (!response?.ok) looked.delete(name);
    else if (name.endsWith('.js')) await keepParts(await response.text());
  }
}

/** A page with all that it needs to be more than a picture. */
async function keepWhole(url, response) {
  const html = await response.clone().text();
  await keep(pages, nameOf(url), response, mostPages);
  await keepParts(html);
}

/** Pages are asked for one after the other, so that keeping them is no load. */
async function keepPages(addresses) {
  for (const address of addresses.slice(0, 20)) {
    const url = new URL(address, self.location.origin);
    if (url.origin !== self.location.origin || !isKept(url)) continue;
    const response = await fetch(url, { headers: { Accept: 'text/html' } }).catch(() => null);
    if (!response) return;
    if (isPage(response)) await keepWhole(url, response);
  }
}
self.addEventListener('message', (event) => {
  const { data } = event;
  if (Array.isArray(data?.keep)) event.waitUntil(keepPages(data.keep));
  if (data?.forget) event.waitUntil(caches.delete(pages));
});
