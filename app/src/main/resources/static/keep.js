'use strict';
// Keeps what is open for a reload without a connection, from the first opening on: the page, its files and what it read.
window.fernKeep = (() => {
  const files = () => Array.from(document.querySelectorAll('script[src], link[rel=stylesheet], link[rel=icon]'))
    .map((e) => new URL(e.src || e.href))
    .filter((url) => url.origin === window.location.origin)
    .map((url) => url.pathname)
    .concat(performance.getEntriesByType('resource')
      .map((e) => new URL(e.name))
      .filter((url) => url.origin === window.location.origin && url.pathname.startsWith('/fonts/'))
      .map((url) => url.pathname));

  /** Resolves once all of it is kept: true; false where this browser keeps nothing. */
  async function keep(worker, scope, more) {
    if (!('serviceWorker' in navigator)) { return false; }
    await navigator.serviceWorker.register(worker, scope ? { scope } : undefined);
    const ready = await navigator.serviceWorker.ready;
    const line = new MessageChannel();
    const done = new Promise((resolve) => { line.port1.onmessage = (e) => resolve(e.data === 'kept'); });
    ready.active.postMessage({ keep: [window.location.pathname, ...files(), ...more] }, [line.port2]);
    return done;
  }

  return { keep };
})();
