'use strict';
// What she tells: on the phone first, then to the house, in order. An emergency goes its own way, before all others and
// until it is there; what the house cannot take is set aside and holds nothing back.
window.fernHomeWire = (() => {
  const HERS = 'home';
  const TRIES_AGAIN_MS = 4000;
  const LONGEST_WAIT_MS = 60000;
  const CUT_MS = 8000;
  const TRIES_BEFORE_ASIDE = 3;

  const urgent = (record) => record.event.urgent === true;
  const bodyOf = (record) => { const { urgent: own, ...body } = record.event; return JSON.stringify(body); };

  return {
    waitMs: TRIES_AGAIN_MS,
    failed: {},

    /** There is a connection again: at once. */
    sendNow() { this.waitMs = TRIES_AGAIN_MS; this.failed = {}; this.send(); },

    async tell1(entry) {
      const whole = { id: fern.uuid(), at: this.now(), ...entry };
      fernUnsent.hold(this.url, HERS, whole);
      this.unsent += 1;
      if (whole.urgent) { this.urgentUnsent += 1; }
      await fernUnsent.add(this.url, HERS, whole);
      this.send();
    },
    now() {
      const d = new Date();
      const two = (n) => String(n).padStart(2, '0');
      return d.getFullYear() + '-' + two(d.getMonth() + 1) + '-' + two(d.getDate()) + 'T' + two(d.getHours()) + ':'
        + two(d.getMinutes()) + ':' + two(d.getSeconds());
    },
    send() { this.sendUrgent(); this.sendRest(); },

    async waiting() {
      const all = await fernUnsent.of(this.url, HERS);
      this.urgentUnsent = all.filter(urgent).length;
      this.unsent = all.filter((r) => !r.aside).length;
      this.showAside(all.filter((r) => r.aside));
      return all;
    },

    /** Nothing waits before an emergency, and it is tried for ever. */
    async sendUrgent() {
      if (this.calling) { return; }
      this.calling = true;
      try {
        for (;;) {
          const first = (await this.waiting()).find(urgent);
          if (!first) { break; }
          if ((await this.post(first)) !== 'kept') { throw new Error('not through'); }
        }
        this.urgentWaitMs = TRIES_AGAIN_MS;
      } catch (lost) {
        window.setTimeout(() => this.sendUrgent(), this.urgentWaitMs || TRIES_AGAIN_MS);
        this.urgentWaitMs = Math.min(LONGEST_WAIT_MS, 2 * (this.urgentWaitMs || TRIES_AGAIN_MS));
      } finally { this.calling = false; }
    },

    async sendRest() {
      if (this.sending) { return; }
      this.sending = true;
      try {
        // What is told while another is on its way is sent after it: nothing waits for her next tap.
        for (;;) {
          const next = (await this.waiting()).find((r) => !urgent(r) && !r.aside);
          if (!next) { break; }
          const came = await this.post(next);
          if (came === 'stopped') { return; }
          if (came === 'failed') {
            this.failed[next.event.id] = (this.failed[next.event.id] || 0) + 1;
            if (this.failed[next.event.id] < TRIES_BEFORE_ASIDE) { throw new Error('not taken'); }
            await fernUnsent.setAside(next.seq, fern.text('home.failed'));
          }
          if (came.refused !== undefined) { await fernUnsent.setAside(next.seq, came.message || came.refused); }
        }
        this.waitMs = TRIES_AGAIN_MS;
        if (this.adapts) { window.location.reload(); }
      } catch (lost) {
        window.setTimeout(() => this.sendRest(), this.waitMs);
        this.waitMs = Math.min(LONGEST_WAIT_MS, 2 * this.waitMs);
      } finally {
        this.sending = false;
      }
    },

    /** 'kept' on our receipt for exactly this entry; our refusal; 'stopped' where the page itself is closed; 'failed' at 5xx. */
    async post(record) {
      const cut = new AbortController();
      const timer = window.setTimeout(() => cut.abort(), CUT_MS);
      const body = bodyOf(record);
      try {
        const answer = await fetch(this.url + '/entries', {
          method: 'POST',
          signal: cut.signal,
          headers: { 'Content-Type': 'application/json', 'X-Requested-With': 'fetch' },
          body,
        });
        const told = await fernReceipt.ours(answer);
        if (answer.ok && fernReceipt.isFor(told, record.event.id, body)) {
          await fernUnsent.remove(record.seq);
          if (record.event.kind === 'ANSWERED' || this.kept.held) { this.kept.heardAt = Number(told.at); this.keep(); }
          this.notice = '';
          return 'kept';
        }
        const refused = fernReceipt.refusal(answer, told);
        if (refused && refused.refused === 'GONE') { await this.forget(); window.location.reload(); return 'stopped'; }
        if (refused && refused.refused === 'PIN') { this.notice = fern.text('home.pinAgain'); return 'stopped'; }
        if (refused) { return refused; }
        if (answer.status >= 500) { return 'failed'; }
        throw new Error('not ours: ' + answer.status);
      } finally { window.clearTimeout(timer); }
    },

    /** The page goes away: what is urgent goes with it, whatever else is on its way. */
    async beacon() {
      for (const record of (await fernUnsent.of(this.url, HERS)).filter(urgent)) {
        navigator.sendBeacon(this.url + '/entries', new Blob([bodyOf(record)], { type: 'application/json' }));
      }
    },

    showAside(all) {
      this.aside = all.length;
      this.$refs.aside.replaceChildren(...all.map((record) => {
        const li = document.createElement('li');
        li.textContent = record.aside;
        return li;
      }));
    },
    hasAside() { return this.aside > 0; },
    quietLine() { return !this.unsent && !this.notice; },
    saysUnsent() { return this.unsent > 0 && !this.notice; },
    unsentText() { return fern.text('home.unsent', this.unsent); },
    toldText() { return fern.text(this.urgentUnsent || this.unsent ? 'home.toldLater' : 'home.toldNow'); },
  };
})();
