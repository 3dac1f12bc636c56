'use strict';
// What the runner says to the server and hears from it. It shows what it knows meanwhile: nothing waits here for an answer.
window.fernRunWire = (() => {
  const ASKS_AGAIN_MS = 1500;
  const CUT_MS = 5000;
  const LONGEST_WAIT_MS = 8000;
  const TRIES_BEFORE_ASIDE = 3;
  const LOOKS_AGAIN_MS = 2000;

  return {
    isJson(answer) { return (answer.headers.get('content-type') || '').startsWith('application/json'); },

    goOnAsking() { window.setTimeout(() => this.listen(), ASKS_AGAIN_MS); },

    /** The state as the server has it; without a connection the last one that was read. */
    async load() {
      try {
        const answer = await this.ask(this.url + '/state', true);
        if (!answer) { throw new Error('no state'); }
        this.take(answer);
      } catch (lost) {
        this.offline = true;
        window.setTimeout(() => this.load(), 2000);
        return;
      }
      this.send();
    },

    /** Another tablet may have told something; an emergency may have been answered elsewhere. */
    async listen() {
      if (this.base && !this.queue.length && document.visibilityState === 'visible') {
        try {
          const answer = await this.ask(this.url + '/state?known=' + encodeURIComponent(this.base.version), false, 'poll');
          if (answer && !this.queue.length) { this.take(answer); }
        } catch (lost) { this.offline = true; }
      }
      this.goOnAsking();
    },

    /**
     * JSON of ours, or nothing for "nothing new"; throws for everything else, a captive page included. What the browser kept
     * from before counts only where it was asked for: it must never take the place of what is known since. Asked by 'poll',
     * it keeps no sign-in alive.
     */
    async ask(url, keptWillDo, by = 'fetch') {
      const cut = new AbortController();
      const timer = window.setTimeout(() => cut.abort(), CUT_MS);
      try {
        const answer = await fetch(url, { signal: cut.signal, headers: { 'X-Requested-With': by } });
        this.checkSignedIn(answer);
        if (answer.status === 204) { this.offline = false; return null; }
        if (!answer.ok || !this.isJson(answer)) { throw new Error('no answer of ours'); }
        this.offline = answer.headers.get('x-fern-kept') !== null;
        if (this.offline && !keptWillDo) { throw new Error('only what was kept'); }
        return await answer.json();
      } finally { window.clearTimeout(timer); }
    },

    checkSignedIn(answer) {
      if (answer.redirected || answer.status === 401 || answer.status === 403) {
        this.signedOut = answer.status === 403 || new URL(answer.url).pathname === '/sign-in';
        if (this.signedOut) { throw new Error('signed out'); }
      } else if (answer.ok && answer.headers.get('x-fern-kept') === null) { this.signedOut = false; }
    },

    /** Answers to everything that could be seen: of the exercise in hand first, then of those that follow. */
    async lookAhead() {
      if (this.looking || !this.s || (this.queue.length && !this.offline)) { return; }
      const missing = (key) => key && !this.answers[key] && !this.tried[key];
      const want = missing(this.s.answersKey)
        ? this.s.at
        : this.s.items.findIndex((i, at) => at > this.s.at && i.state === 'open' && missing(i.key));
      if (want < 0 || want >= this.s.items.length) { return; }
      this.looking = true;
      const key = want === this.s.at ? this.s.answersKey : this.s.items[want].key;
      let next = 300;
      try {
        this.tried[key] = true;
        const found = await this.ask(this.url + '/answers?at=' + want, true);
        if (found && found.key) {
          this.answers[found.key] = found.bySign;
          // A sign told before its answers were here was given the safe one.
          if (this.advice() && this.advice().provisional && this.queue.length) { this.showAhead(); }
        }
      } catch (lost) {
        // Without a connection the next state asks again; a slow or failing answer is asked for once more here.
        delete this.tried[key];
        next = LOOKS_AGAIN_MS;
      } finally { this.looking = false; }
      window.setTimeout(() => this.lookAhead(), next);
    },

    /** The figure of the rung in hand, at its range; without a connection the last one stays. */
    async loadFigure(url) {
      try {
        const answer = await fetch(url);
        if (answer.ok && !answer.redirected) { this.$root.querySelector('.run-figure').innerHTML = await answer.text(); }
      } catch (lost) { /* the count and the breath go on without it */ }
    },

    async send() {
      if (this.sending || !this.base) { return; }
      this.sending = true;
      let lost = false;
      const work = () => this.sendAll();
      try {
        if (navigator.locks) { await navigator.locks.request('fern-send-' + this.session, work); } else { await work(); }
      } catch (notSent) {
        lost = true;
        this.offline = !this.signedOut;
        window.setTimeout(() => this.send(), this.waitMs);
        this.waitMs = Math.min(LONGEST_WAIT_MS, this.waitMs * 2);
      } finally { this.sending = false; }
      // What came while the last was being put away goes at once.
      if (!this.queue.length) { this.lookAhead(); } else if (!lost) { this.send(); }
    },

    async sendAll() {
      while (this.queue.length) {
        // An emergency waits behind nothing.
        const record = this.queue.find((r) => r.event.emergency) || this.queue[0];
        const { state, refused, failed } = await this.post(record);
        this.waitMs = 500;
        this.offline = false;
        if (record.seq !== null) {
          if (refused || failed) { await fernUnsent.setAside(record.seq, refused || failed); } else { await fernUnsent.remove(record.seq); }
        }
        this.queue = this.queue.filter((r) => r !== record);
        if (refused || failed) {
          this.setAside.push(refused || failed);
          this.notice = fern.text('refused', refused || failed);
          const now = await this.ask(this.url + '/state');
          if (now) { this.take(now); }
        } else if (!this.queue.length) {
          this.take(state);
        } else {
          this.base = state;
          fernUnsent.keepState(this.url, state);
        }
      }
    },

    /**
     * Only our receipt for exactly this event, or our refusal with a name, ends it; anything else is tried again. What fails
     * three times at the server is set aside and holds nothing back, but for an emergency, which is tried for ever.
     */
    async post(record) {
      const event = record.event;
      const cut = new AbortController();
      const timer = window.setTimeout(() => cut.abort(), CUT_MS);
      const { undoTo, shown, emergency, ...told } = event;
      const body = JSON.stringify(told);
      try {
        const answer = await fetch(this.url + '/events', {
          method: 'POST',
          signal: cut.signal,
          headers: { 'X-CSRF-TOKEN': fern.token(), 'Content-Type': 'application/json', 'X-Requested-With': 'fetch' },
          body,
          keepalive: emergency === true,
        });
        this.checkSignedIn(answer);
        const back = await fernReceipt.ours(answer);
        if (answer.ok && fernReceipt.isFor(back, event.id, body)) { return { state: back.state }; }
        const refused = fernReceipt.refusal(answer, back);
        if (refused) { return { refused: refused.message }; }
        record.failed = (record.failed || 0) + (answer.status >= 500 ? 1 : 0);
        if (record.failed >= TRIES_BEFORE_ASIDE && !emergency) { return { failed: fern.text('failedThrice') }; }
        throw new Error('no answer of ours');
      } finally { window.clearTimeout(timer); }
    },
  };
})();
