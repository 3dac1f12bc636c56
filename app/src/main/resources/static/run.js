'use strict';
document.addEventListener('alpine:init', () => {
  const WANTED_EFFORT = 3;
  const GUARD_MS = 500;
  const STOPS = ['STEP_BACK', 'END_EXERCISE', 'END_SESSION', 'REFER_NOW'];
  const EASES = ['EASE', 'EASE_ONE_SIDE', 'CUE', 'END_SET'];

  // The mat-side runner. The server derives everything from the log; the page shows that and, on top of it, what it has not
  // sent yet, so that nothing waits for a connection and nothing is lost without one.
  Alpine.data('runner', () => ({
    ...fernRunWire,
    ...fernRunDevice,
    ...fernRunBreath,
    ...fernRunKeys,
    ...fernRunSigns,
    ...fernBodyChart,

    base: null,
    s: null,
    queue: [],
    setAside: [],
    offlineReady: false,
    answers: {},
    tried: {},
    past: [],
    sending: false,
    waitMs: 500,
    offline: false,
    signedOut: false,
    notice: '',
    panel: '',
    nextSide: '',
    painIsSharp: false,
    touched: false,
    effortReady: false,
    paused: false,
    byTempo: localStorage.getItem('run.byTempo') === 'yes',
    sound: localStorage.getItem('run.sound') === 'yes',
    vibrates: localStorage.getItem('run.vibrates') === 'yes',
    why: null,
    phaseText: '',
    phaseLeft: '',
    part: '',
    out: false,
    startedAt: 0,
    liftAt: 0,
    strips: null,
    traceState: '',
    traceProblems: [],
    judged: null,
    code: '',
    holdSecond: null,
    restUntil: 0,
    restLeft: '',
    still: window.matchMedia('(prefers-reduced-motion: reduce)').matches,

    async init() {
      this.url = this.$root.dataset.url;
      this.session = this.url.split('/').pop();
      this.staff = Number(document.querySelector('meta[name="staff"]').content);
      const stored = await fernUnsent.of(this.session, this.staff);
      this.setAside = stored.filter((r) => r.aside).map((r) => r.aside);
      this.queue = stored.filter((r) => !r.aside);
      await this.load();
      window.addEventListener('online', () => { this.waitMs = 500; this.send(); });
      this.watchSigns();
      window.requestAnimationFrame((t) => this.pace(t));
      this.goOnAsking();
      if (sessionStorage.getItem('run.trace') === this.session) { this.watchDevice(); }
    },

    take(state) {
      this.base = state;
      this.showAhead();
      if (!this.offline) {
        if (!this.keeping) { this.keepForOffline(state); }
        this.tried = {};
        fernUnsent.keepState(this.url, state);
        if (state.phase === 'FINISHED' && !this.queue.length) { window.location.reload(); return; }
      }
      this.lookAhead();
    },

    /** What the server said last, and on top of it what has not been sent. */
    showAhead() {
      let now = this.base;
      for (const { event } of this.queue) { now = fernAhead.apply(now, event, this.answers); }
      this.show(now);
    },

    /** From the first opening on: the page, the state, the figures and the answers to all that could be seen. */
    keepForOffline(state) {
      this.keeping = true;
      const open = state.items.map((i, at) => [i, at]).filter(([i]) => i.state === 'open');
      const more = [this.url + '/state', ...open.flatMap(([i]) => [i.figure, this.picturesOf(i.figure)]), ...open.map(([, at]) => this.url + '/answers?at=' + at)];
      fernKeep.keep('/sw.js', '', more).then((kept) => { this.offlineReady = kept; });
    },

    show(state) {
      const before = this.item();
      const was = this.phase();
      this.s = state;
      const now = this.item();
      if (now && (!before || before.figure !== now.figure)) {
        this.loadFigure(now.figure);
        this.loadPictures(now.figure);
      }
      const anew = !before || !now || before.rung !== now.rung || before.side !== now.side || before.rep !== now.rep || before.set !== now.set;
      if (anew) { this.startedAt = 0; }
      if (!before || !now || before.rung !== now.rung || before.side !== now.side || before.set !== now.set) { this.touched = false; }
      if (was !== this.phase()) {
        if (this.phase() === 'EFFORT') { this.guard(); }
        if (this.phase() === 'REST') { this.restUntil = performance.now() + 1000 * Number(this.$root.dataset.rest); }
        this.signal();
      }
      this.markSigns();
    },

    /** Same place, same key, always; only the marks on them change. */
    markSigns() {
      const i = this.item();
      for (const button of this.$root.querySelectorAll('.sign[data-code]')) {
        const code = button.dataset.code;
        const seen = this.s.seen.find((x) => x.code === code);
        button.classList.toggle('likely', Boolean(i && i.watch.includes(code)));
        button.classList.toggle('before', Boolean(i && i.history.includes(code)));
        button.classList.toggle('seen', Boolean(seen));
        button.classList.toggle('slight', Boolean(seen && seen.severity === 'SLIGHT'));
        button.disabled = Boolean(i && i.idle.includes(code));
      }
      for (const button of this.$root.querySelectorAll('.efforts-box [data-n]')) {
        button.classList.toggle('wanted', !this.touched && Number(button.dataset.n) === WANTED_EFFORT);
      }
    },

    item() { return this.s && this.s.at < this.s.items.length ? this.s.items[this.s.at] : null; },
    field(name) { const i = this.item(); return i && i[name] ? i[name] : ''; },
    phase() { return this.s ? this.s.phase : ''; },
    working() { return ['WORK', 'REST', 'EFFORT', 'HELD'].includes(this.phase()); },
    counting() { return this.phase() !== 'EFFORT'; },
    resting() { return this.phase() === 'REST'; },
    asking() { return this.phase() === 'EFFORT'; },
    finished() { return this.phase() === 'FINISHED'; },
    locked() { return this.phase() === 'LOCKED'; },
    waits() { return this.phase() === 'WAITS'; },
    hasAside() { return this.setAside.length > 0; },
    asideText() { return this.setAside.join(' '); },
    advice() { return this.s ? this.s.advice : null; },
    adviceText(name) { return this.advice() && this.advice()[name] ? this.advice()[name] : ''; },
    hasAdvice() { return this.advice() !== null; },
    noAdvice() { return !this.hasAdvice(); },
    severityText() { return this.hasAdvice() ? fern.text(this.adviceText('severity') === 'SLIGHT' ? 'slight' : 'strong') : ''; },
    /** Also before the server has answered: whoever presses twice at once means slight. */
    canSoften() {
      const a = this.advice();
      return Boolean(a && (a.provisional || (a.rule && a.rule !== 'R1' && a.open)) && a.code !== 'PAIN' && a.code !== 'SET_LOST');
    },
    softenText() { return fern.text(this.adviceText('severity') === 'SLIGHT' ? 'itWasStrong' : 'itWasSlight'); },
    adviceClass() {
      const move = this.adviceText('move');
      return { quiet: !move, stop: STOPS.includes(move), ease: EASES.includes(move) };
    },
    count() { const i = this.item(); return i ? i.rep : ''; },
    ofTarget() {
      const i = this.item();
      return i ? fern.text(i.breaths ? 'ofBreaths' : 'ofReps', i.target, i.set, i.sets) : '';
    },
    primaryText() {
      if (this.paused) { return fern.text('goOn'); }
      if (this.phase() === 'REST') { return fern.text('nextSet'); }
      if (this.phase() === 'HELD') { return fern.text('stopped'); }
      if (this.asking()) { return this.touched ? fern.text('effortAsked') : fern.text('effortWanted', WANTED_EFFORT); }
      const i = this.item();
      return fern.text(i && i.breaths ? 'breathDone' : 'repDone');
    },
    /** Nothing for the pedal to do: a set was stopped, or the effort has to be told. */
    rests() { return !this.paused && (this.phase() === 'HELD' || (this.asking() && this.touched)); },
    range() {
      const i = this.item();
      return i && i.heelHeight ? fern.text('rangeEstimate', i.rangePct, i.heelHeight) : '';
    },
    eased() { const i = this.item(); return i && i.eased.length ? i.eased.join(' · ') : ''; },
    following() { return this.s ? this.s.items.slice(this.s.at + 1).find((i) => i.state === 'open') : null; },
    next() {
      const next = this.following();
      return next ? fern.text('nextExercise', next.name + (next.side ? ', ' + next.side : '')) : fern.text('lastExercise');
    },
    /** Said before she has to move. */
    position() {
      const i = this.item();
      if (!i) { return ''; }
      const next = this.following();
      if ((this.asking() || (this.resting() && i.set >= i.sets)) && next && next.position !== i.position) {
        return fern.text('thenPosition', next.position);
      }
      const before = this.s.items[this.s.at - 1];
      return i.rep === 0 && i.set === 1 && before && before.position !== i.position ? fern.text('nowPosition', i.position) : '';
    },
    unsent() { return this.queue.length; },
    waiting() { return this.queue.length > 0 && this.offline; },
    isPanel(name) { return this.panel === name; },
    noPanel() { return this.panel === '' && this.why === null; },
    open(name) { this.panel = this.panel === name ? '' : name; },
    openThis() { this.open(this.$event.currentTarget.dataset.panel); },
    close() { this.panel = ''; },
    closeWhy() { this.why = null; },
    hasWhy() { return this.why !== null; },
    rules() { return this.why ? this.why.rules.map((r) => Object.assign({ chosen: r.outcome === 'CHOSEN' }, r)) : []; },
    others() { return this.why ? this.why.others : []; },
    isLeft() { return this.nextSide === 'LEFT'; },
    isRight() { return this.nextSide === 'RIGHT'; },
    left() { this.nextSide = this.nextSide === 'LEFT' ? '' : 'LEFT'; },
    right() { this.nextSide = this.nextSide === 'RIGHT' ? '' : 'RIGHT'; },
    canOverride() { return Boolean(this.advice() && this.advice().open); },
    canRepeat() { return Boolean(this.s && this.s.canRepeat); },
    canSkip() { return Boolean(this.s && !this.s.stopped); },

    primary() {
      if (this.panel) { return; }
      if (this.paused) { this.pause(); return; }
      if (this.asking()) {
        if (!this.touched) { this.effort(WANTED_EFFORT); }
        return;
      }
      if (this.phase() === 'HELD' || !this.working()) { return; }
      if (this.phase() === 'WORK') { this.judge(this.item()); this.liftAt = 0; }
      this.report({ kind: this.phase() === 'REST' ? 'NEXT_SET' : 'REP', at: this.s.at });
    },
    undo() { this.touched = true; this.report({ kind: 'UNDO' }); },
    skipThis() { this.report({ kind: 'SKIP', skip: this.$event.currentTarget.dataset.code }); },
    repeatSet() { if (this.canRepeat()) { this.report({ kind: 'REPEAT_SET' }); } },
    addThis() { const d = this.$event.currentTarget.dataset; this.report({ kind: 'ADD', added: { rung: d.rung, side: d.side || null } }); },
    finish() { this.report({ kind: 'FINISH' }); },
    /** A digit that was meant as a sign must not become the effort: the question takes nothing for half a second. */
    guard() {
      this.effortReady = false;
      window.setTimeout(() => { this.effortReady = true; }, GUARD_MS);
    },
    effort(n) {
      if (!this.effortReady) { return; }
      this.report({ kind: 'EFFORT', value: n, at: this.s.at });
    },
    effortThis() { this.effort(Number(this.$event.currentTarget.dataset.n)); },
    pause() { this.paused = !this.paused; this.startedAt = 0; this.panel = ''; },
    flip(name) { this[name] = !this[name]; localStorage.setItem('run.' + name, this[name] ? 'yes' : 'no'); },
    flipThis() { this.flip(this.$event.currentTarget.dataset.option); },

    /** A sign is strong until it is said to be slight: the second press of the same one. */
    sign(code) {
      if (!this.working()) { return; }
      if (code === 'PAIN') { this.open('pain'); return; }
      if (code === 'SET_LOST') { this.open('set'); return; }
      if (this.canSoften() && this.advice().code === code) { this.soften(); return; }
      // Already on record in this repetition: told again it says nothing new.
      if (this.s.seen.some((x) => x.code === code)) { return; }
      this.tell({ code, severity: 'CLEAR' });
    },
    soften() {
      const a = this.advice();
      const severity = a.severity === 'SLIGHT' ? 'CLEAR' : 'SLIGHT';
      this.report({ kind: 'UNDO' });
      this.tell({ code: a.code, severity });
    },
    signThis() { if (!this.onlyLooked()) { this.sign(this.$event.currentTarget.dataset.code); } },
    isSharp() { return this.painIsSharp; },
    sharpThis() { this.painIsSharp = !this.painIsSharp; },
    /** The number comes last and sends it; where it hurts and how are told before, if at all. */
    painThis() {
      const { place, side } = this.painAt;
      const painLevel = Number(this.$event.currentTarget.dataset.n);
      const told = { code: 'PAIN', severity: 'CLEAR', painLevel, sharp: this.painIsSharp, place: place || null };
      if (side) { told.side = side; }
      this.forgetPlace();
      this.painIsSharp = false;
      this.tell(told);
    },
    setBack() { this.tell({ code: 'SET_LOST', severity: 'CLEAR', recoverable: true }); },
    setGone() { this.tell({ code: 'SET_LOST', severity: 'CLEAR', recoverable: false }); },
    emergencyThis() {
      const d = this.$event.currentTarget.dataset;
      this.tell({ code: d.code, severity: 'CLEAR' }, true);
    },
    tell(sign, emergency) {
      this.touched = true;
      const button = this.$root.querySelector('[data-code="' + sign.code + '"] .label');
      const side = this.nextSide || null;
      this.nextSide = '';
      this.report({ kind: 'SIGN', sign: Object.assign({ second: this.holdSecond, side }, sign), emergency: emergency === true, shown: button ? button.textContent : '' });
    },
    overrideThis() {
      const d = this.$event.currentTarget.dataset;
      const picked = this.$root.querySelector('input[name="because"]:checked');
      const own = this.$root.querySelector('#because-own');
      const reason = picked.hasAttribute('data-own') ? own.value.trim() : picked.value;
      if (!reason) { own.focus(); return; }
      this.report({ kind: 'OVERRIDE', chosen: { refersTo: this.adviceText('signEventId'), move: d.move, reason }, shown: d.shown });
    },
    /** Easier it is only made where a lever is left. */
    cannotChoose() { return this.$el.dataset.move === 'EASE' && !this.adviceText('easier'); },
    becauseOwn() { this.$root.querySelector('[data-own]').checked = true; },
    becauseNext() {
      const all = Array.from(this.$root.querySelectorAll('input[name="because"]'));
      all[(all.findIndex((x) => x.checked) + 1) % all.length].checked = true;
    },

    async askWhy() {
      if (this.why) { this.why = null; return; }
      const id = this.adviceText('signEventId');
      // The server gives the reasons, so it has to have the sign first.
      for (let tries = 0; this.queue.length && tries < 40; tries++) { await new Promise((go) => window.setTimeout(go, 50)); }
      try { this.why = await this.ask(this.url + '/why?event=' + id); }
      catch (lost) { this.notice = fern.text('whyLater'); }
    },

    /** On the screen at once, then in the browser's store, then to the server. */
    report(what) {
      this.panel = '';
      this.why = null;
      this.notice = '';
      const event = Object.assign({ id: fern.uuid() }, what);
      if (event.kind === 'UNDO') {
        const to = this.past.pop();
        if (to) { event.undoTo = to; }
      } else {
        this.past = this.past.slice(-30).concat([this.s]);
      }
      const record = { seq: null, event };
      this.queue.push(record);
      this.show(fernAhead.apply(this.s, event, this.answers));
      fernUnsent.hold(this.session, this.staff, event);
      this.stored = (this.stored || Promise.resolve())
        .then(() => fernUnsent.add(this.session, this.staff, event))
        .then((seq) => { record.seq = seq; this.send(); }, () => { this.notice = fern.text('storeFull'); this.send(); });
    },
  }));
});
