'use strict';
// The trace lab: a file that is on its way can be watched and stopped, and a repetition is played on the figure.
document.addEventListener('DOMContentLoaded', () => {
  const form = document.getElementById('trace-upload');
  if (form) { upload(form); }
  const figure = document.querySelector('.trace-figure');
  if (figure) { replay(figure); }
  for (const button of document.querySelectorAll('[data-replay]')) {
    button.addEventListener('click', () => {
      for (const line of document.querySelectorAll('.overlay .line')) { line.classList.toggle('shown', line.dataset.rep === button.dataset.replay); }
      for (const other of document.querySelectorAll('[data-replay]')) { other.setAttribute('aria-pressed', String(other === button)); }
    });
  }

  function upload(form) {
    const box = document.getElementById('upload-progress');
    const bar = box.querySelector('progress');
    form.addEventListener('submit', (e) => {
      e.preventDefault();
      const send = new XMLHttpRequest();
      box.hidden = false;
      box.querySelector('button').onclick = () => { send.abort(); box.hidden = true; };
      send.upload.addEventListener('progress', (p) => { bar.value = p.lengthComputable ? 100 * p.loaded / p.total : 0; });
      send.addEventListener('load', () => {
        box.hidden = true;
        const told = (send.getResponseHeader('content-type') || '').startsWith('application/json') ? JSON.parse(send.responseText) : {};
        if (told.page) { window.location.assign(told.page); return; }
        problem(form, told.problem || fern.text(send.status === 413 ? 'fileTooLarge' : 'fileNotTaken'));
      });
      send.addEventListener('error', () => { box.hidden = true; problem(form, fern.text('fileNotTaken')); });
      send.open('POST', form.action);
      send.setRequestHeader('X-CSRF-TOKEN', fern.token());
      send.setRequestHeader('X-Requested-With', 'fetch');
      send.send(new FormData(form));
    });
  }

  function problem(form, text) {
    let place = form.querySelector('.field-problem');
    if (!place) {
      place = document.createElement('p');
      place.className = 'field-problem';
      place.setAttribute('role', 'alert');
      form.insertBefore(place, form.querySelector('#upload-progress'));
    }
    place.textContent = text;
  }

  async function replay(box) {
    const answer = await fetch(box.dataset.figure);
    if (!answer.ok || answer.redirected) { return; }
    box.innerHTML = await answer.text();
    let run = 0;
    for (const button of document.querySelectorAll('[data-replay]')) {
      button.addEventListener('click', () => {
        run += 1;
        const mine = run;
        const lasts = Number(button.dataset.lasts);
        const began = performance.now();
        const step = () => {
          const share = (performance.now() - began) / 1000 / lasts;
          if (mine !== run || share > 1) { return; }
          // up in the first two fifths of what she took, down in the last two
          window.fernFigure.show(box.querySelector('svg'), Math.max(0, Math.min(1, share / 0.4, (1 - share) / 0.4)));
          window.requestAnimationFrame(step);
        };
        step();
      });
    }
  }
});
