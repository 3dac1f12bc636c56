'use strict';
// A client's page without a connection: the page as it was read last, and the files it needs. Everything she tells waits in
// the page's own store and is sent by the page.
const KEPT = 'fern-home';
const FILES = /^\/(?:[\w.-]+\.(?:js|css|svg)|fonts\/.+|vendor\/.+|webjars\/.+)$/;
const PAGE = /^\/home\/[\w-]+$/;
/** Of an exercise, beside the page they belong to. */
const PICTURES = /^(\/home\/[\w-]+)\/signs\/[\w-]+$/;
const WAITS_MS = 4000;
/** When a page was found closed: what was asked for before that and comes late is not kept any more. */
const closedAt = new Map();

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', (e) => e.waitUntil(self.clients.claim()));

/** From the first opening on: what the page names is read once more and kept, then the page is told. */
self.addEventListener('message', (e) => {
  if (!e.data || !Array.isArray(e.data.keep)) { return; }
  e.waitUntil(keepAll(e.data.keep).then(
    () => e.ports[0].postMessage('kept'),
    () => e.ports[0].postMessage('not kept')));
});

async function keepAll(paths) {
  await Promise.all([...new Set(paths)].map(async (path) => {
    const url = new URL(path, self.location.origin);
    const answer = await freshElseKept(new Request(url, { credentials: 'same-origin' }), url);
    const closed = PAGE.test(url.pathname) && answer.headers.get('x-fern-home') !== 'open';
    if ((!answer.ok && !PICTURES.test(url.pathname)) || closed) { throw new Error('not kept: ' + path); }
  }));
}

self.addEventListener('fetch', (e) => {
  const url = new URL(e.request.url);
  if (e.request.method !== 'GET' || url.origin !== self.location.origin) { return; }
  if (FILES.test(url.pathname) || PAGE.test(url.pathname) || PICTURES.test(url.pathname)) { e.respondWith(freshElseKept(e.request, url)); }
});

function name(url) {
  return PICTURES.test(url.pathname) ? url.pathname + url.search : url.pathname;
}

/** Of a page that was closed nothing stays on this phone. */
async function forget(store, page) {
  closedAt.set(page, performance.now());
  const all = await store.keys();
  await Promise.all(all.map((kept) => new URL(kept.url).pathname)
    .filter((path) => path === page || path.startsWith(page + '/'))
    .map((path) => store.delete(path, { ignoreSearch: true })));
}

async function freshElseKept(request, url) {
  const asked = performance.now();
  const store = await caches.open(KEPT);
  const cut = new AbortController();
  const timer = setTimeout(() => cut.abort(), WAITS_MS);
  try {
    const answer = await fetch(request, { signal: cut.signal });
    const page = PAGE.test(url.pathname);
    const hers = page ? url.pathname : (url.pathname.match(PICTURES) || [])[1];
    if (answer.ok && (!hers || answer.headers.get('x-fern-home') === 'open')) {
      await store.put(name(url), answer.clone());
      if (closedAt.get(hers) > asked) { await store.delete(name(url)); }
    } else if (page && (answer.status === 404 || answer.status === 410)) {
      await forget(store, url.pathname);
    }
    if (answer.status < 500) { return answer; }
    return (await store.match(name(url))) || answer;
  } catch (lost) {
    const old = await store.match(name(url));
    if (old) { return old; }
    throw lost;
  } finally {
    clearTimeout(timer);
  }
}
