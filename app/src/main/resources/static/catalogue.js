'use strict';
document.addEventListener('alpine:init', () => {
  // Search as you type: every word must stand in what a rung is found by.
  Alpine.data('catalogueSearch', () => ({
    nothing: false,
    search() {
      const words = this.$event.target.value.toLowerCase().split(/\s+/).filter(Boolean);
      let shown = 0;
      this.$root.querySelectorAll('.strand-row').forEach((row) => {
        let here = 0;
        row.querySelectorAll('.tile').forEach((tile) => {
          tile.hidden = !words.every((w) => tile.dataset.found.includes(w));
          here += tile.hidden ? 0 : 1;
        });
        row.hidden = here === 0;
        shown += here;
      });
      this.nothing = shown === 0;
    },
  }));

  Alpine.data('cueSwitch', () => ({
    choose() {
      const wanted = this.$event.target.value;
      this.$root.querySelectorAll('[data-cue]').forEach((cue) => { cue.hidden = cue.dataset.cue !== wanted; });
    },
  }));

  // The range dial: the server has worked out 41 ranges; the dial moves between them.
  Alpine.data('rangeDial', () => ({
    points: [],
    at: 1,
    waiting: true,
    dragging: false,

    init() {
      this.points = this.$root.dataset.points.split(';').map((p) => p.split(' ').map(Number));
      const svg = this.figure();
      svg?.addEventListener('pointerdown', (e) => { this.dragging = true; svg.setPointerCapture(e.pointerId); this.drag(e); });
      svg?.addEventListener('pointermove', (e) => { if (this.dragging) { this.drag(e); } });
      svg?.addEventListener('pointerup', () => { this.dragging = false; });
      // Whoever moved it before this was here goes on from there.
      const slider = this.$root.querySelector('.form-range');
      this.go(slider ? Number(slider.value) / 1000 : 1);
      this.waiting = false;
    },

    figure() { return this.$root.querySelector('.dial-figure svg'); },

    /** The range whose limb lies nearest to the finger. */
    drag(e) {
      const svg = this.figure();
      const here = new DOMPoint(e.clientX, e.clientY).matrixTransform(svg.getScreenCTM().inverse());
      let best = 0;
      let nearest = Infinity;
      this.points.forEach((p, i) => {
        const d = Math.hypot(p[7] - here.x, p[8] - here.y);
        if (d < nearest) { nearest = d; best = i; }
      });
      this.go(best / (this.points.length - 1));
      e.preventDefault();
    },

    slide() { this.go(Number(this.$event.target.value) / 1000); },
    toMark() { this.go(Number(this.$event.currentTarget.dataset.range)); },

    typeAngle() {
      const wanted = Number(this.$event.target.value);
      let best = 0;
      this.points.forEach((p, i) => { if (Math.abs(p[1] - wanted) < Math.abs(this.points[best][1] - wanted)) { best = i; } });
      this.go(best / (this.points.length - 1));
    },

    go(range) {
      this.at = Math.max(0, Math.min(1, range));
      const slider = this.$root.querySelector('.form-range');
      if (slider) { slider.value = String(Math.round(1000 * this.at)); }
      const angle = this.$root.querySelector('#angle');
      if (angle) { angle.value = this.value(1).toFixed(Number(this.$root.dataset.decimals)); }
      const svg = this.figure();
      if (svg) { window.fernFigure.show(svg, this.at); }
      const marker = this.$root.querySelector('[data-marker]');
      if (marker) {
        marker.setAttribute('cx', String(300 * this.at));
        marker.setAttribute('cy', String(110 * (1 - Math.min(1, this.value(3) / Number(marker.dataset.scale)))));
      }
    },

    value(field) {
      if (!this.points.length) { return 0; }
      const at = this.at * (this.points.length - 1);
      const low = Math.min(Math.floor(at), this.points.length - 2);
      return this.points[low][field] + (at - low) * (this.points[low + 1][field] - this.points[low][field]);
    },

    rangeText() { return fern.text('rangePct', Math.round(100 * this.at)); },
    heightText() { return Math.round(Math.max(0, this.value(2))) + ' cm'; },
    indexText() { return this.value(3).toFixed(1); },
    momentText() {
      const moment = (n) => (n < -0.05 ? '−' : '') + Math.abs(n).toFixed(0);
      return moment(this.value(4)) + ', ' + moment(Math.abs(this.value(5))) + ' N·m';
    },
  }));
});
