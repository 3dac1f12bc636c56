'use strict';
// A table that is being written or taken back: its bar follows, and the page comes anew when it is done.
document.addEventListener('DOMContentLoaded', () => {
  const box = document.getElementById('table-moves');
  if (!box) { return; }
  const bar = box.querySelector('progress');
  const words = box.querySelector('.moved');
  const every = 400;
  const look = async () => {
    try {
      const answer = await fetch('/house/import/table/progress?form=' + box.dataset.form, {
        headers: { Accept: 'application/json', 'X-Requested-With': 'poll' },
      });
      const told = await answer.json();
      if (!told.moving) { window.location.replace('/house/import/table?form=' + box.dataset.form); return; }
      bar.max = told.all;
      bar.value = told.done;
      words.textContent = fern.text('rowsOf', told.done, told.all);
    } catch {
      // asked again in a moment
    }
    setTimeout(look, every);
  };
  setTimeout(look, every);
});
