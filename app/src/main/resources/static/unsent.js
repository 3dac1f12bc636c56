'use strict';
// What was recorded beside the mat and is not on the server yet: one record an event in the browser's own store, bound to
// the account and the session. Every page shows whether something waits.
window.fernUnsent = (() => {
  const NAME = 'fern-step';
  const STORE = 'events';
  const PAGES = 'fern-runner';
  /** Held here, at once, until the store has it: a page that goes away in that moment loses nothing. */
  const HELD = 'fern.held.';
  let held = 0;
  let opened = null;

  function open() {
    if (!opened) {
      opened = new Promise((resolve, reject) => {
        const asked = window.indexedDB.open(NAME, 1);
        asked.onupgradeneeded = () => {
          const store = asked.result.createObjectStore(STORE, { keyPath: 'seq', autoIncrement: true });
          store.createIndex('session', 'session');
        };
        asked.onsuccess = () => resolve(asked.result);
        asked.onerror = () => reject(asked.error);
      });
    }
    return opened;
  }

  async function ask(mode, work) {
    const db = await open();
    return new Promise((resolve, reject) => {
      const transaction = db.transaction(STORE, mode);
      const asked = work(transaction.objectStore(STORE));
      transaction.oncomplete = () => resolve(asked.result);
      transaction.onerror = () => reject(transaction.error);
      transaction.onabort = () => reject(transaction.error);
    });
  }

  /** Without waiting for anything. */
  function hold(session, staff, event) {
    const { undoTo, ...plain } = event;
    held += 1;
    try { localStorage.setItem(HELD + event.id, JSON.stringify({ session, staff, event: plain, at: Date.now() + held / 1000 })); }
    catch (full) { /* the store below may still have room */ }
  }

  /** Resolves once it is on the disk, with its place in the order. */
  async function add(session, staff, event) {
    const { undoTo, ...plain } = event;
    const record = JSON.parse(JSON.stringify({ session, staff, event: plain }));
    const seq = await ask('readwrite', (store) => store.add(record));
    localStorage.removeItem(HELD + event.id);
    mark();
    return seq;
  }

  /** What was held when a page went away, in order. */
  function stillHeld(which) {
    return Object.keys(localStorage)
      .filter((key) => key.startsWith(HELD))
      .map((key) => JSON.parse(localStorage.getItem(key)))
      .filter((r) => r && which(r))
      .sort((a, b) => a.at - b.at);
  }

  /** Those of a session that this account recorded, in order. */
  async function of(session, staff) {
    const stored = async () => (await ask('readonly', (store) => store.index('session').getAll(session)))
      .filter((r) => r.staff === staff);
    const known = (await stored()).map((r) => r.event.id);
    for (const { event } of stillHeld((r) => r.session === session && r.staff === staff)) {
      if (known.includes(event.id)) { localStorage.removeItem(HELD + event.id); } else { await add(session, staff, event); }
    }
    return stored();
  }

  /** What cannot be taken stays, with what was said of it, and holds nothing back. */
  async function setAside(seq, why) {
    const db = await open();
    await new Promise((resolve, reject) => {
      const transaction = db.transaction(STORE, 'readwrite');
      const store = transaction.objectStore(STORE);
      const asked = store.get(seq);
      asked.onsuccess = () => { if (asked.result) { store.put({ ...asked.result, aside: why }); } };
      transaction.oncomplete = resolve;
      transaction.onerror = () => reject(transaction.error);
    });
    mark();
  }

  async function remove(seq) {
    await ask('readwrite', (store) => store.delete(seq));
    mark();
  }

  /** The newest state the server gave: what a reload without a connection begins with. */
  async function keepState(url, state) {
    if (!window.caches) { return; }
    const store = await caches.open(PAGES);
    await store.put(url + '/state', new Response(JSON.stringify(state), { headers: { 'Content-Type': 'application/json' } }));
  }

  /** Of the staff's, what the store does not have yet as well; what a client tells on her own page is not theirs. */
  async function staffs() {
    const stored = (await ask('readonly', (store) => store.getAll())).filter((r) => r.staff !== 'home');
    const known = stored.map((r) => r.event.id);
    return stored.concat(stillHeld((r) => r.staff !== 'home' && !known.includes(r.event.id)));
  }

  async function count() {
    return (await staffs()).length;
  }

  /** Shows on any page how much waits, and where. */
  async function mark() {
    const box = document.getElementById('unsent');
    if (!box) { return; }
    const all = await staffs();
    box.hidden = all.length === 0;
    if (all.length) {
      box.querySelector('a').href = '/sessions/' + all[0].session;
      box.querySelector('a').textContent = fern.text(all.length === 1 ? 'oneUnsent' : 'unsent', all.length);
    }
  }

  document.addEventListener('DOMContentLoaded', () => {
    mark();
    const out = document.getElementById('sign-out');
    if (!out) { return; }
    let warned = false;
    // Pages with her name do not stay behind.
    const leave = () => { if (window.caches) { caches.delete(PAGES).finally(() => out.submit()); } else { out.submit(); } };
    // Left alone: nobody is there to be asked. Her pages go as well; what was not sent stays for the account that typed it.
    out.addEventListener('left-alone', () => {
      const gone = () => fern.post('/sign-out', {}).finally(() => { window.location.href = '/sign-in?away'; });
      if (window.caches) { caches.delete(PAGES).finally(gone); } else { gone(); }
    });
    out.addEventListener('submit', (e) => {
      e.preventDefault();
      // A second press goes: the entries stay in this browser and are sent when this account signs in again.
      if (warned) { leave(); return; }
      count().then((n) => {
        if (n === 0) { leave(); return; }
        warned = true;
        out.querySelector('button').textContent = fern.text('signOutAnyway', n);
      }, leave);
    });
  });

  // Keeps the runner usable over a reload and a closed tab without a connection.
  if ('serviceWorker' in navigator && document.querySelector('meta[name="staff"]')) {
    navigator.serviceWorker.register('/sw.js');
  }

  return { hold, add, of, remove, setAside, count, keepState };
})();
