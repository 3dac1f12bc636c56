'use strict';
// What a session is after an event that the server has not seen yet. Counting is simple enough to do here; answers to signs
// are the server's own, made ahead. Where there is none, only what is safe in any case is done.
window.fernAhead = (() => {
  const STOPS_ALL = ['BEARS_DOWN', 'HEAVY'];
  /** As the rules have it. */
  const strongPain = () => Number(document.querySelector('[data-pain-stops]').dataset.painStops);

  /** What these do to the session is the server's to say. */
  const BEYOND_THE_PAGE = ['EASE', 'EASE_ONE_SIDE', 'STEP_BACK', 'END_EXERCISE'];

  function copy(state) { return JSON.parse(JSON.stringify(state)); }

  function inHand(s) { return s.items[s.at]; }

  function begin(s, i) {
    s.phase = 'WORK';
    s.answersKey = i.key;
    s.seen = [];
    s.canRepeat = false;
  }

  /** On to the first exercise that is open. */
  function onward(s) {
    const at = s.items.findIndex((i) => i.state === 'open');
    s.at = at < 0 ? s.items.length : at;
    s.advice = null;
    if (at < 0) { s.phase = 'FINISHED'; s.seen = []; } else { begin(s, s.items[at]); }
  }

  function endSet(s, i) {
    s.phase = i.set >= i.sets ? 'EFFORT' : 'REST';
    s.canRepeat = i.rep >= i.target;
  }

  const kinds = {
    REP(s) {
      const i = inHand(s);
      if (!i || s.phase !== 'WORK') { return; }
      i.rep += 1;
      s.advice = null;
      s.seen = [];
      if (i.rep >= i.target) { endSet(s, i); }
    },
    NEXT_SET(s) {
      const i = inHand(s);
      if (!i || s.phase !== 'REST') { return; }
      i.set += 1;
      i.rep = 0;
      s.advice = null;
      begin(s, i);
    },
    REPEAT_SET(s) {
      const i = inHand(s);
      if (!i || !s.canRepeat) { return; }
      i.sets = Math.max(i.sets, i.set + 1);
      i.set += 1;
      i.rep = 0;
      s.advice = null;
      begin(s, i);
    },
    EFFORT(s) {
      const i = inHand(s);
      if (!i || s.phase !== 'EFFORT') { return; }
      i.state = 'done';
      onward(s);
    },
    SKIP(s) {
      const i = inHand(s);
      if (!i || s.stopped) { return; }
      i.state = 'skipped';
      onward(s);
    },
    FINISH(s) {
      if (s.phase !== 'LOCKED') { s.phase = 'FINISHED'; s.advice = null; }
    },
    SIGN(s, e, known) { sign(s, e, known); },
    OVERRIDE(s, e) { override(s, e.chosen.move, e); },
  };

  function nameOf(told) {
    if (told.code === 'PAIN') { return told.sharp || told.painLevel >= strongPain() ? 'PAIN.STRONG' : 'PAIN.MILD'; }
    if (told.code === 'SET_LOST') { return told.recoverable ? 'SET_LOST.BACK' : 'SET_LOST.GONE'; }
    return told.code + '.' + told.severity;
  }

  /** Where it hurt before it may be answered otherwise than elsewhere. */
  function placeOf(told) { return told.place ? '@' + told.place + ':' + (told.side || '') : ''; }

  function sign(s, e, known) {
    const told = e.sign;
    if (e.emergency) {
      s.phase = 'LOCKED';
      s.advice = advice(e, 'REFER_NOW', 'stopNow', 'emergencyHere');
      return;
    }
    const i = inHand(s);
    const answers = known[s.answersKey];
    const bySet = answers && (answers[nameOf(told) + placeOf(told)] || answers[nameOf(told)]);
    // The answer may change as the set goes on: the last that holds from so many repetitions on.
    const held = bySet && i ? bySet.filter((a) => a.repsDone <= i.rep).pop() : null;
    const after = held && held.after;
    if (after) { answered(s, i, e, after); return; }
    if (STOPS_ALL.includes(told.code) || (told.code === 'PAIN' && (told.sharp || told.painLevel >= strongPain()))) {
      s.phase = 'HELD';
      s.stopped = true;
      s.advice = advice(e, 'END_EXERCISE', 'endExercise', 'endExerciseWhy');
    } else {
      s.phase = 'HELD';
      s.advice = Object.assign(advice(e, 'END_SET', 'stopSet', 'stopSetWhy'), { provisional: true });
    }
    s.seen = s.seen.concat([{ code: told.code, severity: told.severity }]);
  }

  /** What the sign did is undone and the chosen move done instead; which rung or lever that is, was made ahead or holds the set. */
  function override(s, move, e) {
    const answer = s.advice;
    if (!answer || !answer.open || answer.signEventId !== e.chosen.refersTo) { return; }
    const said = { move, moveText: e.shown, lever: null, reason: e.chosen.reason, overridden: answer.moveText, open: false };
    const { before, instead } = s;
    const made = instead && instead[move];
    if (made) {
      if (before) { Object.assign(s, copy(before)); }
      settle(s, made);
    } else if (before && !BEYOND_THE_PAGE.includes(move)) {
      Object.assign(s, copy(before));
      // What else is seen in this set is the server's to answer, which has both.
      s.answersKey = '';
      if (move === 'END_SET') { endSet(s, inHand(s)); }
      if (move === 'END_SESSION') { s.phase = 'FINISHED'; }
    } else {
      s.phase = 'HELD';
    }
    if (s.at === (before || s).at) { s.seen = (before || s).seen.filter((x) => x.code !== answer.code).concat([{ code: answer.code, severity: answer.severity }]); }
    s.before = null;
    s.instead = null;
    s.advice = Object.assign({}, answer, said);
  }

  /** The server's answer, made ahead; what was counted since stands. */
  function answered(s, i, e, after) {
    const { before: older, instead: other, ...before } = copy(s);
    const rep = i.rep >= i.target ? i.rep : i.rep + 1;
    settle(s, after);
    s.before = before;
    s.instead = after.instead;
    s.advice = JSON.parse(JSON.stringify(after.advice).replaceAll('{rep}', String(rep)));
    s.advice.signEventId = e.id;
    s.seen = s.at === before.at ? before.seen.concat([{ code: e.sign.code, severity: e.sign.severity }]) : [];
  }

  /** As made ahead; what was counted since stands. */
  function settle(s, after) {
    const was = s.at;
    for (const [at, item] of Object.entries(after.items)) {
      const old = s.items[at];
      s.items[at] = Object.assign({}, item, old && Number(at) === was
        ? { rep: old.rep, set: old.set, sets: old.sets } : {});
    }
    s.at = after.at;
    s.phase = after.phase;
    s.answersKey = after.key;
    s.canRepeat = after.canRepeat;
    const now = inHand(s);
    if (s.phase === 'WORK' && s.at === was && now.rep >= now.target) { endSet(s, now); }
  }

  function advice(e, move, moveKey, whyKey) {
    return {
      signEventId: e.id, code: e.sign.code, severity: e.sign.severity, sign: e.shown || '', exercise: null,
      move, moveText: fern.text(moveKey), lever: null, reason: fern.text(whyKey), rule: '', watchNext: null,
      runnerUp: null, overridden: null, easier: null, open: false,
    };
  }

  /** A new state; the old one stays as it was. */
  function apply(state, event, known) {
    if (event.undoTo) { return copy(event.undoTo); }
    const s = copy(state);
    if (kinds[event.kind] && s.phase !== 'LOCKED') { kinds[event.kind](s, event, known); }
    return s;
  }

  return { apply };
})();
