'use strict';
// The runner without a connection: its page, what it read last, and the files both need. Everything else goes straight to
// the server. Signing out empties the store.
const KEPT = 'fern-runner';
const FILES = /^\/(?:[\w.-]+\.(?:js|css|svg)|fonts\/.+|vendor\/.+|webjars\/.+)$/;
const RUNNER = /^\/sessions\/[0-9a-f-]{36}(?:\/state|\/answers)?$|^\/figures\//;
/** Nice to have: without them the session goes on. */
const PICTURES = /^\/figures\/[^/]+\/signs$/;
const WAITS_MS = 5000;

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
    if (!answer.ok && !PICTURES.test(url.pathname)) { throw new Error('not kept: ' + path); }
  }));
}

self.addEventListener('fetch', (e) => {
  const url = new URL(e.request.url);
  if (e.request.method !== 'GET' || url.origin !== self.location.origin) { return; }
  if (FILES.test(url.pathname) || RUNNER.test(url.pathname)) { e.respondWith(freshElseKept(e.request, url)); }
});

/** A state is kept under one name, whatever version it was asked against. */
function name(url) {
  return url.pathname.endsWith('/state') ? url.pathname : url.pathname + url.search;
}

async function freshElseKept(request, url) {
  const cut = new AbortController();
  const timer = setTimeout(() => cut.abort(), WAITS_MS);
  try {
    const answer = await fetch(request, { signal: cut.signal });
    if (answer.status === 200 && !answer.redirected && ours(answer, url)) {
      const store = await caches.open(KEPT);
      await store.put(name(url), answer.clone());
    }
    if (answer.status < 500 && answer.status !== 429) { return answer; }
    return (await kept(url)) || answer;
  } catch (lost) {
    const old = await kept(url);
    if (old) { return old; }
    throw lost;
  } finally {
    clearTimeout(timer);
  }
}

/** What comes from here says so: a captive portal's page is not kept. */
function ours(answer, url) {
  return FILES.test(url.pathname) || answer.headers.get('content-security-policy') !== null;
}

async function kept(url) {
  const store = await caches.open(KEPT);
  const old = await store.match(name(url));
  if (!old) { return undefined; }
  const headers = new Headers(old.headers);
  headers.set('x-fern-kept', 'yes');
  return new Response(await old.blob(), { status: old.status, headers });
}
