'use strict';
// Where it hurts, pressed on the drawing or on the list beside it; a second press takes it back.
window.fernBodyChart = {
  painAt: { place: '', side: '', key: '' },

  isPlace() { return this.painAt.key === this.$el.dataset.key; },
  spotClass() { return { pressed: this.painAt.key === this.$el.dataset.key }; },
  placeThis() {
    const { place, side, key } = this.$event.currentTarget.dataset;
    if (this.painAt.key === key) { this.forgetPlace(); } else { this.painAt = { place, side: side || '', key }; }
  },
  forgetPlace() { this.painAt = { place: '', side: '', key: '' }; },
};
