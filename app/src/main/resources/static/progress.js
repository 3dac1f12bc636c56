'use strict';
// The forecast comes after the page: a thousand runs take a moment. What-if switches play it again.
(() => {
  const place = document.getElementById('forecast');
  if (!place) { return; }
  const on = new Set();

  async function play() {
    place.setAttribute('aria-busy', 'true');
    try {
      const answer = await fetch(place.dataset.from + '?' + new URLSearchParams([...on].map((c) => ['otherwise', c])), { headers: { 'X-Requested-With': 'fetch' } });
      if (!answer.ok || answer.redirected) { throw new Error('no forecast'); }
      place.innerHTML = await answer.text();
    } catch (lost) {
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
