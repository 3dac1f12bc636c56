'use strict';
// The breath of the repetition in hand: its words, its ball, the figure, a tick at each change.
window.fernRunBreath = (() => {
  const STILL_MS = 150;

  return {
    /** Where in the repetition the breath is; the ball grows on the in-breath and shrinks on the out-breath. */
    pace(time) {
      const i = this.item();
      if (i && this.phase() === 'WORK' && i.phases.length && !this.paused) {
        if (!this.startedAt) { this.startedAt = time; }
        const total = i.phases.reduce((sum, p) => sum + p.seconds, 0);
        let at = (time - this.startedAt) / 1000;
        if (at >= total && this.byTempo && !this.panel) { this.primary(); at = 0; }
        at %= total;
        const p = i.phases.find((x) => { if (at < x.seconds) { return true; } at -= x.seconds; return false; });
        if (p) { this.drawBreath(p, at); }
      }
      if (this.resting()) {
        const left = Math.ceil((this.restUntil - performance.now()) / 1000);
        this.restLeft = fern.text(left > 0 ? 'restLeft' : 'restOver', left);
      }
      // where motion is not wanted nothing moves between two figures: no need to draw sixty times a second
      if (this.still) { window.setTimeout(() => this.pace(performance.now()), STILL_MS); } else { window.requestAnimationFrame((t) => this.pace(t)); }
    },

    drawBreath(p, at) {
      const share = at / p.seconds;
      const words = { OUT: fern.text('breatheOut'), IN: fern.text('breatheIn'), RUNS_ON: fern.text('breathRunsOn') };
      const same = p.part.startsWith('BREATHE');
      if (this.part !== p.part) {
        this.part = p.part;
        if (p.part === 'LIFT') { this.liftAt = performance.now(); }
        this.signal();
      }
      this.phaseText = same ? p.text : p.text + ' · ' + words[p.breath].toLowerCase();
      this.phaseLeft = String(Math.floor(at) + 1);
      this.out = p.breath === 'OUT';
      this.holdSecond = p.part === 'HOLD' ? Math.floor(at) : null;
      const figure = this.$root.querySelector('.run-figure svg');
      if (figure && !this.still) {
        const way = { LIFT: share, HOLD: 1, RETURN: 1 - share, REST: 0, BREATHE_IN: share, BREATHE_OUT: 1 - share };
        window.fernFigure.show(figure, way[p.part]);
      }
      const ball = this.$root.querySelector('.breath .ball');
      if (!ball) { return; }
      const wave = p.breath === 'OUT' ? 1 - share : p.breath === 'IN' ? share : 0.5;
      ball.setAttribute('r', String(this.still ? 60 : 38 + 44 * wave));
    },

    /** A soft tick at each change, only where it was asked for. */
    signal() {
      if (this.vibrates && navigator.vibrate) { navigator.vibrate(40); }
      if (!this.sound) { return; }
      this.ears = this.ears || new AudioContext();
      const tone = this.ears.createOscillator();
      const gain = this.ears.createGain();
      gain.gain.value = 0.05;
      tone.frequency.value = this.out ? 440 : 660;
      tone.connect(gain).connect(this.ears.destination);
      tone.start();
      tone.stop(this.ears.currentTime + 0.08);
    },
  };
})();
