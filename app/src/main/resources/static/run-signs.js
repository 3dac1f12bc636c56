'use strict';
// What a sign looks like on her: a long press, or the mouse held over it. Nothing is told by looking.
window.fernRunSigns = (() => {
  const HOVERS_MS = 350;
  const PRESSED_MS = 450;
  return {
    pictured: '',
    pictureName: '',
    looked: false,

    /** The figure's own address, with what can be seen on it. */
    picturesOf(figure) {
      const url = new URL(figure, window.location.origin);
      return url.pathname + '/signs' + url.search;
    },
    async loadPictures(figure) {
      const store = this.$root.querySelector('.sign-store');
      const of = this.picturesOf(figure);
      try {
        const answer = await fetch(of);
        if (!answer.ok || answer.redirected) { throw new Error('no pictures'); }
        store.innerHTML = await answer.text();
      } catch (lost) { store.replaceChildren(); }
    },

    watchSigns() {
      const box = this.$root.querySelector('.signs');
      const sign = (e) => e.target.closest('.sign[data-code]');
      box.addEventListener('pointerover', (e) => { if (e.pointerType === 'mouse') { this.lookSoon(sign(e), HOVERS_MS); } });
      box.addEventListener('pointerdown', (e) => {
        this.looked = false;
        if (e.pointerType !== 'mouse') { this.lookSoon(sign(e), PRESSED_MS, true); }
      });
      for (const end of ['pointerup', 'pointercancel', 'pointerleave']) { box.addEventListener(end, () => this.lookAway()); }
      box.addEventListener('contextmenu', (e) => { if (this.pictured) { e.preventDefault(); } });
    },
    lookSoon(button, ms, pressed) {
      window.clearTimeout(this.lookTimer);
      if (!button) { this.lookAway(); return; }
      this.lookTimer = window.setTimeout(() => this.look(button, pressed), ms);
    },
    look(button, pressed) {
      const picture = this.$root.querySelector('.sign-store [data-sign="' + button.dataset.code + '"] svg');
      if (!picture) { this.lookAway(); return; }
      this.$root.querySelector('.sign-card .drawn').replaceChildren(picture.cloneNode(true));
      this.pictureName = button.querySelector('.label').textContent;
      this.pictured = button.dataset.code;
      this.looked = pressed === true;
    },
    lookAway() {
      window.clearTimeout(this.lookTimer);
      this.pictured = '';
    },
    hasPicture() { return this.pictured !== ''; },
    /** A press that only looked tells nothing. */
    onlyLooked() {
      const only = this.looked;
      this.looked = false;
      return only;
    },
  };
})();
