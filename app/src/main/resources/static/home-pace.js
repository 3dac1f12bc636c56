'use strict';
// The pace of an exercise at home: the breath, the count, the figure, the screen kept awake.
window.fernHomePace = (() => {
  return {
    paceText() { return fern.text(this.running ? 'home.pause' : this.ran ? 'home.goOn' : 'home.pace'); },
    pace() {
      if (this.running) { this.ran += (performance.now() - this.since) / 1000; } else { this.since = performance.now(); }
      this.running = !this.running;
      if (this.running) { this.awake(); this.frame(); } else { this.sleep(); }
    },
    async awake() {
      if (!this.running || !navigator.wakeLock || document.visibilityState !== 'visible') { return; }
      try { this.lock = await navigator.wakeLock.request('screen'); } catch (refused) { this.lock = null; }
    },
    sleep() { if (this.lock) { this.lock.release(); this.lock = null; } },
    /** The ring grows as the breath comes in and shrinks as it goes out; the figure moves with it. */
    frame() {
      if (!this.running || !this.item) { return; }
      window.requestAnimationFrame(() => this.frame());
      const total = this.phases.reduce((sum, p) => sum + p.seconds, 0);
      const all = Number(this.item.dataset.target) * Number(this.item.dataset.sets);
      const passed = this.ran + (performance.now() - this.since) / 1000;
      this.counted = Math.floor(passed / total);
      if (this.counted >= all) {
        this.counted = all;
        this.running = false;
        this.phaseText = fern.text('home.thatWasIt');
        this.phaseLeft = '✓';
        this.signal();
        this.sleep();
        return;
      }
      let at = passed % total;
      let n = 0;
      while (at >= this.phases[n].seconds) { at -= this.phases[n].seconds; n += 1; }
      const p = this.phases[n];
      const breath = fern.text('home.' + p.breath);
      if (n !== this.part) { this.part = n; this.signal(); }
      this.phaseText = p.text.toLowerCase() === breath.toLowerCase() ? p.text : p.text + ' · ' + breath.toLowerCase();
      this.phaseLeft = String(Math.floor(at) + 1);
      this.out = p.breath === 'OUT';
      const share = at / p.seconds;
      const wave = p.breath === 'IN' ? share : p.breath === 'OUT' ? 1 - share : 0.5;
      const ball = this.$root.querySelector('.breath .ball');
      ball.setAttribute('r', String(this.still ? 60 : 38 + 44 * wave));
      if (!this.still) {
        const way = n === 0 ? share : n === this.phases.length - 1 ? 0 : this.phases.length > 3 && n === 1 ? 1 : 1 - share;
        fernFigure.show(this.item.querySelector('svg'), way);
      }
    },
    signal() {
      if (this.buzz && navigator.vibrate) { navigator.vibrate(60); }
      if (!this.sound || !window.AudioContext) { return; }
      this.ears = this.ears || new AudioContext();
      const tone = this.ears.createOscillator();
      const loud = this.ears.createGain();
      loud.gain.value = 0.08;
      tone.frequency.value = 440;
      tone.connect(loud).connect(this.ears.destination);
      tone.start();
      tone.stop(this.ears.currentTime + 0.09);
    },
    flip() {
      const name = this.$event.currentTarget.dataset.option;
      this[name] = !this[name];
      localStorage.setItem('home.' + name, this[name] ? 'yes' : 'no');
    },
  };
})();
