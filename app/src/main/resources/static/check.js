'use strict';
document.addEventListener('alpine:init', () => {
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

    /** What was kept is named, shown here or not; what was refused is said at its field, and the field in hand is in hand. */
    savedLate() {
      const { late, inHand } = this.$event.detail;
      late.refused.forEach((detail) => window.dispatchEvent(new CustomEvent('save-refused', { detail })));
      const not = late.refused.map((r) => this.keyOf(r.fields));
      const names = late.fields.filter((f) => !not.includes(this.keyOf(f))).map((f) => this.labelOf(f)).filter((l) => l !== '');
      this.late = names.length ? fern.text(late.shown ? 'savedLate' : 'keptUnshown', Array.from(new Set(names)).join('; ')) : '';
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
      if (!group || e.defaultPrevented || e.ctrlKey || e.metaKey || e.altKey) { return; }
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
});
