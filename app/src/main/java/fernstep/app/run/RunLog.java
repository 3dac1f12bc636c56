package fernstep.app.run;

import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.Rung;
import fernstep.core.decision.Move;
import fernstep.core.decision.RepRecord;
import fernstep.core.decision.Seen;
import fernstep.core.findings.SignCode;
import fernstep.core.plan.Dose;
import fernstep.core.progress.ResultRules;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * A session derived from its log: the same events always give the same state, so a repeated, late or undone event is
 * harmless.
 */
final class RunLog {
    private static final String FINISHING_RUNG = "BR1";

    private final Catalogue catalogue;
    private final List<RunItem> items = new ArrayList<>();
    private final Map<String, EventRow> overrides = new HashMap<>();
    private boolean locked;
    private boolean ended;
    private @Nullable EventRow advice;
    private @Nullable EventRow lastUndoable;

    private RunLog(Catalogue catalogue) {
        this.catalogue = catalogue;
    }

    static RunLog replay(Catalogue catalogue, List<ItemRow> planned, List<EventRow> events) {
        RunLog log = new RunLog(catalogue);
        planned.forEach(
                p -> log.items.add(new RunItem(catalogue.rung(p.rung()), p.sideOrNull(), p.dose(), p.rangeFraction())));
        Set<String> undone = new HashSet<>();
        events.stream().filter(e -> e.kind() == EventRow.Kind.UNDO).forEach(e -> undone.add(e.refersTo()));
        List<EventRow> standing = events.stream()
                .filter(e -> e.kind() != EventRow.Kind.UNDO && !undone.contains(e.id()))
                .toList();
        standing.stream()
                .filter(e -> e.kind() == EventRow.Kind.OVERRIDE)
                .forEach(e -> log.overrides.put(e.refersTo(), e));
        standing.forEach(log::apply);
        return log;
    }

    Rung rung(String code) {
        return catalogue.rung(code);
    }

    List<RunItem> items() {
        return items;
    }

    boolean locked() {
        return locked;
    }

    boolean ended() {
        return ended || current().isEmpty();
    }

    Optional<RunItem> current() {
        return items.stream().filter(i -> !i.over()).findFirst();
    }

    /** The advice that still stands, if the last thing that happened was a sign. */
    Optional<EventRow> advice() {
        return Optional.ofNullable(advice);
    }

    Optional<EventRow> overrideOf(EventRow sign) {
        return Optional.ofNullable(overrides.get(sign.id()));
    }

    /** What undo would take back. */
    Optional<EventRow> lastUndoable() {
        return Optional.ofNullable(lastUndoable);
    }

    private void apply(EventRow e) {
        if (e.kind() == EventRow.Kind.OVERRIDE) {
            lastUndoable = e;
            return;
        }
        if (e.kind() == EventRow.Kind.FINISH) {
            ended = true;
            return;
        }
        Optional<RunItem> now = current();
        if (now.isEmpty() || ended) {
            return;
        }
        lastUndoable = e;
        advice = null;
        RunItem item = now.get();
        switch (e.kind()) {
            case REP -> {
                if (!item.setDone) {
                    item.repDone();
                }
            }
            case NEXT_SET -> {
                if (item.setDone && !item.askEffort) {
                    item.nextSet();
                }
            }
            case EFFORT -> {
                if (item.askEffort) {
                    item.effort = e.numberValue();
                    item.done = true;
                }
            }
            case SKIP -> item.skipped = true;
            case SIGN -> sign(item, e);
            default -> {}
        }
    }

    private void sign(RunItem item, EventRow e) {
        advice = e;
        EventRow override = overrides.get(e.id());
        Move move = Objects.requireNonNullElse(override == null ? e.move() : override.move(), Move.CARRY_ON);
        Lever lever = override == null ? e.lever() : null;
        if (e.sign() != null) {
            item.signs.add(e.sign());
        }
        SignCode code = code(e.sign());
        int rep = e.repNo() == null ? item.repsDone + 1 : e.repNo();
        if (code != null && e.severity() != null) {
            Seen seen = new Seen(
                    code, e.severity(), e.side(), rep, e.holdSecond(), e.painLevel(), null, false, e.recoverable());
            item.soFar.add(new RepRecord(rep, List.of(seen), move, lever));
        }
        item.made.add(new ResultRules.Made(move, lever, code == SignCode.TIRED));
        carryOut(item, move, lever, e);
    }

    private void carryOut(RunItem item, Move move, @Nullable Lever lever, EventRow e) {
        switch (move) {
            case EASE, EASE_ONE_SIDE -> {
                if (lever != null) {
                    pull(item, lever, e.leverTo());
                } else if (move == Move.EASE_ONE_SIDE) {
                    stepBack(item, e);
                }
            }
            case END_SET -> item.endSet();
            case STEP_BACK -> stepBack(item, e);
            case END_EXERCISE -> endExercise(item);
            case END_SESSION -> ended = true;
            case REFER_NOW -> {
                ended = true;
                locked = true;
            }
            default -> {}
        }
        boolean floor = SignCode.BEARS_DOWN.name().equals(e.sign())
                || SignCode.HEAVY.name().equals(e.sign());
        if (floor && move.compareTo(Move.END_EXERCISE) >= 0) {
            closeLoadedRungs();
        }
    }

    private static void pull(RunItem item, Lever lever, @Nullable String to) {
        switch (lever) {
            case RAISE_RANGE -> item.range = to == null ? 0 : Double.parseDouble(to);
            case SHORTEN_HOLD -> {
                int hold = to == null ? 1 : (int) Double.parseDouble(to);
                Dose d = item.dose;
                item.dose = new Dose(d.sets(), d.reps(), hold, d.breaths(), d.perDay(), d.daysPerWeek());
            }
            case FEWER_REPS -> {
                int reps = to == null ? 1 : (int) Double.parseDouble(to);
                Dose d = item.dose;
                item.dose = d.reps() != null
                        ? new Dose(d.sets(), reps, d.holdS(), d.breaths(), d.perDay(), d.daysPerWeek())
                        : new Dose(d.sets(), d.reps(), d.holdS(), reps, d.perDay(), d.daysPerWeek());
                if (item.repsDone >= item.target()) {
                    item.endSet();
                }
            }
            case ADD_HELPER, SUPPORT -> {
                if (to != null) {
                    item.helpers.add(Helper.valueOf(to));
                }
            }
            default -> item.otherLevers.add(lever);
        }
    }

    /** As far on the lower rung as the advice said; its easiest range where a practitioner stepped back on her own. */
    private void stepBack(RunItem item, EventRow e) {
        Optional<Rung> back = catalogue.previous(item.rung);
        if (back.isPresent()) {
            boolean advised = e.lever() == null && back.get().code().equals(e.leverTo()) && e.leverFrom() != null;
            item.stepBackTo(back.get(), advised ? Double.parseDouble(e.leverFrom()) : 0);
        } else {
            endExercise(item);
        }
    }

    /** The exercise is over for both sides. */
    private void endExercise(RunItem item) {
        item.done = true;
        items.stream()
                .filter(i -> !i.over() && i.rung.strand() == item.rung.strand())
                .forEach(i -> i.closed = true);
    }

    /** Nothing loaded for the rest of the session; it ends with a lying breath rung. */
    private void closeLoadedRungs() {
        items.stream().filter(i -> !i.over() && i.rung.loaded()).forEach(i -> i.closed = true);
        boolean breathLeft = items.stream().anyMatch(i -> !i.over() && i.rung.strand() == Strand.BREATH);
        if (!breathLeft && !ended) {
            Rung rung = catalogue.rung(FINISHING_RUNG);
            int breaths = rung.window().breaths() == null
                    ? 5
                    : rung.window().breaths().min();
            items.add(new RunItem(rung, null, new Dose(1, null, null, breaths, 1, 7), 1));
        }
    }

    static @Nullable SignCode code(@Nullable String sign) {
        return Arrays.stream(SignCode.values())
                .filter(c -> c.name().equals(sign))
                .findFirst()
                .orElse(null);
    }
}
