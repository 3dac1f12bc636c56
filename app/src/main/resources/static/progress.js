'use strict';
// The forecast comes after the page: a thousand runs take a moment. What-if switches play it again.
(() => {
  const place = document.getElementById('forecast');
  if (!place) { return; }
  const on = new Set();
  let asked = 0;

  /** The newest question wins, however late an older answer comes. */
  async function play() {
    const mine = ++asked;
    place.setAttribute('aria-busy', 'true');
    try {
      const answer = await fetch(place.dataset.from + '?' + new URLSearchParams([...on].map((c) => ['otherwise', c])), { headers: { 'X-Requested-With': 'fetch' } });
      if (!answer.ok || answer.redirected) { throw new Error('no forecast'); }
      const drawn = await answer.text();
      await fern.handUp();
      if (mine !== asked) { return; }
      place.innerHTML = drawn;
    } catch (lost) {
      if (mine !== asked) { return; }
      const note = document.createElement('p');
      note.className = 'note note-warn mb-0';
      const again = document.createElement('a');
      again.href = '';
      again.textContent = fern.text('tryAgain');
      note.append(fern.text('forecastNotMade') + ' ', again);
      place.replaceChildren(note);
    }
    place.removeAttribute('aria-busy');
  }

  place.addEventListener('click', async (event) => {
    const button = event.target.closest('[data-otherwise]');
    if (!button) { return; }
    const change = button.dataset.change;
    if (!on.delete(change)) { on.add(change); }
    await play();
    place.querySelector(`[data-change="${change}"]`)?.focus();
  });

  play();
})();
