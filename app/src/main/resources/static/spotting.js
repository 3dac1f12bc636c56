'use strict';
document.addEventListener('alpine:init', () => {
  const SHAKES_CM = 1.8;

  Alpine.data('spotting', () => ({
    reps: [],
    rep: 0,
    running: false,
    asking: false,
    marks: [],
    began: 0,
    pausedAt: 0,

    init() {
      this.reps = JSON.parse(this.$root.dataset.reps);
      this.views = Array.from(this.$root.querySelectorAll('[data-changes]'))
        .map((box) => [box.querySelector('svg'), JSON.parse(box.dataset.changes)]);
      this.show(this.reps[0].shows, 0, 0);
    },

    waits() { return !this.running; },
    runs() { return this.running; },
    asks() { return this.asking; },
    seesSigns() { return this.running && !this.asking; },
    repText() { return this.running ? fern.text('spotRep', this.rep + 1, this.reps.length) : ''; },
    markedText() { return this.marks.length ? fern.text('spotMarked', this.marks.map((m) => m.name).join(', ')) : ''; },
    lastSign() { const last = this.marks[this.marks.length - 1]; return last ? last.name : ''; },

    begin() {
      this.running = true;
      this.rep = 0;
      this.marks = [];
      this.began = performance.now();
      window.requestAnimationFrame((t) => this.step(t));
    },

    step(time) {
      if (!this.running) { return; }
      if (!this.asking) {
        const now = this.reps[this.rep];
        const p = (time - this.began) / (1000 * now.seconds);
        if (p >= 1) {
          if (this.rep + 1 >= this.reps.length) { this.done(); return; }
          this.rep += 1;
          this.began = time;
        } else {
          this.show(now.shows, Math.max(0, p), time);
        }
      }
      window.requestAnimationFrame((t) => this.step(t));
    },

    /** What shows rises with the effort and goes with it. */
    show(full, p, time) {
      const effort = Math.sin(Math.PI * p) ** 0.7 || 0;
      const amounts = Object.fromEntries(Object.entries(full).map(([sign, most]) => [sign, most * effort]));
      const held = full.BREATH_HELD * (p > 0.1 && p < 0.9 ? 1 : 0);
      const breath = (1 - held) * Math.cos(2 * Math.PI * p);
      amounts.BREATH = Math.max(0, breath);
      const share = p < 0.45 ? p / 0.45 : p < 0.55 ? 1 : 1 - (p - 0.55) / 0.45;
      for (const [svg, changes] of this.views) { window.fernFigure.showChanged(svg, share, changes, amounts); }
      this.$root.querySelector('.breath .ball').setAttribute('r', String(50 + 26 * breath));
      const shake = amounts.TIRED > 0.3 ? Math.sin(time / 22) * amounts.TIRED * SHAKES_CM : 0;
      this.views[0][0].querySelectorAll('[class*="-near"], [class*="-far"]')
        .forEach((limb) => limb.setAttribute('transform', 'translate(0 ' + shake + ')'));
    },

    signThis() { this.mark(this.$event.currentTarget); },
    mark(button) {
      if (!this.running || this.asking || button.disabled) { return; }
      const name = button.querySelector('.label').textContent;
      this.marks.push({ sign: button.dataset.code, rep: this.rep + 1, move: null, name });
      this.asking = true;
      this.pausedAt = performance.now();
    },
    /** The client waits while one thinks; in a session the set would be stopped as well. */
    goOn() {
      this.asking = false;
      this.began += performance.now() - this.pausedAt;
    },
    moveThis() {
      this.marks[this.marks.length - 1].move = this.$event.currentTarget.dataset.move;
      this.goOn();
    },
    takeBack() { this.marks.pop(); this.goOn(); },

    done() {
      this.running = false;
      this.$refs.marks.value = JSON.stringify(this.marks.map(({ sign, rep, move }) => ({ sign, rep, move })));
      this.$refs.form.submit();
    },

    press() {
      const e = this.$event;
      if (e.ctrlKey || e.metaKey || e.altKey || ['SELECT', 'TEXTAREA', 'INPUT'].includes(e.target.tagName)) { return; }
      if (this.pressed(e.key)) { e.preventDefault(); }
    },
    pressed(key) {
      if (!this.running) {
        if (key !== ' ' || ['BUTTON', 'A'].includes(document.activeElement.tagName)) { return false; }
        this.begin();
        return true;
      }
      const among = Array.from(this.$root.querySelectorAll(this.asking ? '[data-choice]' : '.sign[data-key]'));
      const button = among.find((b) => (this.asking ? b.dataset.choice : b.dataset.key) === key && !b.disabled);
      if (button) { button.click(); return true; }
      if (this.asking && ['u', 'Backspace', 'Escape'].includes(key)) { this.takeBack(); return true; }
      return key === ' ' || key === 'PageDown';
    },
  }));
});
