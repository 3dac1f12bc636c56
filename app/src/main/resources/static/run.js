'use strict';
document.addEventListener('alpine:init', () => {
  // The mat-side runner. The server derives everything from the log; this shows it, paces the breath and sends events.
  Alpine.data('runner', () => ({
    s: null,
    queue: [],
    busy: false,
    offline: false,
    severity: 'CLEAR',
    panel: '',
    overrideReason: fern.text('myJudgement'),
    phaseText: '',
    phaseLeft: '',
    out: false,
    startedAt: 0,
    holdSecond: null,
    still: window.matchMedia('(prefers-reduced-motion: reduce)').matches,

    async init() {
      this.key = 'unsent:' + window.location.pathname;
      this.queue = JSON.parse(localStorage.getItem(this.key) || '[]');
      await this.load();
      window.requestAnimationFrame((t) => this.pace(t));
    },

    async load() {
      try {
        const answer = await fetch(this.$root.dataset.url + '/state');
        this.show(await answer.json());
      } catch (lost) {
        this.offline = true;
        window.setTimeout(() => this.load(), 2000);
        return;
      }
      this.send();
    },

    show(state) {
      const before = this.item();
      this.s = state;
      const now = this.item();
      if (now && (!before || before.figure !== now.figure)) { this.loadFigure(now.figure); }
      if (!before || !now || before.rung !== now.rung || before.side !== now.side || before.rep !== now.rep) { this.startedAt = 0; }
    },

    /** The figure of the rung in hand, at its range; without a connection the last one stays. */
    async loadFigure(url) {
      try {
        const answer = await fetch(url);
        if (answer.ok && !answer.redirected) { this.$root.querySelector('.run-figure').innerHTML = await answer.text(); }
      } catch (lost) { /* the count and the breath go on without it */ }
    },

    ready() { return this.s !== null; },
    item() { return this.s && this.s.at < this.s.items.length ? this.s.items[this.s.at] : null; },
    field(name) { const i = this.item(); return i && i[name] ? i[name] : ''; },
    list(name) { const i = this.item(); return i ? i[name] : []; },
    phase() { return this.s ? this.s.phase : ''; },
    working() { return this.phase() === 'WORK' || this.phase() === 'REST'; },
    asking() { return this.phase() === 'EFFORT'; },
    finished() { return this.phase() === 'FINISHED'; },
    locked() { return this.phase() === 'LOCKED'; },
    advice() { return this.s ? this.s.advice : null; },
    adviceText(name) { return this.advice() && this.advice()[name] ? this.advice()[name] : ''; },
    hasAdvice() { return this.advice() !== null; },
    noAdvice() { return !this.hasAdvice(); },
    adviceClass() {
      const move = this.adviceText('move');
      return {
        quiet: !move,
        stop: ['STEP_BACK', 'END_EXERCISE', 'END_SESSION', 'REFER_NOW'].includes(move),
        ease: ['EASE', 'EASE_ONE_SIDE', 'CUE', 'END_SET'].includes(move),
      };
    },
    count() { const i = this.item(); return i ? i.rep : ''; },
    ofTarget() {
      const i = this.item();
      return i ? fern.text(i.breaths ? 'ofBreaths' : 'ofReps', i.target, i.set, i.sets) : '';
    },
    primaryText() {
      if (this.phase() === 'REST') { return fern.text('nextSet'); }
      const i = this.item();
      return fern.text(i && i.breaths ? 'breathDone' : 'repDone');
    },
    range() {
      const i = this.item();
      if (!i || !i.heelHeight) { return ''; }
      return fern.text('rangeEstimate', i.rangePct, i.heelHeight);
    },
    next() {
      if (!this.s) { return ''; }
      const next = this.s.items.slice(this.s.at + 1).find((i) => i.state === 'open');
      return next ? fern.text('nextExercise', next.rung + ' ' + next.name + (next.side ? ', ' + next.side : '')) : fern.text('lastExercise');
    },
    unsent() { return this.queue.length; },
    isPanel(name) { return this.panel === name; },
    open(name) { this.panel = this.panel === name ? '' : name; },
    openOverride() { this.open('override'); },
    openPain() { this.open('pain'); },
    openEmergency() { this.open('emergency'); },
    close() { this.panel = ''; },
    clear() { this.severity = 'CLEAR'; },
    slight() { this.severity = 'SLIGHT'; },
    isClear() { return this.severity === 'CLEAR'; },
    isSlight() { return this.severity === 'SLIGHT'; },
    canOverride() { return this.hasAdvice() && !this.adviceText('overridden') && this.adviceText('move') !== 'REFER_NOW'; },

    primary() { this.report({ kind: this.phase() === 'REST' ? 'NEXT_SET' : 'REP' }); },
    undo() { this.report({ kind: 'UNDO' }); },
    skip() { this.report({ kind: 'SKIP' }); },
    finish() { this.report({ kind: 'FINISH' }); },
    effort(n) { this.report({ kind: 'EFFORT', value: n }); },
    effortThis() { this.effort(Number(this.$event.currentTarget.dataset.n)); },

    sign(code) {
      if (code === 'PAIN') { this.openPain(); return; }
      if (code === 'SET_LOST') { this.open('set'); return; }
      this.report({ kind: 'SIGN', sign: code, severity: this.severity });
    },
    signThis() { this.sign(this.$event.currentTarget.dataset.code); },
    painThis() { this.report({ kind: 'SIGN', sign: 'PAIN', severity: 'CLEAR', painLevel: Number(this.$event.currentTarget.dataset.n) }); },
    setBack() { this.report({ kind: 'SIGN', sign: 'SET_LOST', severity: this.severity, recoverable: true }); },
    setGone() { this.report({ kind: 'SIGN', sign: 'SET_LOST', severity: 'CLEAR', recoverable: false }); },
    emergencyThis() { this.report({ kind: 'SIGN', sign: this.$event.currentTarget.dataset.code, severity: 'CLEAR' }); },
    overrideThis() {
      this.report({ kind: 'OVERRIDE', refersTo: this.adviceText('signEventId'), move: this.$event.currentTarget.dataset.move, reason: this.overrideReason });
    },
    reasonThis() { this.overrideReason = this.$event.target.value; },

    report(event) {
      this.panel = '';
      const second = event.kind === 'SIGN' ? this.holdSecond : null;
      this.queue.push(Object.assign({ id: fern.uuid(), second }, event));
      localStorage.setItem(this.key, JSON.stringify(this.queue));
      this.severity = 'CLEAR';
      this.send();
    },

    async send() {
      if (this.busy) { return; }
      this.busy = true;
      while (this.queue.length) {
        try {
          const answer = await fern.postJson(this.$root.dataset.url + '/events', this.queue[0]);
          if (answer.redirected) { window.location.href = answer.url; return; }
          if (answer.status === 401 || answer.status === 403) { this.offline = true; fern.signInAgain(this.key); return; }
          if (answer.status >= 500) { throw new Error('the server could not take it'); }
          const body = await answer.json();
          fern.signedIn(this.key);
          this.queue.shift();
          localStorage.setItem(this.key, JSON.stringify(this.queue));
          this.offline = false;
          if (answer.ok) { this.show(body); }
        } catch (lost) {
          this.offline = true;
          window.setTimeout(() => { this.busy = false; this.send(); }, 2000);
          return;
        }
      }
      this.busy = false;
    },

    /** A pedal's PageDown and Space do the main thing; digits press the marks, or give the effort when it is asked. */
    press() {
      const e = this.$event;
      if (e.ctrlKey || e.metaKey || e.altKey || ['INPUT', 'SELECT', 'TEXTAREA'].includes(e.target.tagName) || !this.s) { return; }
      const letters = { u: () => this.undo(), o: () => this.openOverride(), s: () => this.slight(), c: () => this.clear(), Escape: () => this.close(), ArrowLeft: () => this.undo(), PageUp: () => this.undo(), ArrowRight: () => this.skip() };
      if (e.key === ' ' || e.key === 'PageDown') {
        if (this.working()) { this.primary(); }
      } else if (/^[0-9]$/.test(e.key)) {
        this.digit(Number(e.key));
      } else if (letters[e.key]) {
        letters[e.key]();
      } else {
        return;
      }
      e.preventDefault();
    },

    digit(n) {
      if (this.asking()) { this.effort(n); return; }
      if (this.panel === 'pain') { this.report({ kind: 'SIGN', sign: 'PAIN', severity: 'CLEAR', painLevel: n }); return; }
      if (!this.working()) { return; }
      const mark = this.list('signs').find((x) => x.key === String(n));
      if (mark) { this.sign(mark.code); }
    },

    /** Where in the repetition the breath is; the ball grows on the in-breath and shrinks on the out-breath. */
    pace(time) {
      const i = this.item();
      if (i && this.phase() === 'WORK' && i.phases.length) {
        if (!this.startedAt) { this.startedAt = time; }
        const total = i.phases.reduce((sum, p) => sum + p.seconds, 0);
        let at = ((time - this.startedAt) / 1000) % total;
        const p = i.phases.find((x) => { if (at < x.seconds) { return true; } at -= x.seconds; return false; });
        if (p) { this.drawBreath(p, at); }
      }
      window.requestAnimationFrame((t) => this.pace(t));
    },

    drawBreath(p, at) {
      const share = at / p.seconds;
      const words = { OUT: fern.text('breatheOut'), IN: fern.text('breatheIn'), RUNS_ON: fern.text('breathRunsOn') };
      const same = p.part.startsWith('BREATHE');
      this.phaseText = same ? p.text : p.text + ' · ' + words[p.breath].toLowerCase();
      this.phaseLeft = String(Math.floor(at) + 1);
      this.out = p.breath === 'OUT';
      this.holdSecond = p.part === 'HOLD' ? Math.floor(at) : null;
      const figure = this.$root.querySelector('.run-figure svg');
      if (figure && !this.still) {
        const way = { LIFT: share, HOLD: 1, RETURN: 1 - share, REST: 0, BREATHE_IN: share, BREATHE_OUT: 1 - share };
        window.fernFigure.show(figure, way[p.part]);
      }
      const ball = this.$root.querySelector('.breath .ball');
      if (!ball) { return; }
      const wave = p.breath === 'OUT' ? 1 - share : p.breath === 'IN' ? share : 0.5;
      ball.setAttribute('r', String(this.still ? 60 : 38 + 44 * wave));
    },
  }));
});
