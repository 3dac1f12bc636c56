package fernstep.core.screening;

import fernstep.core.approach.Stances;
import fernstep.core.client.BodyEvent;
import fernstep.core.client.Clearance.Scope;
import fernstep.core.client.ClientFacts;
import fernstep.core.measure.Reason;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * The gate table. A gate counts from every birth and operation by its own wait and takes the latest day; a clearance
 * counts only when given after the latest of them.
 */
final class Gates {
    /** Days after a birth, and after the wall was opened. One for each gate, however alike they are today. */
    private record Wait(int birthDays, int wallDays) {
        int after(BodyEvent.Kind kind) {
            return kind.opensTheWall() ? wallDays : birthDays;
        }
    }

    private static final Wait CHECK = new Wait(1, 3);
    private static final Wait CHECK_SORE = new Wait(1, 7);
    private static final Wait CHECK_UNCLEARED = new Wait(42, 56);
    private static final Wait GENTLE = new Wait(1, 3);
    private static final Wait GENTLE_UNCLEARED = new Wait(42, 56);
    private static final Wait GARMENT = new Wait(1, 3);
    private static final Wait GARMENT_SORE = new Wait(1, 7);
    private static final Wait FIRST_LOADED = new Wait(42, 56);
    private static final Wait OPPOSITE_LIMBS = new Wait(42, 84);
    private static final Wait LONG_LEVER = new Wait(84, 84);
    private static final Wait CURL = new Wait(168, 168);
    /** As long as lying face down and other load on a scar is closed after a caesarean. */
    static final int WALL_LOADED_DAYS = FIRST_LOADED.wallDays();

    private final Screening.Question q;
    private final ClientFacts facts;
    private final Outcome outcome;

    private Gates(Screening.Question question, Outcome outcome) {
        this.q = question;
        this.facts = question.facts();
        this.outcome = outcome;
    }

    /** @param saidToday the outcome of what she says, her record left aside: what is worn and not trained follows that */
    static Map<GateCode, Gate> of(Screening.Question question, Outcome outcome, Outcome saidToday) {
        Gates g = new Gates(question, outcome);
        Gates worn = new Gates(question, saidToday);
        Map<GateCode, Gate> all = new EnumMap<>(GateCode.class);
        Stream.of(
                        g.separationCheck(),
                        g.gentleSet(),
                        worn.garment(),
                        g.firstLoaded(),
                        g.oppositeLimbs(),
                        g.longLever(),
                        g.curl())
                .forEach(gate -> all.put(gate.code(), gate));
        return all;
    }

    private Gate separationCheck() {
        boolean free = facts.pregnant() || facts.events().isEmpty();
        return free
                ? unconditional(GateCode.SEPARATION_CHECK)
                : early(GateCode.SEPARATION_CHECK, sore() ? CHECK_SORE : CHECK, CHECK_UNCLEARED);
    }

    private Gate gentleSet() {
        boolean free = facts.pregnant() || facts.events().isEmpty();
        return free ? unconditional(GateCode.GENTLE_SET) : early(GateCode.GENTLE_SET, GENTLE, GENTLE_UNCLEARED);
    }

    private Gate garment() {
        if (facts.pregnant()) {
            return closed(GateCode.GARMENT, null, "gate.afterBirth");
        }
        if (facts.events().isEmpty() || clearanceFirst()) {
            return unconditional(GateCode.GARMENT);
        }
        return dated(GateCode.GARMENT, latest(sore() ? GARMENT_SORE : GARMENT), List.of());
    }

    private Gate firstLoaded() {
        if (noEvents()) {
            return unconditional(GateCode.FIRST_LOADED);
        }
        return dated(GateCode.FIRST_LOADED, firstLoadedDay(), missing(Scope.EXERCISE));
    }

    private Gate oppositeLimbs() {
        if (noEvents()) {
            return unconditional(GateCode.OPPOSITE_LIMBS);
        }
        LocalDate day = later(firstLoadedDay(), latest(OPPOSITE_LIMBS));
        return dated(GateCode.OPPOSITE_LIMBS, day, missing(Scope.EXERCISE));
    }

    private Gate longLever() {
        if (facts.pregnant()) {
            return closed(GateCode.LONG_LEVER, null, "gate.afterBirth");
        }
        if (noEvents()) {
            return unconditional(GateCode.LONG_LEVER);
        }
        return dated(GateCode.LONG_LEVER, latest(LONG_LEVER), missing(Scope.EXERCISE));
    }

    private Gate curl() {
        if (q.stances().flexion() == Stances.Flexion.AVOID) {
            return closed(GateCode.CURL, null, "gate.flexionAvoided");
        }
        if (facts.pregnant()) {
            return closed(GateCode.CURL, null, "gate.afterBirth");
        }
        if (noEvents()) {
            return unconditional(GateCode.CURL);
        }
        boolean full = facts.cleared(Scope.FULL, q.today());
        LocalDate day = full ? firstLoadedDay() : latest(CURL);
        return dated(GateCode.CURL, day, missing(Scope.EXERCISE));
    }

    /** The two gates that the start stance moves: by an early day, or by clearance, else by the day loading may begin. */
    private Gate early(GateCode code, Wait wait, Wait uncleared) {
        if (clearanceFirst()) {
            return facts.cleared(Scope.GENTLE, q.today()) ? unconditional(code) : clearedOr(code, latest(uncleared));
        }
        return dated(code, latest(wait), List.of());
    }

    private Gate clearedOr(GateCode code, @Nullable LocalDate day) {
        Gate gate = dated(code, day, List.of());
        boolean waits = !gate.open() && !outcome.closesGates();
        return waits && day != null
                ? new Gate(code, false, day, List.of(), Reason.of("gate.dayOrClearance", day))
                : gate;
    }

    private @Nullable LocalDate firstLoadedDay() {
        return latest(FIRST_LOADED);
    }

    private Gate dated(GateCode code, @Nullable LocalDate day, List<Scope> missing) {
        boolean dayReached = day == null || !q.today().isBefore(day);
        boolean open = dayReached && missing.isEmpty() && !outcome.closesGates();
        return new Gate(code, open, day, missing, reason(open, dayReached, day, missing));
    }

    private Reason reason(boolean open, boolean dayReached, @Nullable LocalDate day, List<Scope> missing) {
        if (open) {
            return Reason.of("gate.open");
        }
        if (outcome.closesGates()) {
            return Reason.of("gate.outcome", outcome);
        }
        if (day == null || dayReached) {
            return Reason.of(clearanceTooOld() ? "gate.clearanceTooOld" : "gate.clearance", missing.get(0));
        }
        return missing.isEmpty() ? Reason.of("gate.day", day) : Reason.of("gate.dayAndClearance", day, missing.get(0));
    }

    /** Something is on file, but it was given before the event or has run out. */
    private boolean clearanceTooOld() {
        return !facts.clearances().isEmpty()
                && facts.clearances().stream()
                        .noneMatch(clearance -> clearance.counts(facts.clearancesCountSince(), q.today()));
    }

    private Gate unconditional(GateCode code) {
        return outcome.closesGates()
                ? closed(code, null, "gate.outcome", outcome)
                : new Gate(code, true, null, List.of(), Reason.of("gate.open"));
    }

    private static Gate closed(GateCode code, @Nullable LocalDate day, String key, Object... facts) {
        return new Gate(code, false, day, List.of(), Reason.of(key, facts));
    }

    private List<Scope> missing(Scope scope) {
        return facts.cleared(scope, q.today()) ? List.of() : List.of(scope);
    }

    private boolean noEvents() {
        return !facts.pregnant() && facts.events().isEmpty();
    }

    private boolean clearanceFirst() {
        return q.stances().start() == Stances.Start.CLEARANCE_FIRST;
    }

    private boolean sore() {
        return q.answers().contains(Answer.SCAR_TENDER);
    }

    private @Nullable LocalDate latest(Wait wait) {
        return facts.events().stream()
                .map(event -> event.date().plusDays(wait.after(event.kind())))
                .max(Comparator.naturalOrder())
                .orElse(null);
    }

    private static @Nullable LocalDate later(@Nullable LocalDate day, @Nullable LocalDate other) {
        if (day == null || other == null) {
            return day == null ? other : day;
        }
        return day.isAfter(other) ? day : other;
    }
}
