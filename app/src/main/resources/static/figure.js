'use strict';
// Figures that move: every area and line carries its points at even steps; between two steps they are joined straight.
window.fernFigure = (() => {
  const known = new WeakMap();

  /** Tenths: the first frame says how far each number is from the one two before, every other what has changed. */
  function frames(data) {
    let before = null;
    return data.split(';').map((frame) => {
      const now = [];
      frame.split(' ').forEach((step, i) => { now.push(Number(step) + (before ? before[i] : now[i - 2] || 0)); });
      before = now;
      return now;
    }).map((frame) => frame.map((value) => value / 10));
  }

  function paths(svg) {
    if (!known.has(svg)) {
      known.set(svg, Array.from(svg.querySelectorAll('path[data-frames]')).map((path) => ({
        path,
        corners: Number(path.dataset.corners) || 0,
        frames: frames(path.dataset.frames),
      })));
    }
    return known.get(svg);
  }

  /** An open line, or closed pieces of so many corners each. */
  function d(points, corners) {
    if (!corners) { return 'M' + points.join(' ') + (points.length === 2 ? 'h.1' : ''); }
    let all = '';
    for (let at = 0; at < points.length; at += 2 * corners) { all += 'M' + points.slice(at, at + 2 * corners).join(' ') + 'Z'; }
    return all;
  }

  /** Shows the figure at a share, 0 to 1, of its way. */
  function show(svg, share) {
    for (const { path, corners, frames } of paths(svg)) {
      path.setAttribute('d', d(moment(frames, share).map((value) => Math.round(10 * value) / 10), corners));
    }
  }

  /** One moment of a movement, between two of those that are known. */
  function moment(frames, share) {
    const at = Math.max(0, Math.min(1, share)) * (frames.length - 1);
    const low = Math.min(Math.floor(at), frames.length - 2);
    const part = at - low;
    return frames[low].map((value, i) => value + part * (frames[low + 1][i] - value));
  }

  const added = new WeakMap();

  /** What changes each path, by name: read once. */
  function changesOf(svg, changes) {
    if (!added.has(svg)) {
      added.set(svg, Object.entries(changes).map(([name, all]) => [name, all.map((data) => (data ? frames(data) : null))]));
    }
    return added.get(svg);
  }

  /** As show; on top of it so much of each named change, 0 to 1. */
  function showChanged(svg, share, changes, amounts) {
    const all = changesOf(svg, changes);
    paths(svg).forEach(({ path, corners, frames: own }, n) => {
      const points = moment(own, share);
      for (const [name, by] of all) {
        const amount = amounts[name] || 0;
        if (amount && by[n]) { moment(by[n], share).forEach((value, i) => { points[i] += amount * value; }); }
      }
      path.setAttribute('d', d(points.map((value) => Math.round(10 * value) / 10), corners));
    });
  }

  /** How far along its way a repetition is after so many seconds. */
  function shareAt(second, lift, back, rest) {
    const at = second % (lift + back + rest);
    if (at < lift) { return at / lift; }
    return at < lift + back ? 1 - (at - lift) / back : 0;
  }

  /** Plays at the tempo of the rung; stands still at the end where motion is not wanted. */
  function play(box) {
    const svg = box.querySelector('svg');
    if (!svg || window.matchMedia('(prefers-reduced-motion: reduce)').matches) { return; }
    const { lift, return: back, rest } = box.dataset;
    const step = (time) => {
      if (!box.isConnected) { return; }
      show(svg, shareAt(time / 1000, Number(lift) || 1, Number(back) || 1, Number(rest) || 0));
      window.requestAnimationFrame(step);
    };
    window.requestAnimationFrame(step);
  }

  document.addEventListener('DOMContentLoaded', () => document.querySelectorAll('.figure-play').forEach(play));
  return { show, showChanged, d };
})();
