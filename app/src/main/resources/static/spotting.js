'use strict';
document.addEventListener('alpine:init', () => {
  const SVG = 'http://www.w3.org/2000/svg';
  const bell = (x, middle, width) => Math.exp(-(((x - middle) / width) ** 2));

  // The simulated client: the figure moves as the rung does, and what shows is drawn on its trunk.
  function body(svg) {
    const numbers = (path) => path.getAttribute('d').replace(/h\.1$/, '').slice(1).split(' ').map(Number);
    const find = (kind) => svg.querySelector('.f-' + kind);
    const layer = (kind) => {
      const path = document.createElementNS(SVG, 'path');
      path.setAttribute('class', kind);
      // over the trunk, under the legs, arms and head that are nearer
      svg.querySelector('.f-top').after(path);
      return path;
    };
    const wall = layer('spot-wall');
    const skin = layer('spot-skin');
    const back = layer('spot-back');
    const floor = layer('spot-floor');
    const finger = layer('spot-finger');
    const ribs = layer('spot-ribs');

    return (shows, breath, time) => {
      const [hx, hy, , , , , sx, sy] = numbers(find('trunk'));
      const [ax, ay, nx, ny] = numbers(find('nose'));
      const length = Math.hypot(sx - hx, sy - hy);
      const u = [(sx - hx) / length, (sy - hy) / length];
      // Her front: where her nose is, square to the trunk.
      const side = Math.sign(u[0] * (ny - ay) - u[1] * (nx - ax)) || 1;
      const n = [-u[1] * side, u[0] * side];
      const at = (t, out) => [hx + u[0] * t * length + n[0] * out, hy + u[1] * t * length + n[1] * out];
      const line = (points) => 'M' + points.map((p) => p.map((x) => Math.round(10 * x) / 10).join(' ')).join('L');
      const share = (from, to, count, out) => Array.from({ length: count + 1 }, (_, i) => {
        const t = from + ((to - from) * i) / count;
        return at(t, out(t));
      });
      const half = 9;
      const front = (t) => half
        + breath * 1.4 * bell(t, 0.5, 0.3)
        + shows.SOFT_RIDGE * 7 * bell(t, 0.4, 0.16)
        + shows.FIRM_RIDGE * 7 * bell(t, 0.4, 0.09)
        + shows.LOW_BELLY * 7 * bell(t, 0.2, 0.16)
        + shows.FLOOR_DOWN * 4 * bell(t, 0.1, 0.12)
        + shows.BELLY_SINKS * 9 * bell(t, 0.42, 0.24)
        + shows.RIBS_LIFT * 6 * bell(t, 0.74, 0.1);
      const outside = share(0.02, 0.95, 40, front);
      wall.setAttribute('d', line(outside.concat(share(0.95, 0.02, 2, () => half - 3))) + 'Z');
      skin.setAttribute('d', line(outside));
      const gap = shows.BACK_LEAVES * 6;
      back.setAttribute('d', gap < 0.6 ? '' : line(share(0.02, 0.62, 24, (t) => -half - 0.5 + gap * bell(t, 0.3, 0.16)).concat(share(0.62, 0.02, 1, () => -half - 1.5))) + 'Z');
      floor.setAttribute('d', line([at(-0.02, -6), at(-0.05 - shows.FLOOR_DOWN * 0.09, 0), at(-0.02, 7)]));
      // A ridge that springs gives way under the finger; a taut one carries it.
      const under = front(0.4) - shows.SOFT_RIDGE * 6;
      finger.setAttribute('d', line([at(0.4, under + 2.5), at(0.43, under + 16)]));
      ribs.setAttribute('d', line([at(0.7, half - 2 + shows.RIBS_LIFT * 6), at(0.86, half - 2 + shows.RIBS_LIFT * 3)]));
      const poke = shows.CHIN_POKES * 6;
      ['hair', 'face', 'nose'].forEach((kind) => {
        const part = find(kind);
        if (part) { part.setAttribute('transform', 'translate(' + (u[0] * poke * 0.4 + n[0] * poke) + ' ' + (u[1] * poke * 0.4 + n[1] * poke) + ')'); }
      });
      const shake = shows.SHAKE > 0.3 ? Math.sin(time / 22) * shows.SHAKE * 1.8 : 0;
      svg.querySelectorAll('[class*="-near"], [class*="-far"]').forEach((limb) => limb.setAttribute('transform', 'translate(0 ' + shake + ')'));
    };
  }

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
      this.svg = this.$root.querySelector('.spot-figure svg');
      this.draw = body(this.svg);
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
      const shows = Object.fromEntries(Object.entries(full).map(([channel, most]) => [channel, most * effort]));
      window.fernFigure.show(this.svg, p < 0.45 ? p / 0.45 : p < 0.55 ? 1 : 1 - (p - 0.55) / 0.45);
      const held = full.BREATH_STOPS * (p > 0.1 && p < 0.9 ? 1 : 0);
      const breath = (1 - held) * Math.cos(2 * Math.PI * p);
      this.draw(shows, breath, time);
      this.$root.querySelector('.breath .ball').setAttribute('r', String(50 + 26 * breath));
      this.face(shows, held * effort, breath);
      const tilt = shows.PELVIS_TIPS * 16;
      this.$root.querySelector('.spot-feet .hips').setAttribute('transform', 'rotate(' + tilt + ' 50 68)');
    },

    face(shows, held, breath) {
      const strain = Math.max(shows.FLOOR_DOWN, held * 0.6);
      const open = Math.max(0, 1 - held * 1.4) * (3 + 3 * Math.max(0, -breath));
      const puff = 6 * held + 3 * shows.FLOOR_DOWN;
      const set = (name, d) => this.$root.querySelector('.spot-face .' + name).setAttribute('d', d);
      set('mouth', 'M42 66Q50 ' + (66 - open) + ' 58 66Q50 ' + (66 + open) + ' 42 66Z');
      set('cheeks', 'M' + (24 - puff) + ' 58q-2 6 3 10M' + (76 + puff) + ' 58q2 6 -3 10');
      set('brow', 'M33 38L45 ' + (38 + 3 * strain) + 'M67 38L55 ' + (38 + 3 * strain));
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
