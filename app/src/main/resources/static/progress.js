'use strict';
// The forecast comes after the page: a thousand runs take a moment.
(async () => {
  const place = document.getElementById('forecast');
  if (!place) { return; }
  try {
    const answer = await fetch(place.dataset.from, { headers: { 'X-Requested-With': 'fetch' } });
    if (!answer.ok || answer.redirected) { throw new Error('no forecast'); }
    place.innerHTML = await answer.text();
  } catch (lost) {
    place.innerHTML = '<p class="note note-warn mb-0">The forecast could not be made just now. <a href="">Try again</a>.</p>';
  }
})();
