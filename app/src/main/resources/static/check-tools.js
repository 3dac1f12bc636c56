'use strict';
// What a field of the check is filled with by hand: steppers, a breath counted by a tap, marks on a picture.
document.addEventListener('alpine:init', () => {
  // A number with big steps; the first press starts from the last value.
  Alpine.data('stepper', () => ({
    less() { this.by(-1); },
    more() { this.by(1); },
    by(sign) {
      const box = this.$refs.box;
      const from = box.value === '' ? Number(this.$root.dataset.last || box.min) - (this.$root.dataset.last ? 0 : sign * Number(this.$root.dataset.step)) : Number(box.value);
      const to = from + sign * Number(this.$root.dataset.step);
      box.value = String(Math.min(Number(box.max), Math.max(Number(box.min), to)));
      box.dispatchEvent(new Event('change', { bubbles: true }));
    },
  }));

  // Counts breaths by a tap; Lost keeps the count as the finding.
  Alpine.data('breathTimer', () => ({
    count: 0,
    breath() { this.count += 1; },
    lost() {
      const box = document.getElementById(this.$root.dataset.finding);
      box.value = String(this.count);
      box.dispatchEvent(new Event('change', { bubbles: true }));
      this.count = 0;
    },
  }));

  // Ten up, ten down, a number a second.
  Alpine.data('tenCount', () => ({
    text: fern.text('countTenUp'),
    timer: 0,
    start() {
      window.clearInterval(this.timer);
      let n = 0;
      const show = () => {
        n += 1;
        this.text = n <= 10 ? fern.text('liftCount', n) : n <= 20 ? fern.text('lowerCount', n - 10) : fern.text('countTenUp');
        if (n > 20) { window.clearInterval(this.timer); }
      };
      show();
      this.timer = window.setInterval(show, 1000);
    },
  }));

  // Marks dragged on a picture, by pointer or arrows; saved when let go, once each of them was set: where nobody put a
  // mark, nothing is read. A mark that stands right is set by a press.
  Alpine.data('points', () => ({
    at: [],
    set: [],
    scale: '1',
    held: -1,

    get left() { return this.set.filter((s) => !s).length; },

    init() {
      const parts = (this.$root.dataset.value || this.$root.dataset.start).split(';');
      this.scale = parts[0];
      this.at = parts.slice(1).map((p) => p.split(',').map(Number));
      const taken = Boolean(this.$root.dataset.value);
      this.set = this.at.map(() => taken);
      this.draw();
    },

    svg() { return this.$root.querySelector('svg'); },

    draw() {
      const svg = this.svg();
      this.at.forEach(([x, y], n) => {
        const mark = svg.querySelector('[data-n="' + n + '"]');
        mark.setAttribute('cx', x);
        mark.setAttribute('cy', y);
        mark.classList.toggle('mark-open', !this.set[n]);
        const label = svg.querySelector('[data-label="' + n + '"]');
        if (label) { label.setAttribute('x', x + 14); label.setAttribute('y', y + (n === 2 ? 14 : 5)); }
      });
      const line = svg.querySelector('[data-line]');
      if (line) { line.setAttribute('points', this.at.map((p) => p.join(',')).join(' ')); }
      const chord = svg.querySelector('[data-chord]');
      const first = this.at[0];
      const last = this.at[this.at.length - 1];
      if (chord) { this.place(chord, first[0], first[1], last[0], last[1]); }
      const plumb = svg.querySelector('[data-plumb]');
      if (plumb) { this.place(plumb, last[0], 20, last[0], 400); }
    },

    place(line, x1, y1, x2, y2) {
      line.setAttribute('x1', x1);
      line.setAttribute('y1', y1);
      line.setAttribute('x2', x2);
      line.setAttribute('y2', y2);
    },

    grab() {
      this.held = Number(this.$event.target.dataset.n);
      this.set[this.held] = true;
      this.draw();
      this.$event.target.focus();
      this.$event.preventDefault();
    },

    drag() {
      if (this.held < 0) { return; }
      const box = this.svg().getScreenCTM().inverse();
      const p = new DOMPoint(this.$event.clientX, this.$event.clientY).matrixTransform(box);
      this.at[this.held] = [Math.round(p.x * 10) / 10, Math.round(p.y * 10) / 10];
      this.draw();
    },

    drop() {
      if (this.held < 0) { return; }
      this.held = -1;
      this.keep();
    },

    // Enter sets a mark where it stands and goes to the next that is open; after the last one it leads on as everywhere.
    nudge() {
      const key = this.$event.key;
      const step = { ArrowLeft: [-2, 0], ArrowRight: [2, 0], ArrowUp: [0, -2], ArrowDown: [0, 2], Enter: [0, 0], ' ': [0, 0] }[key];
      if (!step) { return; }
      const n = Number(this.$event.target.dataset.n);
      this.set[n] = true;
      this.at[n] = [this.at[n][0] + step[0], this.at[n][1] + step[1]];
      this.draw();
      this.keep();
      const open = this.set.indexOf(false);
      if (key === 'Enter' && open < 0) { return; }
      this.$event.preventDefault();
      if (key === 'Enter') { this.svg().querySelector('[data-n="' + open + '"]').focus(); }
    },

    keep() {
      if (this.left > 0) { return; }
      this.$dispatch('save-points', { name: this.$root.dataset.finding, value: [this.scale].concat(this.at.map((p) => p.join(','))).join(';') });
    },
  }));
});
