'use strict';
document.addEventListener('alpine:init', () => {
  // The separation grid: pick a cell, then digits, the half key or the steppers set it. One key a cell for whole fingers.
  Alpine.data('separationGrid', () => ({
    method: 'FINGERS',
    feel: '',
    picked: null,
    now: '',
    typed: '',

    init() {
      this.method = this.$root.dataset.method;
      this.pick(this.cells()[0]);
    },

    /** Column by column: all sites at rest, then all with the head lifted. */
    cells() { return Array.from(this.$root.querySelectorAll('.cell')).sort((a, b) => a.dataset.order - b.dataset.order); },

    pickThis() { this.pick(this.$event.currentTarget); },

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
    unit() { return this.method === 'FINGERS' ? 'fingers' : 'mm'; },
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

    same() { if (this.picked.dataset.last) { this.set(this.picked.dataset.last); this.move(1); } },
    clear() { this.set(''); },
    repeat() {
      const now = this.picked.dataset.value;
      if (now) { this.set(now + ' ' + now.split(' ')[0]); }
    },

    move(by) {
      const cells = this.cells();
      const at = cells.indexOf(this.picked) + by;
      if (at >= 0 && at < cells.length) { this.pick(cells[at]); this.picked.focus({ preventScroll: true }); }
    },

    key() {
      const e = this.$event;
      if (e.ctrlKey || e.metaKey || e.altKey || ['INPUT', 'SELECT', 'TEXTAREA'].includes(e.target.tagName)) { return; }
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

  Alpine.data('check', () => ({
    saveReading() {
      this.$dispatch('save', { url: this.$root.dataset.url + '/readings', fields: this.$event.detail });
    },

    saveFinding() {
      const field = this.$event.target;
      if (!field.name || !field.dataset.finding) { return; }
      this.$dispatch('save', {
        url: this.$root.dataset.url + '/findings',
        fields: { name: field.dataset.finding, side: field.dataset.side || '', value: field.value },
      });
    },
  }));
});
