'use strict';
document.addEventListener('alpine:init', () => {
  // A client's day at home. What she tells is kept on the phone first and sent when there is a connection; the page goes on
  // either way. What closes the day closes it here at once, whatever the connection does.
  Alpine.data('home', () => ({
    ...fernHomeWire,
    ...fernHomePace,
    ...fernBodyChart,

    screen: '',
    at: 0,
    pressed: 0,
    noticing: false,
    told: '',
    advice: '',
    stopped: false,
    signs: [],
    then: '',
    unsent: 0,
    urgentUnsent: 0,
    aside: 0,
    offlineReady: false,
    notice: '',
    sending: false,
    running: false,
    ran: 0,
    since: 0,
    counted: 0,
    phaseText: '',
    phaseLeft: '',
    out: false,
    part: -1,
    trainsAllTheSame: false,
    sound: localStorage.getItem('home.sound') === 'yes',
    buzz: localStorage.getItem('home.buzz') === 'yes',
    still: window.matchMedia('(prefers-reduced-motion: reduce)').matches,

    init() {
      const root = this.$root.dataset;
      this.url = root.url;
      this.leaveOut = JSON.parse(root.leaveOut);
      this.items = Array.from(this.$root.querySelectorAll('article[data-key]'));
      this.kept = this.read();
      for (const li of this.$root.querySelectorAll('[data-item]')) {
        if (li.dataset.done && !this.kept.done[li.dataset.item]) { this.kept.done[li.dataset.item] = li.dataset.done; }
      }
      this.marks();
      this.listTold();
      this.screen = this.where();
      this.markCalls();
      fernKeep.keep('/home-sw.js', '/home/', this.items.map((item) => this.signsOf(item))).then((kept) => { this.offlineReady = kept; });
      window.addEventListener('pagehide', () => this.beacon());
      window.addEventListener('online', () => this.sendNow());
      window.addEventListener('visibilitychange', () => this.awake());
      this.send();
    },

    // What this phone knows of the day.
    read() {
      const fresh = { day: this.$root.dataset.day, answered: null, codes: [], kinds: [], done: {}, morning: false, held: '' };
      const stored = JSON.parse(localStorage.getItem('fern.home.' + this.url) || 'null');
      if (!stored) { return fresh; }
      // The house has heard of it and this page was made after that: what it says now counts.
      const heard = stored.heardAt && Number(this.$root.dataset.read) > stored.heardAt;
      const closed = stored.kinds.includes('emergency') || stored.kinds.includes('askFirst') || Boolean(stored.held);
      if (heard && closed && !this.closedByHouse()) { return { ...fresh, done: stored.day === fresh.day ? stored.done : {} }; }
      if (stored.day !== fresh.day) {
        return closed
          ? { ...fresh, answered: stored.answered, codes: stored.codes, kinds: stored.kinds, held: stored.held, heardAt: stored.heardAt }
          : fresh;
      }
      return stored;
    },
    closedByHouse() { return this.heldByHouse() || ['REFER_NOW', 'ASK_FIRST'].includes(this.$root.dataset.outcome); },
    heldByHouse() { return this.$root.dataset.held === 'true'; },
    keep() {
      localStorage.setItem('fern.home.' + this.url, JSON.stringify(this.kept));
    },

    is(name) { return this.screen === name; },
    quiet() { return ['today', 'over', 'ask', 'morning'].includes(this.screen); },
    where() {
      if (this.$root.dataset.outcome === 'REFER_NOW' || this.kept.kinds.includes('emergency')) { return 'emergency'; }
      if (this.$root.dataset.outcome === 'ASK_FIRST' || this.kept.kinds.includes('askFirst')) { return 'askFirst'; }
      if (this.heldByHouse() || this.kept.held) { return 'held'; }
      if (this.$root.dataset.morning && !this.kept.morning) { return 'morning'; }
      if (this.kept.over) { return 'over'; }
      return this.kept.answered ? 'today' : 'ask';
    },
    go(name) {
      this.screen = name;
      window.scrollTo(0, 0);
    },

    // Questions.
    press() {
      const button = this.$event.currentTarget;
      const on = button.getAttribute('aria-pressed') !== 'true';
      button.setAttribute('aria-pressed', String(on));
      this.pressed = this.$refs.answers.querySelectorAll('[aria-pressed=true]').length;
    },
    noneOfThese() { this.answer([], []); },
    sendAnswers() {
      const chosen = Array.from(this.$refs.answers.querySelectorAll('[aria-pressed=true]'));
      this.answer(chosen.map((b) => b.dataset.code), chosen.map((b) => b.dataset.kind));
    },
    answer(codes, kinds) {
      this.kept.answered = this.now();
      this.kept.codes = codes;
      this.kept.kinds = kinds;
      this.keep();
      this.adapts = kinds.includes('adapt') && !kinds.includes('emergency') && !kinds.includes('askFirst');
      this.running = false;
      this.marks();
      this.listTold();
      this.markCalls();
      this.tell1({ kind: 'ANSWERED', codes, ...(kinds.includes('emergency') ? { urgent: true } : {}) });
      this.go(this.where());
    },
    /** Whom to call for what she answered, or for what stands. */
    markCalls() {
      const kinds = (this.$root.dataset.calls || '').split(',');
      for (const code of this.kept.codes) {
        const button = this.$root.querySelector('[data-code="' + code + '"]');
        if (button && button.dataset.call) { kinds.push(button.dataset.call); }
      }
      const sheets = Array.from(this.$root.querySelectorAll('[data-call-sheet]'));
      for (const sheet of sheets) { sheet.hidden = !kinds.includes(sheet.dataset.callSheet); }
      if (sheets.every((sheet) => sheet.hidden)) { sheets[0].hidden = false; }
    },
    listTold() {
      for (const list of [this.$refs.toldStop, this.$refs.toldAsk]) {
        list.replaceChildren(...this.kept.codes.map((code) => {
          const li = document.createElement('li');
          const button = this.$root.querySelector('[data-code="' + code + '"]');
          li.textContent = button ? button.textContent : '';
          return li;
        }));
      }
    },
    unwell() {
      for (const b of this.$refs.answers.querySelectorAll('[aria-pressed=true]')) { b.setAttribute('aria-pressed', 'false'); }
      this.pressed = 0;
      this.running = false;
      this.go('ask');
    },
    morningWell() { this.morning([], 0, false); },
    morningSend() {
      const felt = Array.from(this.$root.querySelectorAll('[data-felt][aria-pressed=true]'));
      const before = felt.some((b) => b.dataset.before) && !felt.some((b) => b.dataset.felt === 'LEAK' && !b.dataset.before);
      this.morning([...new Set(felt.map((b) => b.dataset.felt))], Number(this.$refs.morningPain.value), before);
    },
    morning(codes, pain, leaksAsBefore) {
      this.kept.morning = true;
      if (codes.includes('HEAVY') || (codes.includes('LEAK') && !leaksAsBefore)) { this.kept.held = 'floor'; }
      this.keep();
      this.tell1({ kind: 'MORNING', day: this.$root.dataset.morning, codes, pain, leaksAsBefore });
      this.go(this.where());
    },

    // The day's list.
    leftOut(key) { return this.kept.codes.some((code) => (this.leaveOut[code] || []).includes(key)); },
    todo() { return this.items.filter((i) => !this.leftOut(i.dataset.key)); },
    open() { return this.todo().filter((i) => !this.kept.done[i.dataset.key]); },
    allDone() { return this.screen !== '' && this.open().length === 0; },
    restDay() { return this.$root.dataset.trains !== 'true' && Object.keys(this.kept.done).length === 0; },
    startText() { return fern.text(Object.keys(this.kept.done).length ? 'home.goOn' : this.restDay() ? 'home.startAnyway' : 'home.start'); },
    marks() {
      for (const li of this.$root.querySelectorAll('[data-item]')) {
        const out = this.leftOut(li.dataset.item);
        li.classList.toggle('home-left', out);
        li.classList.toggle('home-told', Boolean(this.kept.done[li.dataset.item]));
        li.querySelector('.home-out').hidden = !out;
      }
    },
    start() { this.show(this.open()[0]); },
    toToday() { this.running = false; this.sleep(); this.go('today'); },
    allAsPlanned() {
      if (this.tappedTwice()) { return; }
      for (const item of this.open()) { this.log(item, 'DONE', null, [], 0); }
      this.finish();
    },

    // One exercise.
    show(item) {
      this.items.forEach((i) => { i.hidden = i !== item; });
      this.item = item;
      this.told = '';
      this.noticing = false;
      this.advice = '';
      this.stopped = false;
      this.signs = [];
      this.then = '';
      this.ran = 0;
      this.counted = 0;
      this.part = -1;
      this.running = false;
      this.phases = JSON.parse(item.dataset.phases);
      for (const b of this.$root.querySelectorAll('[data-sign], [data-sharp]')) { b.setAttribute('aria-pressed', 'false'); }
      this.$refs.pain.value = '0';
      this.forgetPlace();
      this.$refs.painWhere.open = false;
      this.phaseText = this.phases.map((p) => p.text).join(' · ');
      this.phaseLeft = '';
      this.go('exercise');
    },
    placeText() {
      if (!this.item) { return ''; }
      const all = this.todo();
      return fern.text('home.place', all.indexOf(this.item) + 1, all.length);
    },
    countText() {
      if (!this.item) { return ''; }
      const target = Number(this.item.dataset.target);
      const sets = Number(this.item.dataset.sets);
      const whole = Math.min(this.counted, target * sets);
      const set = Math.min(sets, Math.floor(whole / target) + 1);
      const inSet = whole - (set - 1) * target;
      return sets === 1 ? fern.text('home.count', inSet, target) : fern.text('home.countInSet', inSet, target, set, sets);
    },
    /** What to watch for in an exercise, drawn on her: read when she wants to see it. */
    signsOf(item) {
      const d = item.dataset;
      const asked = new URLSearchParams({ range: d.range, form: d.form, kneesBent: d.kneesBent, oneLimb: d.oneLimb });
      if (d.help) { asked.set('help', d.help); }
      if (d.side) { asked.set('side', d.side); }
      return this.url + '/signs/' + d.rung + '?' + asked;
    },
    async watchFor() {
      const box = this.$event.currentTarget;
      const drawn = box.querySelector('.drawn');
      if (!box.open || drawn.childElementCount) { return; }
      try {
        const answer = await fetch(this.signsOf(box.closest('article')));
        if (!answer.ok || answer.headers.get('x-fern-home') !== 'open') { throw new Error('no pictures'); }
        drawn.innerHTML = await answer.text();
      } catch (lost) { drawn.textContent = fern.text('home.noPictures'); }
    },
    // What she notices, and what to do about it.
    notice1() { this.noticing = !this.noticing; },
    sign() {
      const button = this.$event.currentTarget;
      if (button.dataset.sign) {
        button.setAttribute('aria-pressed', String(button.getAttribute('aria-pressed') !== 'true'));
      }
      this.signs = [...new Set(Array.from(this.$root.querySelectorAll('[data-sign][aria-pressed=true]')).map((b) => b.dataset.sign))];
      const pain = this.$refs.pain;
      const sharp = this.isSharp() && pain.value !== '0';
      const order = ['REST', 'SMALLER', 'STOP_EXERCISE', 'STOP_TODAY'];
      const all = Array.from(this.$root.querySelectorAll('[data-sign][aria-pressed=true]')).map((b) => b.dataset.then);
      if (pain.value !== '0') { all.push(sharp ? 'STOP_TODAY' : pain.selectedOptions[0].dataset.then); }
      const then = all.sort((a, b) => order.indexOf(b) - order.indexOf(a))[0] || '';
      this.then = then;
      this.advice = then ? fern.text('home.' + then) : '';
      this.stopped = then === 'STOP_EXERCISE' || then === 'STOP_TODAY';
      if (then) { this.running = false; this.sleep(); }
      if (then === 'STOP_TODAY') { this.hold(pain.value !== '0' && !this.signs.includes('HEAVY') ? 'pain' : 'floor'); }
    },
    isSharp() { return this.$refs.sharp.getAttribute('aria-pressed') === 'true'; },
    sharp() {
      this.$refs.sharp.setAttribute('aria-pressed', String(!this.isSharp()));
      this.sign();
    },
    /** Told at once; what to do now stands in place of everything else. */
    hold(why) {
      this.kept.held = why;
      this.log(this.item, 'STOPPED', null, this.signs, Number(this.$refs.pain.value));
      this.go('held');
    },
    heldForPain() { return this.kept.held === 'pain'; },
    heldForFloor() { return this.kept.held !== 'pain'; },
    /** The second of two quick taps falls on what came up beneath the first: an effort she did not choose. */
    tappedTwice() { return this.$event.detail > 1; },
    /** After a sign that stops, only stopped can be told. */
    mayGoOn() { return !this.stopped; },
    tell() {
      if (this.tappedTwice()) { return; }
      this.told = this.$event.currentTarget.dataset.told;
      this.running = false;
      this.noticing = false;
    },
    effort() {
      if (this.tappedTwice()) { return; }
      const item = this.item;
      this.log(item, this.told, Number(this.$event.currentTarget.dataset.effort), this.signs, Number(this.$refs.pain.value));
      this.sleep();
      const next = this.open()[0];
      if (next) { this.show(next); } else { this.finish(); }
    },
    log(item, told, effort, codes, pain) {
      const { key, rung, side, range } = item.dataset;
      this.kept.done[key] = told;
      this.keep();
      this.marks();
      const leaks = Array.from(this.$root.querySelectorAll('[data-sign=LEAK][aria-pressed=true]'));
      const leaksAsBefore = leaks.length > 0 && leaks.every((b) => b.dataset.before);
      const sharp = pain > 0 && this.isSharp();
      const { place, side: placeSide } = this.painAt;
      const where = pain > 0 && place ? { place, ...(placeSide ? { placeSide } : {}) } : {};
      this.tell1({
        kind: 'EXERCISE', rung, side: side || '', told, effort, codes, pain, range: Number(range), leaksAsBefore, sharp, ...where,
      });
    },
    finish() {
      this.kept.over = true;
      this.keep();
      this.go('over');
    },

    daily() {
      const codes = Array.from(this.$root.querySelectorAll('.home-life input:checked')).map((i) => i.value);
      this.tell1({ kind: 'DAILY', codes });
    },

    /** Nothing of hers stays on this phone but what is still to be sent. */
    async forget() {
      localStorage.removeItem('fern.home.' + this.url);
      if (window.caches) { await caches.delete('fern-home'); }
    },
    async leave() {
      await this.forget();
      this.$refs.leave.submit();
    },
  }));
});
