'use strict';
// Cuff and belts beside the mat: three strips on one time axis, drawn as samples come, and what the repetition that was just
// counted showed. Nothing here marks a sign; it proposes one.
window.fernTrace = (() => {
  const SHOWN_MS = 20000;
  const KEPT_MS = 40000;
  // samples come five times a second: drawn this much later, the lines move evenly
  const BEHIND_MS = 400;
  const GAP_MS = 500;
  const DRAWN_EVERY_MS = 39;
  const CHANNELS = ['CUFF', 'RIBS', 'BELLY'];
  const names = () => ({ CUFF: fern.text('cuff'), RIBS: fern.text('ribs'), BELLY: fern.text('belly') });

  class Strips {
    constructor(url, canvas, told) {
      this.url = url;
      this.canvas = canvas;
      this.told = told;
      this.points = [];
      this.outs = [];
      this.reps = [];
      this.band = [30, 50];
      this.frames = 0;
      this.lastMs = null;
      this.lastAt = 0;
    }

    open() {
      this.source = new EventSource(this.url + '/trace');
      this.source.addEventListener('trace', (e) => this.take(JSON.parse(e.data)));
      this.source.addEventListener('error', () => this.told({ state: 'LOST', problems: [] }));
      this.drawing = true;
      window.requestAnimationFrame(() => this.draw());
    }

    close() {
      this.drawing = false;
      if (this.source) { this.source.close(); }
    }

    take(message) {
      for (let i = 0; i < message.ms.length; i++) {
        // twenty-five a second is what a strip can show
        const last = this.points[this.points.length - 1];
        if (last && message.ms[i] - last[0] < DRAWN_EVERY_MS) { continue; }
        this.points.push([message.ms[i]].concat(CHANNELS.map((c) => message.lines[c] ? message.lines[c][i] : null)));
      }
      if (message.ms.length) {
        this.lastMs = message.ms[message.ms.length - 1];
        this.lastAt = performance.now();
        this.points = this.points.filter((p) => p[0] > this.lastMs - KEPT_MS);
      }
      if (message.outBreaths.length) { this.outs = message.outBreaths; }
      if (message.bandLow !== null) { this.band = [message.bandLow, message.bandHigh]; }
      this.told(message);
    }

    /** A moment of this page by the clock of the device; nothing before the device has spoken. */
    deviceMs(at) { return this.lastMs === null ? null : this.lastMs + (at - this.lastAt); }

    /** Sends a repetition that was counted; nothing where the device has not spoken or says nothing about it. */
    async rep(counted, fromAt, toAt) {
      const startMs = this.deviceMs(fromAt);
      const endMs = this.deviceMs(toAt);
      if (startMs === null || !(endMs > startMs)) { return null; }
      this.reps = this.reps.slice(-20).concat([[startMs, endMs]]);
      const answer = await fetch(this.url + '/trace/reps', {
        method: 'POST',
        headers: { 'X-CSRF-TOKEN': fern.token(), 'Content-Type': 'application/json', 'X-Requested-With': 'fetch' },
        body: JSON.stringify(Object.assign({ startMs, endMs }, counted)),
      });
      return answer.status === 200 ? answer.json() : null;
    }

    draw() {
      if (!this.drawing) { return; }
      window.requestAnimationFrame(() => this.draw());
      const box = this.canvas.getBoundingClientRect();
      if (this.lastMs === null || box.width === 0) { return; }
      this.frames += 1;
      const scale = window.devicePixelRatio || 1;
      if (this.canvas.width !== Math.round(box.width * scale)) {
        this.canvas.width = Math.round(box.width * scale);
        this.canvas.height = Math.round(box.height * scale);
        const css = getComputedStyle(this.canvas);
        this.colours = ['--ink', '--moss-soft', '--line', '--ink-soft'].map((n) => css.getPropertyValue(n).trim());
      }
      const [ink, out, line, soft] = this.colours;
      const g = this.canvas.getContext('2d');
      g.setTransform(scale, 0, 0, scale, 0, 0);
      g.clearRect(0, 0, box.width, box.height);
      const now = Math.min(this.lastMs + 300, this.deviceMs(performance.now()) - BEHIND_MS);
      const from = now - SHOWN_MS;
      const left = 52;
      const x = (ms) => left + (ms - from) / SHOWN_MS * (box.width - left);
      const high = box.height / CHANNELS.length;
      g.font = '13px "Source Sans 3", sans-serif';
      g.save();
      g.beginPath();
      g.rect(left, 0, box.width - left, box.height);
      g.clip();
      g.fillStyle = out;
      for (const [start, end] of this.outs) { g.fillRect(x(start), 0, x(end === undefined ? now : end) - x(start), box.height); }
      g.fillStyle = ink;
      for (const [start, end] of this.reps) { g.fillRect(x(start), box.height - 4, x(end) - x(start), 4); }
      g.restore();
      const seen = this.points.filter((p) => p[0] >= from && p[0] <= now);
      CHANNELS.forEach((name, c) => {
        const values = seen.map((p) => p[c + 1]).filter((v) => v !== null && v !== undefined);
        g.fillStyle = soft;
        g.fillText(names()[name], 0, high * c + high / 2 + 4);
        g.strokeStyle = line;
        g.lineWidth = 1;
        g.beginPath();
        g.moveTo(left, high * (c + 1) - 0.5);
        g.lineTo(box.width, high * (c + 1) - 0.5);
        g.stroke();
        if (!values.length) { return; }
        let low = Math.min(...values);
        let top = Math.max(...values);
        if (name === 'CUFF') { low = Math.min(low, this.band[0]); top = Math.max(top, this.band[1]); }
        if (top - low < 0.2) { top += 0.1; low -= 0.1; }
        const y = (v) => high * c + 4 + (top - v) / (top - low) * (high - 8);
        g.save();
        g.beginPath();
        g.rect(left, 0, box.width - left, box.height);
        g.clip();
        if (name === 'CUFF') {
          g.strokeStyle = soft;
          g.setLineDash([4, 4]);
          for (const edge of this.band) { g.beginPath(); g.moveTo(left, y(edge)); g.lineTo(box.width, y(edge)); g.stroke(); }
          g.setLineDash([]);
        }
        g.strokeStyle = ink;
        g.lineWidth = 2;
        g.beginPath();
        let before = null;
        for (const p of seen) {
          const v = p[c + 1];
          // a gap is drawn as a gap
          if (v === null || v === undefined) { before = null; continue; }
          if (before === null || p[0] - before > GAP_MS) { g.moveTo(x(p[0]), y(v)); } else { g.lineTo(x(p[0]), y(v)); }
          before = p[0];
        }
        g.stroke();
        g.restore();
      });
    }
  }

  return { Strips };
})();
