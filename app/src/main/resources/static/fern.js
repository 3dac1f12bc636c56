// Shared by all pages: posting, waiting for what is on its way, and the theme switch. Feature files add their own components.
'use strict';

const fern = {
  token() {
    return document.querySelector('meta[name="csrf"]').content;
  },

  uuid() {
    if (window.crypto.randomUUID) { return window.crypto.randomUUID(); }
    const b = window.crypto.getRandomValues(new Uint8Array(16));
    b[6] = (b[6] & 0x0f) | 0x40;
    b[8] = (b[8] & 0x3f) | 0x80;
    const h = Array.from(b, (x) => x.toString(16).padStart(2, '0')).join('');
    return [h.slice(0, 8), h.slice(8, 12), h.slice(12, 16), h.slice(16, 20), h.slice(20)].join('-');
  },

  /** A sentence in the language of the page, its {0}, {1} … filled in. */
  text(key, ...facts) {
    if (!fern.words) { fern.words = JSON.parse(document.getElementById('words').textContent); }
    const pattern = fern.words[key];
    if (pattern === undefined) { throw new Error('no words for ' + key); }
    return pattern.replace(/\{(\d)\}/g, (all, n) => String(facts[Number(n)]));
  },

  /** Sends a form; answers with the response, or throws when the server cannot be reached. */
  async post(url, fields) {
    return fetch(url, {
      method: 'POST',
      headers: { 'X-CSRF-TOKEN': fern.token(), 'X-Requested-With': 'fetch' },
      body: new URLSearchParams(fields),
    });
  },

  /** The sign-in has run out: what is unsent stays kept, and the page leads to the sign-in. Tried once, so never round and round. */
  signInAgain(key) {
    if (!sessionStorage.getItem(key)) {
      sessionStorage.setItem(key, 'asked');
      window.location.reload();
    }
  },

  signedIn(key) { sessionStorage.removeItem(key); },

  /**
   * The next page stands on what was changed here: a link or a form outside of what changes waits until all of it is saved.
   * Where something could not be, one stays to read that.
   *
   * @param pending () => whether something is on its way
   * @param saved () => a promise of whether all of it was taken
   * @param own the part of the page that sends its forms itself; a link that stays on the page is marked with data-stays
   */
  goOnOnceSaved(pending, saved, own) {
    const hold = (event, goOn) => {
      event.preventDefault();
      event.stopImmediatePropagation();
      saved().then((taken) => { if (taken) { goOn(); } });
    };
    document.addEventListener('click', (event) => {
      const link = event.target.closest('a[href]');
      if (!link || !pending() || event.ctrlKey || event.metaKey || link.target) { return; }
      if (link.dataset.stays !== undefined || link.getAttribute('href').startsWith('tel:')) { return; }
      hold(event, () => { window.location.href = link.href; });
    }, true);
    document.addEventListener('submit', (event) => {
      const form = event.target;
      if (!pending() || form.id === 'sign-out' || (own && own.contains(form))) { return; }
      const by = event.submitter;
      hold(event, () => form.requestSubmit(by));
    }, true);
  },

  /**
   * Resolves once nothing is pressed. What is drawn anew in the middle of a press takes the press with it: the finger comes up
   * on something else, and nothing happens, or something else does.
   */
  handUp() { return fern.hand; },
  hand: Promise.resolve(),

  async postJson(url, body) {
    return fetch(url, {
      method: 'POST',
      headers: { 'X-CSRF-TOKEN': fern.token(), 'Content-Type': 'application/json', 'X-Requested-With': 'fetch' },
      body: JSON.stringify(body),
    });
  },
};

// How long a finger stays is its own matter, but a page must not wait for one that was lifted outside of it.
(() => {
  const PRESSED_AT_MOST_MS = 1500;
  const CLICK_COMES_WITHIN_MS = 50;
  let up = () => {};
  document.addEventListener('pointerdown', () => {
    up();
    fern.hand = new Promise((lifted) => { up = lifted; });
    window.setTimeout(up, PRESSED_AT_MOST_MS);
  }, { capture: true, passive: true });
  // On glass the click comes a moment after the finger has left.
  for (const kind of ['pointerup', 'pointercancel']) {
    document.addEventListener(kind, () => window.setTimeout(up, CLICK_COMES_WITHIN_MS), { capture: true, passive: true });
  }
})();

// A second press on a slow line is not a second order: a form that is under way is not sent again. What answers with a file
// leaves one on the page, so it may be sent again after a while.
(() => {
  const UNDER_WAY_MS = 3000;
  const under = new Set();
  document.addEventListener('submit', (event) => {
    const form = event.target;
    if (event.defaultPrevented || form.method !== 'post') { return; }
    if (under.has(form)) { event.preventDefault(); return; }
    under.add(form);
    window.setTimeout(() => under.delete(form), UNDER_WAY_MS);
  });
  window.addEventListener('pageshow', () => under.clear());
})();

// Who leaves the tablet lying is signed out, after as long as the server allows: here, too, since a page that asks the server
// by itself would go on for ever. What was not sent is kept, bound to the account. The hour is shared by all tabs. A page that
// is read and touched but asks for nothing tells the server now and then that somebody is there.
(() => {
  document.addEventListener('DOMContentLoaded', () => {
    const form = document.getElementById('sign-out');
    const allowed = document.querySelector('meta[name="left-alone-s"]');
    if (!form || !allowed) { return; }
    const leftAloneMs = 1000 * Number(allowed.content);
    let told = Date.now();
    const touched = () => {
      const now = Date.now();
      localStorage.setItem('touched', String(now));
      if (now - told > leftAloneMs / 9) {
        told = now;
        fetch('/still-here', { headers: { 'X-Requested-With': 'fetch' } }).catch(() => null);
      }
    };
    touched();
    for (const kind of ['pointerdown', 'keydown']) { document.addEventListener(kind, touched, { capture: true, passive: true }); }
    window.setInterval(() => {
      if (Date.now() - Number(localStorage.getItem('touched')) > leftAloneMs) { form.dispatchEvent(new Event('left-alone')); }
    }, 30000);
  });
})();

// On a phone the path of a visit is longer than the screen: the step one is on is brought into view.
document.addEventListener('DOMContentLoaded', () => {
  const here = document.querySelector('.path [aria-current]');
  if (here) { here.closest('.path').scrollLeft = Math.max(0, here.offsetLeft - 120); }
});

// "?" lists the keys of the page; the runner has a list of its own.
document.addEventListener('keydown', (event) => {
  const list = document.getElementById('keys-here');
  if (!list || document.querySelector('.runner') || event.ctrlKey || event.metaKey || event.altKey) { return; }
  if (['INPUT', 'SELECT', 'TEXTAREA'].includes(event.target.tagName) && event.target.type !== 'radio' && event.target.type !== 'checkbox') { return; }
  if (event.key === '?') { list.hidden = !list.hidden; event.preventDefault(); }
  if (event.key === 'Escape') { list.hidden = true; }
});

// What was ticked before the page was ready has told nobody yet: an emergency answer must not be lost to a slow script.
document.addEventListener('alpine:initialized', () => {
  for (const box of document.querySelectorAll('main input[type="checkbox"], main input[type="radio"]')) {
    if (box.checked && !box.defaultChecked) { box.dispatchEvent(new Event('change', { bubbles: true })); }
  }
});

document.addEventListener('alpine:init', () => {
  Alpine.data('themeSwitch', () => ({
    toggle() {
      const next = document.documentElement.dataset.bsTheme === 'dark' ? 'light' : 'dark';
      document.documentElement.dataset.bsTheme = next;
      localStorage.setItem('theme', next);
    },
  }));
});
