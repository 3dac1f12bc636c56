'use strict';
// What she tells: on the phone first, then to the house, in order.
window.fernHomeWire = (() => {
  const HERS = 'home';
  const TRIES_AGAIN_MS = 4000;
  const LONGEST_WAIT_MS = 60000;

  return {
    waitMs: TRIES_AGAIN_MS,

    /** There is a connection again: at once. */
    sendNow() { this.waitMs = TRIES_AGAIN_MS; this.send(); },

    async tell1(entry) {
      const whole = { id: fern.uuid(), at: this.now(), ...entry };
      fernUnsent.hold(this.url, HERS, whole);
      this.unsent += 1;
      await fernUnsent.add(this.url, HERS, whole);
      this.send();
    },
    now() {
      const d = new Date();
      const two = (n) => String(n).padStart(2, '0');
      return d.getFullYear() + '-' + two(d.getMonth() + 1) + '-' + two(d.getDate()) + 'T' + two(d.getHours()) + ':'
        + two(d.getMinutes()) + ':' + two(d.getSeconds());
    },
    async send() {
      if (this.sending) { return; }
      this.sending = true;
      let refused = false;
      try {
        // What is told while another is on its way is sent after it: nothing waits for her next tap.
        for (;;) {
          const all = await fernUnsent.of(this.url, HERS);
          this.unsent = all.length;
          if (!all.length) { break; }
          const record = all[0];
          const answer = await fetch(this.url + '/entries', {
            method: 'POST',
            headers: { 'Content-Type': 'application/json', 'X-Requested-With': 'fetch' },
            body: JSON.stringify(record.event),
          });
          const ours = (answer.headers.get('content-type') || '').includes('json');
          if (ours && (answer.status === 404 || answer.status === 410)) { await this.forget(); window.location.reload(); return; }
          if (ours && answer.status === 401) { this.notice = fern.text('home.pinAgain'); return; }
          if (!ours || answer.status >= 500 || answer.status === 429) { throw new Error('not taken: ' + answer.status); }
          refused ||= !answer.ok;
          if (answer.ok && record.event.kind === 'ANSWERED') {
            this.kept.heardAt = Number((await answer.json()).at);
            this.keep();
          }
          await fernUnsent.remove(record.seq);
        }
        this.waitMs = TRIES_AGAIN_MS;
        this.notice = refused ? fern.text('home.refused') : '';
        if (this.adapts) { window.location.reload(); }
      } catch (lost) {
        window.setTimeout(() => this.send(), this.waitMs);
        this.waitMs = Math.min(LONGEST_WAIT_MS, 2 * this.waitMs);
      } finally {
        this.sending = false;
      }
    },
    quietLine() { return !this.unsent && !this.notice; },
    saysUnsent() { return this.unsent > 0 && !this.notice; },
    unsentText() { return fern.text('home.unsent', this.unsent); },
    toldText() { return fern.text(this.unsent ? 'home.toldLater' : 'home.toldNow'); },
  };
})();
