'use strict';
// Filters as somebody types and follows what changes; the newest answer wins.
(() => {
  const form = document.getElementById('find');
  const place = document.getElementById('rows');
  let asked = 0;

  async function find() {
    const mine = ++asked;
    const q = form.elements.q.value;
    const answer = await fetch('/board/rows?' + new URLSearchParams({ q }), { headers: { 'X-Requested-With': 'fetch' } }).catch(() => null);
    if (!answer || mine !== asked) { return; }
    if (answer.redirected || answer.status === 401) { window.location.reload(); return; }
    if (answer.ok) {
      place.innerHTML = await answer.text();
      window.history.replaceState(null, '', q ? '/?' + new URLSearchParams({ q }) : '/');
    }
  }

  // Something was written, here or at home: the rows are read anew. After a break in between they are, too.
  if (window.EventSource) {
    const changes = new EventSource('/board/changes');
    let broken = false;
    changes.addEventListener('changed', find);
    changes.addEventListener('open', () => { if (broken) { find(); } broken = false; });
    changes.addEventListener('error', () => { broken = true; });
    window.addEventListener('pagehide', () => changes.close());
  }

  form.addEventListener('input', find);
  form.addEventListener('submit', (event) => { event.preventDefault(); find(); });
})();
