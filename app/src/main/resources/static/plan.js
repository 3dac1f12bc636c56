'use strict';
// The plan desk: every button is a change; the server answers with the desk drawn anew. Rows are dragged, or moved with Alt and the arrow keys.
(() => {
  const desk = document.getElementById('desk');
  let waiting = Promise.resolve(true);
  let pending = 0;

  /** One after the other: a second press while the first is under way is not lost. */
  function change(value) {
    pending += 1;
    waiting = waiting.then(() => take(value)).finally(() => { pending -= 1; });
    return waiting;
  }

  // "Use this plan and run" right after a press means the plan with it.
  fern.goOnOnceSaved(() => pending > 0, () => waiting, desk);

  async function take(value) {
    desk.setAttribute('aria-busy', 'true');
    const focused = document.activeElement?.getAttribute('aria-label');
    const row = document.activeElement?.closest('.plan-row')?.dataset.strand;
    const open = openDetails();
    try {
      const answer = await fern.post(desk.querySelector('form').action, { change: value, day: desk.querySelector('[name=day]').value, item: inHand() });
      if (answer.redirected || answer.status === 401 || answer.status === 403) { window.location.reload(); return false; }
      if (!answer.ok) { throw new Error('refused'); }
      const drawn = await answer.text();
      await fern.handUp();
      desk.innerHTML = drawn;
      document.getElementById('used')?.remove();
      runsTheDayShown();
      reopen(open);
      if (row) { desk.querySelector(`.plan-row[data-strand=${row}] a`)?.focus(); }
      if (focused) { desk.querySelector(`[aria-label="${CSS.escape(focused)}"]`)?.focus(); }
      return true;
    } catch (lost) {
      const note = document.createElement('p');
      note.className = 'note note-stop';
      note.setAttribute('role', 'alert');
      note.textContent = fern.text('notTaken');
      desk.prepend(note);
      return false;
    } finally {
      desk.removeAttribute('aria-busy');
    }
  }

  function inHand() { return desk.querySelector('[name=item]')?.value ?? ''; }

  /** Shows the cards of a row beside the list; on a phone they are below it. */
  function takeUp(strand) {
    desk.querySelector('[name=item]').value = strand;
    desk.querySelectorAll('.plan-row').forEach((row) => {
      const mine = row.dataset.strand === strand;
      row.classList.toggle('in-hand', mine);
      if (mine) { row.querySelector('a').setAttribute('aria-current', 'true'); } else { row.querySelector('a').removeAttribute('aria-current'); }
    });
    desk.querySelectorAll('.plan-strand').forEach((cards) => { cards.hidden = cards.dataset.strand !== strand; });
    const editor = document.getElementById('plan-editor');
    if (editor.getBoundingClientRect().top > window.innerHeight - 120) { editor.scrollIntoView({ block: 'start' }); }
  }

  desk.addEventListener('click', (event) => {
    const link = event.target.closest('.plan-row a');
    if (!link || event.ctrlKey || event.metaKey) { return; }
    event.preventDefault();
    takeUp(link.closest('.plan-row').dataset.strand);
  });

  /** The button on top stands outside the desk: after a change there may be two sessions where one was, or one. */
  function runsTheDayShown() {
    const day = desk.querySelector('[name=day]');
    const run = document.getElementById('run');
    if (run) {
      run.textContent = day.dataset.run;
      document.getElementById('runDay').value = day.value;
    }
  }

  function openDetails() {
    return Array.from(desk.querySelectorAll('details')).map((d, i) => (d.open ? i : -1)).filter((i) => i >= 0);
  }

  function reopen(open) {
    const all = desk.querySelectorAll('details');
    open.forEach((i) => { if (all[i]) { all[i].open = true; } });
  }

  function strands() {
    return [...new Set(Array.from(desk.querySelectorAll('.plan-row'), (row) => row.dataset.strand))];
  }

  function move(strand, before) {
    const order = strands().filter((s) => s !== strand);
    order.splice(before === null ? order.length : order.indexOf(before), 0, strand);
    if (order.join() !== strands().join()) { change('ORDER|||' + order.join(',')); }
  }

  desk.addEventListener('submit', (event) => {
    if (!event.submitter) { return; }
    event.preventDefault();
    change(event.submitter.value);
  });

  desk.addEventListener('keydown', (event) => {
    const card = event.target.closest('.plan-row');
    if (!card || !event.altKey || !['ArrowUp', 'ArrowDown'].includes(event.key)) { return; }
    event.preventDefault();
    const order = strands();
    const at = order.indexOf(card.dataset.strand) + (event.key === 'ArrowUp' ? -1 : 2);
    if (at >= 0) { move(card.dataset.strand, order[at] ?? null); }
  });

  let dragged = null;
  desk.addEventListener('dragstart', (event) => {
    dragged = event.target.closest('.plan-row')?.dataset.strand ?? null;
    event.dataTransfer.effectAllowed = 'move';
  });
  desk.addEventListener('dragover', (event) => { if (dragged) { event.preventDefault(); } });
  // Wherever it is let go, it goes before the first row whose middle lies below: the bar on top may cover one.
  desk.addEventListener('drop', (event) => {
    if (!dragged) { return; }
    event.preventDefault();
    const below = Array.from(desk.querySelectorAll('.plan-row')).find((card) => {
      const box = card.getBoundingClientRect();
      return card.dataset.strand !== dragged && box.top + box.height / 2 > event.clientY;
    });
    move(dragged, below ? below.dataset.strand : null);
    dragged = null;
  });
})();
