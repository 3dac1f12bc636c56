'use strict';
document.addEventListener('alpine:init', () => {
  const WANTED_EFFORT = 3;
  const GUARD_MS = 500;
  const STILL_MS = 150;
  const ASKS_AGAIN_MS = 1500;
  const CUT_MS = 5000;
  const LONGEST_WAIT_MS = 8000;
  const STOPS = ['STEP_BACK', 'END_EXERCISE', 'END_SESSION', 'REFER_NOW'];
  const EASES = ['EASE', 'EASE_ONE_SIDE', 'CUE', 'END_SET'];

  // The mat-side runner. The server derives everything from the log; the page shows that and, on top of it, what it has not
  // sent yet, so that nothing waits for a connection and nothing is lost without one.
  Alpine.data('runner', () => ({
    base: null,
    s: null,
    queue: [],
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
      this.queue = await fernUnsent.of(this.session, this.staff);
      await this.load();
      window.addEventListener('online', () => { this.waitMs = 500; this.send(); });
      window.requestAnimationFrame((t) => this.pace(t));
      window.setTimeout(() => this.listen(), ASKS_AGAIN_MS);
      if (sessionStorage.getItem('run.trace') === this.session) { this.watchDevice(); }
    },

    /** The state as the server has it; without a connection the last one that was read. */
    async load() {
      try {
        const answer = await this.ask(this.url + '/state', true);
        if (!answer) { throw new Error('no state'); }
        this.take(answer);
      } catch (lost) {
        this.offline = true;
        window.setTimeout(() => this.load(), 2000);
        return;
      }
      this.send();
    },

    /** Another tablet may have told something; an emergency may have been answered elsewhere. */
    async listen() {
      if (this.base && !this.queue.length && document.visibilityState === 'visible') {
        try {
          const answer = await this.ask(this.url + '/state?known=' + encodeURIComponent(this.base.version));
          if (answer && !this.queue.length) { this.take(answer); }
        } catch (lost) { this.offline = true; }
      }
      window.setTimeout(() => this.listen(), ASKS_AGAIN_MS);
    },

    /**
     * JSON of ours, or nothing for "nothing new"; throws for everything else, a captive page included. What the browser kept
     * from before counts only where it was asked for: it must never take the place of what is known since.
     */
    async ask(url, keptWillDo) {
      const cut = new AbortController();
      const timer = window.setTimeout(() => cut.abort(), CUT_MS);
      try {
        const answer = await fetch(url, { signal: cut.signal, headers: { 'X-Requested-With': 'fetch' } });
        this.checkSignedIn(answer);
        if (answer.status === 204) { this.offline = false; return null; }
        if (!answer.ok || !isJson(answer)) { throw new Error('no answer of ours'); }
        this.offline = answer.headers.get('x-fern-kept') !== null;
        if (this.offline && !keptWillDo) { throw new Error('only what was kept'); }
        return await answer.json();
      } finally { window.clearTimeout(timer); }
    },

    checkSignedIn(answer) {
      if (answer.redirected || answer.status === 401 || answer.status === 403) {
        this.signedOut = answer.status === 403 || new URL(answer.url).pathname === '/sign-in';
        if (this.signedOut) { throw new Error('signed out'); }
      } else if (answer.ok && answer.headers.get('x-fern-kept') === null) { this.signedOut = false; }
    },

    take(state) {
      this.base = state;
      let now = state;
      for (const { event } of this.queue) { now = fernAhead.apply(now, event, this.answers); }
      this.show(now);
      if (!this.offline) {
        this.tried = {};
        fernUnsent.keepState(this.url, state);
        if (state.phase === 'FINISHED' && !this.queue.length) { window.location.reload(); return; }
      }
      this.lookAhead();
    },

    show(state) {
      const before = this.item();
      const was = this.phase();
      this.s = state;
      const now = this.item();
      if (now && (!before || before.figure !== now.figure)) { this.loadFigure(now.figure); }
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

    /** Answers to everything that could be seen: of the exercise in hand first, then of those that follow. */
    async lookAhead() {
      if (this.looking || !this.s || (this.queue.length && !this.offline)) { return; }
      const missing = (key) => key && !this.answers[key] && !this.tried[key];
      const want = missing(this.s.answersKey)
        ? this.s.at
        : this.s.items.findIndex((i, at) => at > this.s.at && i.state === 'open' && missing(i.key));
      if (want < 0 || want >= this.s.items.length) { return; }
      this.looking = true;
      try {
        this.tried[want === this.s.at ? this.s.answersKey : this.s.items[want].key] = true;
        const found = await this.ask(this.url + '/answers?at=' + want, true);
        if (found && found.key) { this.answers[found.key] = found.bySign; }
        window.setTimeout(() => this.lookAhead(), 300);
      } catch (lost) { /* the next event asks again */ } finally { this.looking = false; }
    },

    /** The figure of the rung in hand, at its range; without a connection the last one stays. */
    async loadFigure(url) {
      try {
        const answer = await fetch(url);
        if (answer.ok && !answer.redirected) { this.$root.querySelector('.run-figure').innerHTML = await answer.text(); }
      } catch (lost) { /* the count and the breath go on without it */ }
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
    /** A code for the cuff and the belts: whoever has it streams into this session and no other. */
    async pairDevice() {
      this.open('device');
      this.code = '';
      try {
        const answer = await fetch(this.url + '/pairing', {
          method: 'POST', headers: { 'X-CSRF-TOKEN': fern.token(), 'X-Requested-With': 'fetch' },
        });
        this.checkSignedIn(answer);
        if (!answer.ok || !isJson(answer)) { throw new Error('no code'); }
        this.code = (await answer.json()).code;
        sessionStorage.setItem('run.trace', this.session);
        this.watchDevice();
      } catch (lost) { this.notice = fern.text('noCode'); this.close(); }
    },
    watchDevice() {
      if (this.strips) { return; }
      this.strips = new fernTrace.Strips(this.url, this.$root.querySelector('.trace canvas'), (told) => {
        if (told.state === 'LIVE' && this.traceState !== 'LIVE' && this.isPanel('device')) { this.close(); }
        this.traceState = told.state;
        if (told.outBreaths && told.outBreaths.length || told.problems.length) { this.traceProblems = told.problems; }
      });
      this.strips.open();
    },
    leaveDevice() {
      sessionStorage.removeItem('run.trace');
      if (this.strips) { this.strips.close(); }
      this.strips = null;
      this.traceState = '';
      this.judged = null;
      this.close();
    },
    hasTrace() { return ['LIVE', 'SILENT', 'AWAY', 'ENDED', 'LOST'].includes(this.traceState); },
    watching() { return this.strips !== null; },
    traceTrouble() { return { SILENT: fern.text('deviceSilent'), AWAY: fern.text('deviceAway'), ENDED: fern.text('deviceEnded'), LOST: fern.text('deviceLost') }[this.traceState] || ''; },
    judgedWord() { return this.judged ? this.judged.word : ''; },
    judgedDetail() { return this.judged ? this.judged.detail : ''; },
    unsureText() {
      const p = this.judged && this.judged.proposal;
      return p && !p.sure ? fern.text('maybeSign', p.label, p.percent) : '';
    },
    proposed() {
      const p = this.judged && this.judged.proposal;
      const button = p && this.$root.querySelector('.sign[data-code="' + p.sign + '"]');
      return p && p.sure && button && !button.disabled && this.working() ? p : null;
    },
    hasProposal() { return this.proposed() !== null; },
    proposalText() { const p = this.proposed(); return p ? fern.text('takeSign', p.label, p.percent) : ''; },
    /** One press takes what the trace proposes; nothing is marked without it. */
    takeProposal() {
      const p = this.proposed();
      if (!p) { return; }
      this.judged = null;
      this.sign(p.sign);
    },
    async judge(i) {
      const from = this.liftAt || this.startedAt;
      if (!this.strips || this.traceState !== 'LIVE' || !from) { return; }
      this.judged = null;
      try {
        this.judged = await this.strips.rep({ rep: i.rep + 1, side: i.sideCode || null, rung: i.rung }, from, performance.now());
      } catch (lost) { /* the count goes on without it */ }
    },
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
    signThis() { this.sign(this.$event.currentTarget.dataset.code); },
    painThis() { this.tell({ code: 'PAIN', severity: 'CLEAR', painLevel: Number(this.$event.currentTarget.dataset.n) }); },
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
      const reason = this.$root.querySelector('input[name="because"]:checked').value;
      this.report({ kind: 'OVERRIDE', chosen: { refersTo: this.adviceText('signEventId'), move: d.move, reason }, shown: d.shown });
    },
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

    async send() {
      if (this.sending || !this.base) { return; }
      this.sending = true;
      let lost = false;
      const work = () => this.sendAll();
      try {
        if (navigator.locks) { await navigator.locks.request('fern-send-' + this.session, work); } else { await work(); }
      } catch (notSent) {
        lost = true;
        this.offline = !this.signedOut;
        window.setTimeout(() => this.send(), this.waitMs);
        this.waitMs = Math.min(LONGEST_WAIT_MS, this.waitMs * 2);
      } finally { this.sending = false; }
      // What came while the last was being put away goes at once.
      if (!this.queue.length) { this.lookAhead(); } else if (!lost) { this.send(); }
    },

    async sendAll() {
      while (this.queue.length) {
        const record = this.queue[0];
        const { state, refused } = await this.post(record.event);
        this.waitMs = 500;
        this.offline = false;
        if (record.seq !== null) { await fernUnsent.remove(record.seq); }
        this.queue.shift();
        if (refused) {
          this.notice = fern.text('refused', refused);
          const now = await this.ask(this.url + '/state');
          if (now) { this.take(now); }
        } else if (!this.queue.length) {
          this.take(state);
        } else {
          this.base = state;
          fernUnsent.keepState(this.url, state);
        }
      }
    },

    /** Only a state of ours or a refusal with a name ends an event; anything else is tried again. */
    async post(event) {
      const cut = new AbortController();
      const timer = window.setTimeout(() => cut.abort(), CUT_MS);
      const { undoTo, shown, emergency, ...body } = event;
      try {
        const answer = await fetch(this.url + '/events', {
          method: 'POST',
          signal: cut.signal,
          headers: { 'X-CSRF-TOKEN': fern.token(), 'Content-Type': 'application/json', 'X-Requested-With': 'fetch' },
          body: JSON.stringify(body),
        });
        this.checkSignedIn(answer);
        if (!isJson(answer)) { throw new Error('no answer of ours'); }
        const told = await answer.json();
        if (answer.ok && told.phase) { return { state: told }; }
        if (told.refused) { return { refused: told.message }; }
        throw new Error('no answer of ours');
      } finally { window.clearTimeout(timer); }
    },

    /** Pedal, Space and digits; with a list open the digits choose from it and the signs rest. */
    press() {
      const e = this.$event;
      if (e.ctrlKey || e.metaKey || e.altKey || !this.s || ['SELECT', 'TEXTAREA'].includes(e.target.tagName)) { return; }
      if (e.target.tagName === 'INPUT' && e.target.type !== 'radio') { return; }
      if (this.pressed(e.key)) { e.preventDefault(); }
    },

    pressed(key) {
      if (key === 'Escape') { this.close(); this.why = null; return true; }
      if (this.panel) { return this.choose(key); }
      if (key === ' ' || key === 'PageDown') {
        if (this.working()) { this.primary(); }
        return true;
      }
      if (!this.working()) { return false; }
      const commands = {
        u: () => this.undo(), PageUp: () => this.undo(), Backspace: () => this.undo(),
        o: () => { if (this.canOverride()) { this.open('override'); } },
        e: () => this.open('emergency'), m: () => this.open('more'), x: () => { if (this.canSkip()) { this.open('skip'); } },
        t: () => this.takeProposal(), p: () => this.pause(), y: () => { if (this.hasAdvice()) { this.askWhy(); } },
        ArrowLeft: () => this.left(), ArrowRight: () => this.right(), '?': () => this.open('keys'),
      };
      if (commands[key]) { commands[key](); return true; }
      if (this.asking() && /^[0-9]$/.test(key)) { this.effort(Number(key)); return true; }
      const mark = Array.from(this.$root.querySelectorAll('.sign[data-key]')).find((b) => b.dataset.key === key);
      if (mark && !mark.disabled) { this.sign(mark.dataset.code); return true; }
      return false;
    },

    choose(key) {
      if (this.panel === 'override' && key === 'b') { this.becauseNext(); return true; }
      if (this.panel === 'keys' && key === '?') { this.close(); return true; }
      const box = this.$root.querySelector('[data-choices="' + this.panel + '"]');
      const button = box && Array.from(box.querySelectorAll('[data-choice]')).find((b) => b.dataset.choice === key && !b.disabled);
      if (button) { button.click(); }
      // Space and the letters of the signs rest while a list is open.
      return Boolean(button) || key === ' ' || key === 'PageDown' || /^[0-9a-z]$/.test(key);
    },

    /** Where in the repetition the breath is; the ball grows on the in-breath and shrinks on the out-breath. */
    pace(time) {
      const i = this.item();
      if (i && this.phase() === 'WORK' && i.phases.length && !this.paused) {
        if (!this.startedAt) { this.startedAt = time; }
        const total = i.phases.reduce((sum, p) => sum + p.seconds, 0);
        let at = (time - this.startedAt) / 1000;
        if (at >= total && this.byTempo && !this.panel) { this.primary(); at = 0; }
        at %= total;
        const p = i.phases.find((x) => { if (at < x.seconds) { return true; } at -= x.seconds; return false; });
        if (p) { this.drawBreath(p, at); }
      }
      if (this.resting()) {
        const left = Math.ceil((this.restUntil - performance.now()) / 1000);
        this.restLeft = fern.text(left > 0 ? 'restLeft' : 'restOver', left);
      }
      // where motion is not wanted nothing moves between two figures: no need to draw sixty times a second
      if (this.still) { window.setTimeout(() => this.pace(performance.now()), STILL_MS); } else { window.requestAnimationFrame((t) => this.pace(t)); }
    },

    drawBreath(p, at) {
      const share = at / p.seconds;
      const words = { OUT: fern.text('breatheOut'), IN: fern.text('breatheIn'), RUNS_ON: fern.text('breathRunsOn') };
      const same = p.part.startsWith('BREATHE');
      if (this.part !== p.part) {
        this.part = p.part;
        if (p.part === 'LIFT') { this.liftAt = performance.now(); }
        this.signal();
      }
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

    /** A soft tick at each change, only where it was asked for. */
    signal() {
      if (this.vibrates && navigator.vibrate) { navigator.vibrate(40); }
      if (!this.sound) { return; }
      this.ears = this.ears || new AudioContext();
      const tone = this.ears.createOscillator();
      const gain = this.ears.createGain();
      gain.gain.value = 0.05;
      tone.frequency.value = this.out ? 440 : 660;
      tone.connect(gain).connect(this.ears.destination);
      tone.start();
      tone.stop(this.ears.currentTime + 0.08);
    },
  }));

  function isJson(answer) {
    return (answer.headers.get('content-type') || '').startsWith('application/json');
  }
});
