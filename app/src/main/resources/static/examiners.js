'use strict';
document.addEventListener('alpine:init', () => {
  // A ruler on the screen: the scale from a bank card, then the width of the fingers.
  Alpine.data('ruler', () => ({
    pxPerMm: 3.78,
    mm: 16,

    perUnit() {
      const svg = this.$root.querySelector('.card-svg');
      return svg ? 600 / (svg.getBoundingClientRect().width || 600) : 1;
    },
    cardPx() { return String(Math.min(596, 85.6 * Number(this.pxPerMm) * this.perUnit())); },
    edgePx() { return String(Math.min(596, 4 + this.mm * Number(this.pxPerMm) * this.perUnit())); },
    mmText() { return this.mm + ' mm'; },
    narrower() { this.pxPerMm = Math.round((Number(this.pxPerMm) - 0.02) * 100) / 100; },
    wider() { this.pxPerMm = Math.round((Number(this.pxPerMm) + 0.02) * 100) / 100; },
    less() { this.mm = Math.max(5, this.mm - 0.5); },
    more() { this.mm += 0.5; },
    slide() { if (this.$event.buttons) { this.move(); } },
    move() {
      const box = this.$event.currentTarget.getBoundingClientRect();
      const px = this.$event.clientX - box.left - 4 / this.perUnit();
      this.mm = Math.max(5, Math.round((px / Number(this.pxPerMm)) * 2) / 2);
    },
    keep() { document.getElementById('finger' + this.$event.currentTarget.dataset.n).value = String(this.mm); },
  }));

  // The simulated abdomen: fingers sink where no muscle lies under them, and the tone rises where one does.
  Alpine.data('trainer', () => ({
    turn: 1,
    at: 0,
    n: 2,
    pressed: false,
    first: 0,
    width: 0,
    gives: 0,
    offset: 0,
    table: [],
    tone: null,

    init() {
      const d = this.$root.dataset;
      this.width = Number(d.felt);
      this.gives = Number(d.gives);
      this.offset = Number(d.first);
      this.table = JSON.parse(d.fingers);
    },

    mm() {
      const whole = Math.min(4, Math.floor(this.n));
      const base = whole === 0 ? 0 : this.table[whole - 1];
      const next = whole >= 4 ? base + this.table[3] / 4 : this.table[whole];
      return base + (this.n - whole) * (next - base);
    },

    /** How much of the fingers lies on muscle, mm. */
    overlap() {
      const half = this.mm() / 2;
      const right = Math.max(0, this.at + half - (this.offset + this.width / 2));
      const left = Math.max(0, this.offset - this.width / 2 - (this.at - half));
      return right + left;
    },

    sinks() {
      if (!this.pressed) { return 0; }
      return this.overlap() === 0 ? this.gives : 3 + (this.gives - 3) * Math.exp(-this.overlap() / 2.5);
    },

    x(mm) { return 200 + mm * 2.4; },
    fingersX() { return String(this.x(this.at - this.mm() / 2)); },
    fingersWidth() { return String(this.mm() * 2.4); },
    fingersY() { return String(20 + this.sinks() * 2.4 + (this.pressed ? 10 : 0)); },

    skinLine() {
      const l = this.x(this.at - this.mm() / 2);
      const r = this.x(this.at + this.mm() / 2);
      const y = 100 + this.sinks() * 2.4;
      return 'M0 100L' + (l - 26) + ' 100Q' + (l - 8) + ' 100 ' + l + ' ' + y + 'L' + r + ' ' + y + 'Q' + (r + 8) + ' 100 ' + (r + 26) + ' 100L400 100';
    },
    skinPath() { return this.skinLine() + 'V220H0Z'; },

    resistanceText() {
      if (!this.pressed) { return fern.text('fingersRest'); }
      const o = this.overlap();
      return o === 0 ? fern.text('fingersSink') : o < 4 ? fern.text('edgeFelt') : fern.text('edgeFirm');
    },

    turnText() { return this.turn === 1 ? fern.text('firstReading') : fern.text('secondReading'); },
    reading() { return this.pressed; },

    press() { this.pressed = true; this.sound(); },
    lift() { this.pressed = false; this.sound(); },
    fewer() { this.n = Math.max(0.5, this.n - 0.5); this.sound(); },
    more() { this.n = Math.min(6, this.n + 0.5); this.sound(); },
    slideTo() { if (this.$event.buttons) { this.place(); } },
    place() {
      const box = this.$root.querySelector('.abdomen').getBoundingClientRect();
      this.at = Math.round((((this.$event.clientX - box.left) / box.width) * 400 - 200) / 2.4);
      this.sound();
    },

    key() {
      const e = this.$event;
      if (['INPUT', 'SELECT', 'TEXTAREA'].includes(e.target.tagName)) { return; }
      const keys = {
        ArrowLeft: () => { this.at -= 1; }, ArrowRight: () => { this.at += 1; }, ArrowDown: () => this.press(), ArrowUp: () => this.lift(),
        '+': () => this.more(), '-': () => this.fewer(), Enter: () => { if (this.pressed && e.target.tagName !== 'BUTTON') { this.read(); } },
      };
      if (!keys[e.key] || (e.key === 'Enter' && e.target.tagName === 'BUTTON')) { return; }
      keys[e.key]();
      this.sound();
      e.preventDefault();
    },

    sound() {
      if (!this.pressed) { if (this.tone) { this.tone.gain.gain.value = 0; } return; }
      if (!window.AudioContext) { return; }
      if (!this.tone) {
        const context = new AudioContext();
        const oscillator = context.createOscillator();
        const gain = context.createGain();
        oscillator.connect(gain);
        gain.connect(context.destination);
        gain.gain.value = 0;
        oscillator.start();
        this.tone = { oscillator, gain };
      }
      this.tone.oscillator.frequency.value = 180 + 30 * Math.min(20, this.overlap());
      this.tone.gain.gain.value = 0.04;
    },

    read() {
      if (this.turn === 1) {
        this.first = this.n;
        this.turn = 2;
        this.pressed = false;
        this.at = 0;
        this.n = 2;
        this.offset = Number(this.$root.dataset.second);
        this.width = Number(this.$root.dataset.feltAgain);
        this.sound();
        return;
      }
      this.$refs.first.value = String(this.first);
      this.$refs.second.value = String(this.n);
      this.$refs.form.submit();
    },
  }));
});
