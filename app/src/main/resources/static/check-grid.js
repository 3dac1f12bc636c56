'use strict';
document.addEventListener('alpine:init', () => {
  // The separation grid: pick a cell, then digits, the half key or the steppers set it. One key a cell for whole fingers.
  Alpine.data('separationGrid', () => ({
    method: 'FINGERS',
    feel: '',
    depth: '',
    depthCode: '',
    picked: null,
    from: null,
    now: '',
    typed: '',

    init() {
      this.method = this.$root.dataset.method;
      this.pick(this.cells()[0]);
    },

    /** Column by column: all sites at rest, then all with the head lifted. */
    cells() { return Array.from(this.$root.querySelectorAll('.cell')).sort((a, b) => a.dataset.order - b.dataset.order); },

    pickThis() { this.pick(this.$event.currentTarget); },
    /** Only the cell a page is asked to go back to. */
    pickAgain() { this.pick(this.cells().find((c) => c === this.$event.detail)); },

    pick(cell) {
      if (!cell) { return; }
      if (this.picked) { this.picked.classList.remove('picked'); this.picked.tabIndex = -1; }
      this.picked = cell;
      this.now = cell.dataset.value || '';
      this.typed = '';
      cell.classList.add('picked');
      cell.tabIndex = 0;
    },

    shown() {
      return this.now === '' ? '–' : this.now;
    },

    where() { return this.picked ? this.picked.dataset.label : ''; },
    unit() { return this.method === 'FINGERS' ? fern.text('fingers') : 'mm'; },
    step() { return this.method === 'FINGERS' ? 0.5 : 1; },

    set(value) {
      this.write(this.picked, String(value));
    },

    write(cell, value) {
      cell.dataset.value = value;
      if (cell === this.picked) { this.now = value; }
      cell.querySelector('.value').textContent = value === '' ? '–' : value;
      this.$dispatch('save-reading', {
        siteCm: cell.dataset.site,
        condition: cell.dataset.condition,
        method: this.method,
        values: value,
        feel: this.feel,
        depthMm: this.depth,
        depthCode: this.depthCode,
      });
    },

    less() { this.nudge(-this.step()); },
    more() { this.nudge(this.step()); },

    nudge(by) {
      const parts = (this.picked.dataset.value || this.picked.dataset.last || '0').split(' ');
      const last = Math.max(0, Number(parts[parts.length - 1]) + by);
      parts[parts.length - 1] = String(last);
      this.set(parts.join(' '));
    },

    /** A thumb leaves the number while it swipes: the number keeps hold of it, but a press on − or + stays a press. */
    swipeStart() {
      if (this.$event.target.closest('button')) { return; }
      this.$event.currentTarget.setPointerCapture(this.$event.pointerId);
      this.from = [this.$event.clientX, this.$event.clientY];
    },

    /** On touch: up and down change the value, left and right go to the next or the last cell. */
    swipeEnd() {
      if (!this.from) { return; }
      const dx = this.$event.clientX - this.from[0];
      const dy = this.$event.clientY - this.from[1];
      this.from = null;
      if (Math.max(Math.abs(dx), Math.abs(dy)) < 30) { return; }
      if (Math.abs(dx) > Math.abs(dy)) { this.move(dx < 0 ? 1 : -1); }
      else if (dy < 0) { this.more(); }
      else { this.less(); }
    },

    same() { if (this.picked.dataset.last) { this.set(this.picked.dataset.last); this.move(1); } },
    clear() { this.set(''); },
    repeat() {
      const now = this.picked.dataset.value;
      if (now) { this.set(now + ' ' + now.split(' ')[0]); }
    },

    /** Beyond the last cell the fields below are next. */
    move(by) {
      const cells = this.cells();
      const at = cells.indexOf(this.picked) + by;
      if (at >= 0 && at < cells.length) { this.pick(cells[at]); this.picked.focus({ preventScroll: true }); }
      else if (at === cells.length) { this.$dispatch('grid-done'); }
    },

    key() {
      const e = this.$event;
      const elsewhere = e.target !== document.body && !(e.target instanceof HTMLElement && this.$root.contains(e.target));
      if (elsewhere || e.ctrlKey || e.metaKey || e.altKey || ['INPUT', 'SELECT', 'TEXTAREA', 'SUMMARY'].includes(e.target.tagName)) { return; }
      const columns = Number(this.$root.dataset.columns);
      const moves = { ArrowUp: -1, ArrowDown: 1, ArrowLeft: -columns, ArrowRight: columns };
      if (moves[e.key]) { this.move(moves[e.key]); }
      else if (/^[0-9]$/.test(e.key)) { this.digit(e.key); }
      else if (e.key === '.' || e.key === ',') { this.half(); }
      else if (e.key === '+') { this.more(); }
      else if (e.key === '-') { this.less(); }
      else if (e.key === 'Backspace' || e.key === 'Delete') { this.clear(); }
      else if (e.key === 'Enter') { this.move(1); }
      else { return; }
      e.preventDefault();
    },

    digit(d) {
      if (this.method === 'FINGERS') {
        this.set(d);
        this.move(1);
        return;
      }
      this.typed = (this.typed + d).slice(-3);
      this.set(String(Number(this.typed)));
    },

    /** Adds a half to the cell just entered. */
    half() {
      const cells = this.cells();
      const at = cells.indexOf(this.picked);
      const cell = this.picked.dataset.value ? this.picked : cells[Math.max(0, at - 1)];
      const value = Number(cell.dataset.value || 0);
      this.write(cell, String(value % 1 ? value - 0.5 : value + 0.5));
    },
  }));
});
