'use strict';
document.addEventListener('alpine:init', () => {
  // One tick, one save; the outcome beside it follows.
  Alpine.data('ask', () => ({
    busy: false,
    state: '',

    /** On a past visit an answer changes only with a reason. */
    fields(box) {
      const why = document.getElementById('past-why');
      return Object.assign({ code: box.value, yes: box.checked }, why ? { why: why.value } : {});
    },

    async tick() {
      const box = this.$event.target;
      if (box.type !== 'checkbox') { return; }
      this.state = fern.text('saving');
      try {
        const answer = await fern.post(this.$root.dataset.url, this.fields(box));
        if (answer.redirected || !answer.ok) { throw new Error('not saved'); }
        document.getElementById('outcome').innerHTML = await answer.text();
        this.state = fern.text('saved');
        const correction = document.querySelector('[data-corrects]');
        if (document.querySelector('[data-past-problem]')) { box.checked = !box.checked; }
        if (document.querySelector('[data-stays="' + box.value + '"]')) { box.checked = true; }
        if (correction) { correction.querySelector('input[name="reason"]').focus(); }
      } catch (lost) {
        box.checked = !box.checked;
        this.state = fern.text('notSavedTickAgain');
      }
    },
  }));
});
