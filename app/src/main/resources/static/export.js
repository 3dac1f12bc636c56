'use strict';
// The whole house as a folder: its files are counted as they come, so that there is a bar, and it can be broken off.
document.addEventListener('DOMContentLoaded', () => {
  const box = document.getElementById('house-export');
  if (!box) { return; }
  const start = box.querySelector('.start');
  const stop = box.querySelector('.stop');
  const bar = box.querySelector('progress');
  const words = box.querySelector('.moved');
  // how each file in a zip begins
  const BEGINS = [0x50, 0x4b, 0x03, 0x04];

  const counter = () => {
    let met = 0;
    let files = 0;
    return (bytes) => {
      for (const byte of bytes) {
        if (byte === BEGINS[met]) { met += 1; } else { met = byte === BEGINS[0] ? 1 : 0; }
        if (met === BEGINS.length) { files += 1; met = 0; }
      }
      return files;
    };
  };

  const save = (parts) => {
    const link = document.createElement('a');
    link.href = URL.createObjectURL(new Blob(parts, { type: 'application/zip' }));
    link.download = 'house.zip';
    link.click();
    setTimeout(() => URL.revokeObjectURL(link.href), 60000);
  };

  const moving = (is) => {
    start.hidden = is;
    stop.hidden = !is;
    bar.hidden = !is;
    box.setAttribute('aria-busy', String(is));
  };

  const takeOut = async (signal) => {
    const answer = await fetch(start.href, { signal });
    if (answer.status === 409) { return fern.text('exportRuns'); }
    if (!answer.ok || !answer.headers.get('Content-Type').includes('zip')) { return fern.text('exportFailed'); }
    const all = Number(answer.headers.get('X-Clients'));
    const count = counter();
    const parts = [];
    const reader = answer.body.getReader();
    bar.max = all;
    for (let part = await reader.read(); !part.done; part = await reader.read()) {
      parts.push(part.value);
      bar.value = Math.min(all, count(part.value));
      words.textContent = fern.text('clientsOf', bar.value, all);
    }
    // the list of clients comes last
    if (count([]) !== all + 1) { return fern.text('exportFailed'); }
    save(parts);
    return fern.text('exported', all);
  };

  start.addEventListener('click', async (press) => {
    press.preventDefault();
    const control = new AbortController();
    stop.onclick = () => control.abort();
    moving(true);
    stop.focus();
    try {
      words.textContent = await takeOut(control.signal);
    } catch {
      words.textContent = fern.text(control.signal.aborted ? 'exportStopped' : 'exportFailed');
    }
    moving(false);
    start.focus();
  });
});
