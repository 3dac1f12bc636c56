'use strict';
// Cuff and belts in a session: paired by a code, watched, and what they make of a repetition. They propose; one press takes it.
window.fernRunDevice = (() => {
  return {
    /** A code for the cuff and the belts: whoever has it streams into this session and no other. */
    async pairDevice() {
      this.open('device');
      this.code = '';
      try {
        const answer = await fetch(this.url + '/pairing', {
          method: 'POST', headers: { 'X-CSRF-TOKEN': fern.token(), 'X-Requested-With': 'fetch' },
        });
        this.checkSignedIn(answer);
        if (!answer.ok || !this.isJson(answer)) { throw new Error('no code'); }
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
  };
})();
