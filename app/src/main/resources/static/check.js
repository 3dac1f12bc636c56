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

  Alpine.data('check', () => ({
    known: {},
    late: '',

    /** What the page shows of each field: a save says it, so that two who edit at once are told. */
    init() {
      this.$root.querySelectorAll('[data-finding]').forEach((i) => {
        const key = this.keyOf({ name: i.dataset.finding, side: i.dataset.side || '' });
        if (i.type === 'radio') {
          this.known[key] = i.defaultChecked ? i.value : this.known[key] || '';
        } else {
          this.known[key] = i.dataset.value || i.defaultValue || '';
        }
      });
      this.$root.querySelectorAll('.cell').forEach((c) => {
        this.known[this.keyOf({ siteCm: c.dataset.site, condition: c.dataset.condition })] = c.dataset.value || '';
      });
    },

    keyOf(fields) { return fields.siteCm === undefined ? fields.name + ' ' + (fields.side || '') : fields.siteCm + ' ' + fields.condition; },

    /** The fields of a save, with what stood there before and, on a past visit, why it is changed. */
    saved(fields, value) {
      const key = this.keyOf(fields);
      const why = document.getElementById('past-why');
      const all = Object.assign(this.only(), fields, { was: this.known[key] || '' });
      if (why) { all.why = why.value; }
      this.known[key] = value;
      return all;
    },

    saveReading() {
      this.$dispatch('save', { url: this.$root.dataset.url + '/readings', fields: this.saved(this.$event.detail, this.$event.detail.values) });
    },

    /** The check that fills the screen, if one does: the answer then is about it alone. */
    only() { return this.$root.dataset.only ? { only: this.$root.dataset.only } : {}; },

    /** A press on an answer goes on like its digit; an arrow key that moves the choice does not. */
    clicked() {
      const e = this.$event;
      const label = e.target.closest('.pick label');
      if (!label || e.detail === 0) { return; }
      const group = label.closest('fieldset.choice');
      window.setTimeout(() => this.goOn(group), 0);
    },

    /** Keys of the walk through the checks: they answer from anywhere on the page that takes no text. */
    walkKey() {
      const e = this.$event;
      if (!this.$root.dataset.only || e.defaultPrevented || e.ctrlKey || e.metaKey || e.altKey) { return; }
      const at = e.target;
      const typing = ['INPUT', 'SELECT', 'TEXTAREA'].includes(at.tagName) && at.type !== 'radio';
      const pressing = ['BUTTON', 'SUMMARY'].includes(at.tagName) || (at.tagName === 'A' && at.dataset.next === undefined);
      const unchosen = at.type === 'radio' && !at.checked;
      if (e.key === 'PageDown' || (e.key === ' ' && !typing && !unchosen && (!pressing || at.classList.contains('cell')))) { this.walk('[data-next]'); }
      else if (e.key === 'PageUp') { this.walk('[data-back]'); }
      else if (e.key === '=' && !typing) { this.walk('[data-same]'); }
      else if (/^[0-9]$/.test(e.key) && at === document.body && this.answerFirst(e.key)) { /* taken */ }
      else { return; }
      e.preventDefault();
    },

    walk(where) {
      const target = document.querySelector('.guided-foot ' + where);
      if (target) { target.click(); }
    },

    /** A digit with nothing in hand answers the first field that is still open. */
    answerFirst(digit) {
      const fields = Array.from(this.$root.querySelectorAll('fieldset.choice')).filter((g) => !g.closest('details:not([open])'));
      const open = fields.find((g) => (g.querySelector('input[type="number"]') ? g.querySelector('input').value === '' : !g.querySelector('input:checked')));
      const box = open ? open.querySelector('input[type="number"]') : null;
      // a number takes the digit itself, as if it had been typed there
      if (box) { box.focus(); return false; }
      if (open) { return this.choose(open, digit); }
      return false;
    },

    /** A value that was not taken is said beside its field. */
    refused() {
      const { fields, why, present } = this.$event.detail;
      this.known[this.keyOf(fields)] = present === undefined ? fields.was : present;
      const group = this.groupOf(fields);
      if (!group) { return; }
      this.clearProblem(group);
      const said = document.createElement('p');
      said.className = 'field-problem';
      said.dataset.refused = 'true';
      said.textContent = why;
      group.append(said);
    },

    /** After signing in again: what was kept is named, what was refused is said at its field, and the field in hand is in hand. */
    savedLate() {
      const { late, inHand } = this.$event.detail;
      late.refused.forEach((detail) => window.dispatchEvent(new CustomEvent('save-refused', { detail })));
      const not = late.refused.map((r) => this.keyOf(r.fields));
      const names = late.fields.filter((f) => !not.includes(this.keyOf(f))).map((f) => this.labelOf(f)).filter((l) => l !== '');
      this.late = names.length ? fern.text('savedLate', Array.from(new Set(names)).join('; ')) : '';
      const at = inHand ? this.$root.querySelector(inHand) : null;
      if (!at) { return; }
      if (at.classList.contains('cell')) { window.dispatchEvent(new CustomEvent('pick-again', { detail: at })); }
      at.focus();
    },

    saysLate() { return this.late !== ''; },

    labelOf(fields) {
      const cell = fields.siteCm ? this.$root.querySelector('.cell[data-site="' + fields.siteCm + '"][data-condition="' + fields.condition + '"]') : null;
      if (cell) { return cell.dataset.label; }
      const group = this.groupOf(fields);
      const legend = group ? group.querySelector('legend') : null;
      return legend ? legend.textContent.trim() : '';
    },

    taken() {
      const group = this.groupOf(this.$event.detail.fields);
      if (group) { this.clearProblem(group); }
    },

    clearProblem(group) { group.querySelectorAll('[data-refused]').forEach((p) => p.remove()); },

    groupOf(fields) {
      if (fields.siteCm) { return this.$root.querySelector('.picker'); }
      const input = Array.from(this.$root.querySelectorAll('[data-finding]')).find((i) => i.dataset.finding === fields.name && (i.dataset.side || '') === (fields.side || ''));
      return input ? input.closest('fieldset.choice') || input : null;
    },

    savePoints() {
      this.finding(this.$event.detail.name, '', this.$event.detail.value);
    },

    saveFinding() {
      const field = this.$event.target;
      if (field.dataset.skip) {
        const why = document.getElementById('past-why');
        const fields = Object.assign(this.only(), { section: field.dataset.skip, reason: field.value, was: field.defaultValue });
        if (why) { fields.why = why.value; }
        field.defaultValue = field.value;
        this.$dispatch('save', { url: this.$root.dataset.url + '/skips', fields });
      } else if (field.dataset.finding) {
        this.finding(field.dataset.finding, field.dataset.side || '', field.value);
      }
    },

    /** One key a field: a digit picks the choice and goes on; Enter goes on. */
    fieldKey() {
      const e = this.$event;
      const group = e.target.closest('fieldset.choice, .pad');
      if (!group || e.ctrlKey || e.metaKey || e.altKey) { return; }
      if (group.querySelector('input[type="radio"]') && /^[0-9]$/.test(e.key)) {
        if (this.choose(group, e.key)) { e.preventDefault(); }
        return;
      }
      if (e.key !== 'Enter') { return; }
      if (e.target.type === 'number') { e.target.blur(); }
      e.preventDefault();
      this.goOn(group);
    },

    /** A digit picks the choice of that name, or of that place, and goes on. */
    choose(group, digit) {
      const options = Array.from(group.querySelectorAll('input[type="radio"]'));
      const named = options.find((o) => o.value === digit);
      const option = named || (Number.isNaN(Number(options[0].value)) ? options[Number(digit) - 1] : null);
      if (!option) { return false; }
      option.checked = true;
      option.dispatchEvent(new Event('change', { bubbles: true }));
      this.goOn(group);
      return true;
    },

    /** To the next field of the page, or to the link that leads on. */
    goOn(from) {
      const all = Array.from(this.$root.querySelectorAll('fieldset.choice, .pad')).filter((g) => !g.closest('details:not([open])'));
      const next = all[all.indexOf(from) + 1];
      const target = next ? next.querySelector('input, .mark') : document.querySelector('[data-next]');
      if (target) { target.focus(); target.scrollIntoView({ block: 'center' }); }
    },

    goToFields() { this.goOn(null); },

    finding(name, side, value) {
      this.$dispatch('save', {
        url: this.$root.dataset.url + '/findings',
        fields: this.saved({ name, side, value, posture: this.$root.dataset.posture }, value),
      });
    },
  }));

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

  // Marks dragged on a picture, by pointer or arrows; saved when let go.
  Alpine.data('points', () => ({
    at: [],
    scale: '1',
    held: -1,

    init() {
      const parts = (this.$root.dataset.value || this.$root.dataset.start).split(';');
      this.scale = parts[0];
      this.at = parts.slice(1).map((p) => p.split(',').map(Number));
      this.draw();
    },

    svg() { return this.$root.querySelector('svg'); },

    draw() {
      const svg = this.svg();
      this.at.forEach(([x, y], n) => {
        const mark = svg.querySelector('[data-n="' + n + '"]');
        mark.setAttribute('cx', x);
        mark.setAttribute('cy', y);
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

    nudge() {
      const step = { ArrowLeft: [-2, 0], ArrowRight: [2, 0], ArrowUp: [0, -2], ArrowDown: [0, 2] }[this.$event.key];
      if (!step) { return; }
      const n = Number(this.$event.target.dataset.n);
      this.at[n] = [this.at[n][0] + step[0], this.at[n][1] + step[1]];
      this.draw();
      this.keep();
      this.$event.preventDefault();
    },

    keep() {
      this.$dispatch('save-points', { name: this.$root.dataset.finding, value: [this.scale].concat(this.at.map((p) => p.join(','))).join(';') });
    },
  }));
});
