// Shared by all pages: posting with retry, and the theme switch. Feature files add their own components.
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

  async postJson(url, body) {
    return fetch(url, {
      method: 'POST',
      headers: { 'X-CSRF-TOKEN': fern.token(), 'Content-Type': 'application/json', 'X-Requested-With': 'fetch' },
      body: JSON.stringify(body),
    });
  },
};

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

// Who leaves the tablet lying is signed out after 45 minutes, though a page that asks the server would go on for ever. What
// was not sent is kept, bound to the account. The hour is shared by all tabs.
(() => {
  const LEFT_ALONE_MS = 45 * 60 * 1000;
  const touched = () => localStorage.setItem('touched', String(Date.now()));
  document.addEventListener('DOMContentLoaded', () => {
    const form = document.getElementById('sign-out');
    if (!form) { return; }
    touched();
    for (const kind of ['pointerdown', 'keydown']) { document.addEventListener(kind, touched, { capture: true, passive: true }); }
    window.setInterval(() => {
      if (Date.now() - Number(localStorage.getItem('touched')) > LEFT_ALONE_MS) { form.dispatchEvent(new Event('left-alone')); }
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

  /**
   * Saves fields one after another and shows the answer in the results element. What could not be sent is kept in the
   * browser and sent when the connection, or the page, is back.
   */
  Alpine.data('autosave', () => ({
    queue: [],
    sending: false,
    leaving: false,
    state: '',
    key: '',

    init() {
      // One store for all pages of a visit: what one page could not send, the next one does.
      this.key = 'unsent:' + window.location.pathname.split('/').slice(0, 3).join('/');
      this.queue = JSON.parse(localStorage.getItem(this.key) || '[]');
      // What an earlier page could not send goes first; then the page is read again, so that it shows all of it.
      if (this.queue.length) { this.sendLate(); } else { window.setTimeout(() => this.sayLate(), 0); }
      window.addEventListener('online', () => this.send());
      document.addEventListener('click', (e) => this.saveFirst(e), true);
      // While the page is being left, an answer no longer counts: the next page sends again and shows all of it.
      window.addEventListener('beforeunload', () => {
        this.leaving = true;
        window.setTimeout(() => { this.leaving = false; this.sending = false; this.send(); }, 5000);
      });
    },

    waiting() { return this.queue.length > 0; },

    /**
     * Sends what an earlier page had to keep; what became of each is said once the page shows all of it. Until then it takes
     * nothing: what is typed into a page that is about to be read again would be lost, or fall into the wrong field. Nobody
     * waits for a line that hangs, though: after a while it takes entries again, names what it does not show, and is not read
     * again by itself.
     */
    sendLate() {
      const refused = [];
      const note = (e) => refused.push(e.detail);
      const fields = this.queue.map((q) => q.fields);
      const page = this.$root;
      const nothing = (e) => { e.preventDefault(); e.stopImmediatePropagation(); };
      let taking = false;
      const take = () => {
        taking = true;
        page.inert = false;
        window.removeEventListener('keydown', nothing, true);
      };
      const giveUp = () => {
        take();
        window.dispatchEvent(new CustomEvent('saved-late', { detail: { late: { fields, refused: [], shown: false }, inHand: null } }));
      };
      page.inert = true;
      window.addEventListener('keydown', nothing, true);
      let patience = window.setTimeout(giveUp, 5000);
      let again = false;
      window.addEventListener('save-refused', note);
      const sent = () => {
        // An answer that was lost on the way is asked for once more, with a patience of its own.
        if (this.queue.length && !taking && navigator.onLine && this.state === fern.text('notSentYet')) {
          if (!again) { window.clearTimeout(patience); patience = window.setTimeout(giveUp, 5000); again = true; }
          window.setTimeout(sent, 200);
          return;
        }
        window.clearTimeout(patience);
        window.removeEventListener('save-refused', note);
        if (this.queue.length || taking) {
          take();
          return;
        }
        sessionStorage.setItem('late:' + this.key, JSON.stringify({ fields, refused, shown: true }));
        window.location.reload();
      };
      this.send().then(sent);
    },

    /** What was kept over a sign-in, and the field that was in hand then. */
    sayLate() {
      const late = JSON.parse(sessionStorage.getItem('late:' + this.key) || 'null');
      const inHand = sessionStorage.getItem('in-hand:' + this.key);
      sessionStorage.removeItem('late:' + this.key);
      sessionStorage.removeItem('in-hand:' + this.key);
      if (late) { window.dispatchEvent(new CustomEvent('saved-late', { detail: { late, inHand } })); }
    },

    noteInHand() {
      const at = document.activeElement === document.body ? document.querySelector('.cell.picked') : document.activeElement;
      if (!at) { return; }
      const where = at.id ? '#' + CSS.escape(at.id) : '.cell[data-site="' + at.dataset.site + '"][data-condition="' + at.dataset.condition + '"]';
      sessionStorage.setItem('in-hand:' + this.key, where);
    },

    /** The next page stands on what is typed here: a link waits until it is saved, or until saving takes too long. */
    saveFirst(e) {
      const link = e.target.closest('a[href]');
      if (!link || !this.queue.length || e.ctrlKey || e.metaKey || link.target) { return; }
      e.preventDefault();
      const until = performance.now() + 3000;
      const go = () => {
        if (this.queue.length && performance.now() < until) { window.setTimeout(go, 30); } else { window.location.href = link.href; }
      };
      go();
    },

    save(url, fields) {
      this.queue.push({ url, fields });
      this.keep();
      this.send();
    },

    keep() {
      if (this.queue.length) { localStorage.setItem(this.key, JSON.stringify(this.queue)); }
      else { localStorage.removeItem(this.key); }
    },

    async send() {
      if (this.sending) { return; }
      this.sending = true;
      while (this.queue.length) {
        this.state = fern.text('saving');
        try {
          const answer = await fern.post(this.queue[0].url, this.queue[0].fields);
          if (answer.redirected) { this.leave(answer.url); return; }
          if (answer.status === 401 || answer.status === 403) { this.noteInHand(); fern.signInAgain(this.key); this.state = fern.text('signInAgain'); return; }
          if (answer.status >= 500) { throw new Error('the server could not save it'); }
          const html = await answer.text();
          if (this.leaving) { return; }
          fern.signedIn(this.key);
          const sent = this.queue.shift();
          this.keep();
          const target = document.getElementById('results');
          if (answer.ok && target) {
            target.innerHTML = html;
            target.dispatchEvent(new CustomEvent('results-shown', { bubbles: true }));
          }
          if (answer.status === 422) {
            const page = new DOMParser().parseFromString(html, 'text/html');
            const problem = page.querySelector('[data-problem]');
            window.dispatchEvent(new CustomEvent('save-refused', { detail: { fields: sent.fields, why: problem.textContent, present: problem.dataset.present } }));
          } else if (answer.ok) {
            window.dispatchEvent(new CustomEvent('save-taken', { detail: { fields: sent.fields } }));
          }
          this.state = answer.ok ? fern.text('saved') : fern.text('notAccepted');
        } catch (lost) {
          this.state = fern.text('notSentYet');
          window.setTimeout(() => { this.sending = false; this.send(); }, 2000);
          return;
        }
      }
      this.sending = false;
    },

    /** Signed out or locked: what was typed stays kept, the page moves on. */
    leave(url) {
      this.keep();
      this.noteInHand();
      window.location.href = url;
    },
  }));
});
