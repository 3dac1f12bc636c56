'use strict';
// Pedal and keys of the runner.
window.fernRunKeys = (() => {
  return {
    /** Pedal, Space and digits; with a list open the digits choose from it and the signs rest. */
    press() {
      const e = this.$event;
      if (e.ctrlKey || e.metaKey || e.altKey || !this.s || ['SELECT', 'TEXTAREA'].includes(e.target.tagName)) { return; }
      if (e.target.tagName === 'INPUT' && e.target.type !== 'radio') { return; }
      if (this.pressed(e.key)) { e.preventDefault(); }
    },

    pressed(key) {
      if (key === 'Escape') { this.close(); this.why = null; return true; }
      if (this.panel) { return this.choose(key); }
      if (key === ' ' || key === 'PageDown') {
        if (this.working()) { this.primary(); }
        return true;
      }
      if (!this.working()) { return false; }
      const commands = {
        u: () => this.undo(), PageUp: () => this.undo(), Backspace: () => this.undo(),
        o: () => { if (this.canOverride()) { this.open('override'); } },
        e: () => this.open('emergency'), m: () => this.open('more'), x: () => { if (this.canSkip()) { this.open('skip'); } },
        t: () => this.takeProposal(), p: () => this.pause(), y: () => { if (this.hasAdvice()) { this.askWhy(); } },
        ArrowLeft: () => this.left(), ArrowRight: () => this.right(), '?': () => this.open('keys'),
      };
      if (commands[key]) { commands[key](); return true; }
      if (this.asking() && /^[0-9]$/.test(key)) { this.effort(Number(key)); return true; }
      const mark = Array.from(this.$root.querySelectorAll('.sign[data-key]')).find((b) => b.dataset.key === key);
      if (mark && !mark.disabled) { this.sign(mark.dataset.code); return true; }
      return false;
    },

    choose(key) {
      if (this.panel === 'override' && key === 'b') { this.becauseNext(); return true; }
      if (this.panel === 'keys' && key === '?') { this.close(); return true; }
      const box = this.$root.querySelector('[data-choices="' + this.panel + '"]');
      const button = box && Array.from(box.querySelectorAll('[data-choice]')).find((b) => b.dataset.choice === key && !b.disabled);
      if (button) { button.click(); }
      // Space and the letters of the signs rest while a list is open.
      return Boolean(button) || key === ' ' || key === 'PageDown' || /^[0-9a-z]$/.test(key);
    },
  };
})();
