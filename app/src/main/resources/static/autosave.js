'use strict';
document.addEventListener('alpine:init', () => {
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
        const underWay = this.state === fern.text('notSentYet') || this.state === fern.text('saving');
        if (this.queue.length && !taking && navigator.onLine && underWay) {
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
            await fern.handUp();
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
