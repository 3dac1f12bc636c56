'use strict';
document.addEventListener('alpine:init', () => {
  const TRIES_AGAIN_MS = 2000;

  // One tick, one save, one after the other: the outcome beside it is always that of all of them.
  Alpine.data('ask', () => ({
    state: '',
    /** How often something was ticked: what is drawn of it is drawn anew. */
    ticks: 0,
    waiting: Promise.resolve(),
    /** Ticks that are not saved yet. */
    pending: 0,
    /** One of these could not be saved: said until the next tick, whatever became of the others. */
    lost: false,
    /** Answers that close her day and that the house does not know of yet: they hold all the same. */
    held: [],

    init() {
      // Left alone, her page goes all the same: nobody is there to be asked.
      let alone = false;
      document.getElementById('sign-out').addEventListener('left-alone', () => { alone = true; });
      window.addEventListener('beforeunload', (leaving) => { if (this.isHeld() && !alone) { leaving.preventDefault(); } });
      const saved = () => this.waiting.then(() => this.state === fern.text('saved'));
      fern.goOnOnceSaved(() => this.pending > 0, saved, null);
    },

    isHeld() { return this.held.length > 0; },
    /** Of a past visit it says nothing about today. */
    heldText() { return fern.text(document.getElementById('past-why') ? 'holdsUnsavedPast' : 'holdsUnsaved'); },

    /** On a past visit an answer changes only with a reason. */
    fields(box) {
      const why = document.getElementById('past-why');
      return Object.assign({ code: box.value, yes: box.checked }, why ? { why: why.value } : {});
    },

    isAsked(spot) { return document.getElementById(spot.dataset.asks).checked; },
    spotClass() { return { pressed: this.ticks >= 0 && this.isAsked(this.$el) }; },
    /** A press on the drawing ticks its question; one that would close her day is only led to: a slip must not close it. */
    placeThis() {
      const question = document.getElementById(this.$event.currentTarget.dataset.asks);
      const closes = question.closest('[data-closes]') !== null;
      if (!closes) { question.click(); return; }
      question.focus();
      const line = question.closest('.question');
      line.classList.add('led-to');
      question.addEventListener('blur', () => line.classList.remove('led-to'), { once: true });
    },

    tick() {
      const box = this.$event.target;
      if (box.type !== 'checkbox') { return; }
      this.ticks += 1;
      const fields = this.fields(box);
      if (this.pending === 0) { this.lost = false; }
      this.busy(1);
      this.waiting = this.waiting.then(() => this.take(box, fields)).finally(() => this.busy(-1));
    },

    /** Until the outcome knows of every tick, nobody goes on by what it says. */
    busy(more) {
      this.pending += more;
      const outcome = document.getElementById('outcome');
      outcome.inert = this.pending > 0 || this.isHeld();
      if (outcome.inert) { outcome.setAttribute('aria-busy', 'true'); } else { outcome.removeAttribute('aria-busy'); }
    },

    async take(box, fields) {
      this.state = fern.text('saving');
      try {
        const answer = await this.send(box, fields);
        document.getElementById('outcome').innerHTML = await answer.text();
        this.state = fern.text(this.lost ? 'notSavedTickAgain' : 'saved');
        const correction = document.querySelector('[data-corrects]');
        if (document.querySelector('[data-past-problem]')) { box.checked = !fields.yes; }
        if (document.querySelector('[data-stays="' + box.value + '"]')) { box.checked = true; }
        if (correction) { correction.querySelector('input[name="reason"]').focus(); }
      } catch (notSaved) {
        this.lost = true;
        if (!this.held.includes(box.value)) { box.checked = !fields.yes; }
        this.ticks += 1;
        this.state = fern.text('notSavedTickAgain');
      }
    },

    /** What closes her day is sent until the house knows of it: it is not taken back because the line is gone. */
    async send(box, fields) {
      const closes = fields.yes && box.closest('[data-closes]') !== null;
      for (;;) {
        const answer = await fern.post(this.$root.dataset.url, fields).catch(() => null);
        const others = this.held.filter((code) => code !== box.value);
        if (answer && answer.ok && !answer.redirected) { this.held = others; return answer; }
        if (closes) { this.held = others.concat(box.value); }
        // signed out, or refused: nothing would change by asking again
        if (!closes || (answer && answer.status < 500)) { throw new Error('not saved'); }
        this.state = fern.text('notSentYet');
        await new Promise((go) => window.setTimeout(go, TRIES_AGAIN_MS));
      }
    },
  }));
});
