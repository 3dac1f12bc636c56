'use strict';
// Filters as somebody types and follows what changes; the newest answer wins.
(() => {
  const form = document.getElementById('find');
  const place = document.getElementById('rows');
  let asked = 0;

  /** Read anew because something changed, the board stays as long as it was. */
  async function again() {
    const show = new URLSearchParams(window.location.search).get('show');
    await ask(show ? { q: form.elements.q.value, show } : { q: form.elements.q.value }, 'poll');
  }

  async function find() {
    const q = form.elements.q.value;
    if (await ask({ q }, 'fetch')) { window.history.replaceState(null, '', q ? '/?' + new URLSearchParams({ q }) : '/'); }
  }

  /** @param by 'poll' when nobody asked for it: that keeps no sign-in alive */
  async function ask(fields, by) {
    const mine = ++asked;
    const answer = await fetch('/board/rows?' + new URLSearchParams(fields), { headers: { 'X-Requested-With': by } }).catch(() => null);
    if (!answer) { return false; }
    if (mine !== asked) {
      answer.body?.cancel();
      return false;
    }
    if (answer.redirected || answer.status === 401) { window.location.reload(); return false; }
    if (!answer.ok) { return false; }
    const rows = await answer.text();
    await fern.handUp();
    if (mine !== asked) { return false; }
    place.innerHTML = rows;
    return true;
  }

  // Something was written, here or at home: the rows are read anew. After a break in between they are, too.
  if (window.EventSource) {
    const changes = new EventSource('/board/changes');
    let broken = false;
    changes.addEventListener('changed', again);
    changes.addEventListener('open', () => { if (broken) { again(); } broken = false; });
    changes.addEventListener('error', () => { broken = true; });
    window.addEventListener('pagehide', () => changes.close());
  }

  form.addEventListener('input', find);
  form.addEventListener('submit', (event) => { event.preventDefault(); find(); });
})();
