'use strict';
document.addEventListener('alpine:init', () => {
  // A pose by dragging joints: the server draws it and says what each joint turns about; the browser only turns angles.
  Alpine.data('ownRung', () => ({
    problem: '',
    index: '–',
    handles: [],
    held: null,
    waiting: false,

    init() {
      const svg = this.svg();
      svg.addEventListener('pointerdown', (e) => this.take(e));
      svg.addEventListener('pointermove', (e) => this.turn(e));
      svg.addEventListener('pointerup', () => { this.held = null; });
      this.draw();
    },

    svg() { return this.$root.querySelector('.pose-editor'); },
    field(name) { return this.$root.querySelector('[name="' + name + '"]'); },

    typed() {
      const typed = {};
      this.$root.querySelectorAll('section:first-child [name]').forEach((f) => { typed[f.name] = f.value; });
      return typed;
    },

    /** Another posture brings its own angles. */
    async posture() {
      this.$root.querySelectorAll('.angles [name]').forEach((f) => { if (f.closest('section') === this.svg().closest('section')) { f.disabled = true; } });
      const answer = await fern.postJson('/catalogue/own/posture', { posture: this.$event.target.value });
      const values = await answer.json();
      Object.keys(values).forEach((name) => { const f = this.field(name); if (f) { f.value = values[name]; f.disabled = false; } });
      this.draw();
    },

    async draw() {
      if (this.waiting) { this.again = true; return; }
      this.waiting = true;
      const answer = await fern.postJson('/catalogue/own/pose', this.typed());
      this.waiting = false;
      const body = await answer.json();
      if (answer.ok) { this.problem = ''; this.show(body); } else { this.problem = body.message; }
      if (this.again) { this.again = false; this.draw(); }
    },

    show(drawn) {
      this.handles = drawn.handles;
      this.index = drawn.loadIndex.toFixed(1);
      const svg = this.svg();
      if (!this.held) { svg.setAttribute('viewBox', drawn.viewBox); }
      svg.replaceChildren();
      const add = (name, attributes) => {
        const e = document.createElementNS('http://www.w3.org/2000/svg', name);
        Object.keys(attributes).forEach((k) => e.setAttribute(k, attributes[k]));
        svg.appendChild(e);
      };
      add('path', { class: 'f-floor', d: 'M-130 .5 130 .5' });
      drawn.strokes.forEach((s) => {
        const points = s.frames[0].map((v) => v.toFixed(1));
        add('path', { class: 'f-' + s.kind, d: window.fernFigure.d(points, s.corners) });
      });
      drawn.handles.forEach((h) => add('circle', { class: 'grip', cx: h.x, cy: h.y, r: 3.4, 'data-field': h.field }));
    },

    point(e) { return new DOMPoint(e.clientX, e.clientY).matrixTransform(this.svg().getScreenCTM().inverse()); },

    take(e) {
      const at = this.point(e);
      const near = this.handles.map((h) => ({ h, d: Math.hypot(h.x - at.x, h.y - at.y) })).sort((a, b) => a.d - b.d)[0];
      if (!near || near.d > 12) { return; }
      this.held = { h: near.h, from: Math.atan2(at.y - near.h.aboutY, at.x - near.h.aboutX), deg: Number(this.field(near.h.field).value) };
      this.svg().setPointerCapture(e.pointerId);
      e.preventDefault();
    },

    turn(e) {
      if (!this.held) { return; }
      const { h, from, deg } = this.held;
      const at = this.point(e);
      let turn = Math.atan2(at.y - h.aboutY, at.x - h.aboutX) - from;
      if (turn > Math.PI) { turn -= 2 * Math.PI; }
      if (turn < -Math.PI) { turn += 2 * Math.PI; }
      this.field(h.field).value = String(Math.round(deg + h.sign * turn * 180 / Math.PI));
      this.draw();
    },
  }));
});
