package fernstep.core.forecast;

import fernstep.core.approach.Stances.DoseStance;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.Window;
import fernstep.core.findings.Findings;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import fernstep.core.plan.DoseRules;
import fernstep.core.plan.RungGates;
import fernstep.core.progress.Progress;
import fernstep.core.progress.SessionResult;
import fernstep.core.screening.Strand;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * One strand and side with every dose of every rung on the way. What a session changes is asked of {@link Progress}, the
 * same engine that reads her real log, and kept: there are few states, and the answer never changes.
 */
final class Ladder {
    private static final LocalDate SOME_DAY = LocalDate.of(2000, 1, 3);
    private static final int LIGHT_EFFORT = 3;

    private static final int LONG_ENOUGH_WEEKS = 1000;
    /** Findings that no gate waits for. */
    private static final Findings IDEAL = new Findings(
            Findings.Cough.DRAWS_IN,
            Map.of(Side.LEFT, 5, Side.RIGHT, 5),
            20,
            Findings.BreathPattern.RIBS_ALL_ROUND,
            Map.of(),
            Findings.LumbarGap.NONE,
            Findings.RibsOverPelvis.STACKED,
            Findings.Doming.NONE,
            Findings.FloorOnCough.LIFTS,
            Findings.Scoop.YES);

    /** What is remembered between sessions: credits so far and what came last. */
    private static final int CREDIT_STATES = 2;

    private static final int LAST_STATES = 2;

    final Strand strand;
    final @Nullable Side side;
    final List<Step> steps = new ArrayList<>();
    final int startsAt;
    private final Catalogue catalogue;
    private final DoseStance stance;
    private final int[][] afterClean;
    private final int[][] afterEased;

    /** One dose of one rung. */
    record Step(Rung rung, int rungAt, Dose dose, boolean top) {}

    Ladder(Catalogue catalogue, Strand strand, @Nullable Side side, String rung, Dose dose, DoseStance stance) {
        this.catalogue = catalogue;
        this.strand = strand;
        this.side = side;
        this.stance = stance;
        List<Rung> line = new ArrayList<>(catalogue.strand(strand).orElseThrow().mainLine());
        if (line.stream().noneMatch(r -> r.code().equals(rung))) {
            line = new ArrayList<>(List.of(catalogue.rung(rung)));
        }
        for (int at = 0; at < line.size(); at++) {
            addSteps(line.get(at), at, dose);
        }
        this.startsAt = place(rung, dose);
        this.afterClean = new int[steps.size()][CREDIT_STATES * LAST_STATES];
        this.afterEased = new int[steps.size()][CREDIT_STATES * LAST_STATES];
        fill();
    }

    private void addSteps(Rung rung, int at, Dose like) {
        Window window = DoseRules.window(rung.window(), stance);
        Optional<Dose> dose = Optional.of(days(DoseRules.minimum(window, stance), like));
        while (dose.isPresent()) {
            Optional<Dose> next = DoseRules.notchUp(dose.get(), window);
            steps.add(new Step(rung, at, dose.get(), next.isEmpty()));
            dose = next;
        }
    }

    private static Dose days(Dose d, Dose like) {
        return new Dose(d.sets(), d.reps(), d.holdS(), d.breaths(), like.perDay(), like.daysPerWeek());
    }

    private int place(String rung, Dose dose) {
        int nearest = -1;
        for (int i = 0; i < steps.size(); i++) {
            Step s = steps.get(i);
            if (s.rung().code().equals(rung) && (nearest < 0 || reaches(dose, s.dose()))) {
                nearest = i;
            }
        }
        return nearest;
    }

    private static boolean reaches(Dose has, Dose step) {
        return has.sets() >= step.sets()
                && atLeast(has.reps(), step.reps())
                && atLeast(has.holdS(), step.holdS())
                && atLeast(has.breaths(), step.breaths());
    }

    private static boolean atLeast(@Nullable Integer has, @Nullable Integer step) {
        return step == null || (has != null && has >= step);
    }

    /** Every state asked once. The next rung's gates are left open here: the simulation looks at them itself. */
    private void fill() {
        for (int at = 0; at < steps.size(); at++) {
            for (int state = 0; state < CREDIT_STATES * LAST_STATES; state++) {
                afterClean[at][state] = ask(at, state, SessionResult.Kind.CLEAN);
                afterEased[at][state] = ask(at, state, SessionResult.Kind.EASED);
            }
        }
    }

    private int ask(int at, int state, SessionResult.Kind now) {
        Step s = steps.get(at);
        List<SessionResult> log = new ArrayList<>();
        if (lastWasEased(state)) {
            log.add(new SessionResult(SOME_DAY, SessionResult.Kind.EASED, LIGHT_EFFORT, List.of()));
        }
        for (int i = 0; i < credits(state); i++) {
            log.add(new SessionResult(SOME_DAY.plusDays(1 + i), SessionResult.Kind.CLEAN, LIGHT_EFFORT, List.of()));
        }
        LocalDate today = SOME_DAY.plusDays(4);
        log.add(new SessionResult(today, now, LIGHT_EFFORT, List.of()));
        Progress p = Progress.of(new Progress.Question(
                catalogue,
                s.rung(),
                side,
                s.dose(),
                DoseRules.window(s.rung().window(), stance),
                stance,
                log,
                today,
                null,
                false,
                false,
                everyGateOpen()));
        int next = where(p, at);
        boolean moved = next != at || p.change() == Progress.Change.NEXT_RUNG;
        int creditsNow = moved ? 0 : Math.min(CREDIT_STATES - 1, p.credits());
        boolean ready = !moved && p.credits() >= 2;
        int eased = !moved && now == SessionResult.Kind.EASED ? 1 : 0;
        return next << 4 | (ready ? 8 : 0) | creditsNow << 1 | eased;
    }

    private RungGates.Known everyGateOpen() {
        Set<RungGates.Done> done = new HashSet<>();
        Map<String, Integer> atTop = new HashMap<>();
        catalogue.rungs().forEach(r -> {
            done.add(new RungGates.Done(r.code(), null));
            atTop.put(r.code(), LONG_ENOUGH_WEEKS);
        });
        return new RungGates.Known(null, false, IDEAL, done, new RungGates.History(LONG_ENOUGH_WEEKS, atTop));
    }

    private int where(Progress p, int at) {
        if (p.change() == Progress.Change.HOLD || p.change() == Progress.Change.READY_WAITING) {
            return at;
        }
        for (int i = 0; i < steps.size(); i++) {
            Step s = steps.get(i);
            if (s.rung().code().equals(p.rung()) && sameAmount(s.dose(), p.dose())) {
                return i;
            }
        }
        return at;
    }

    private static boolean sameAmount(Dose a, Dose b) {
        return a.sets() == b.sets()
                && java.util.Objects.equals(a.reps(), b.reps())
                && java.util.Objects.equals(a.holdS(), b.holdS())
                && java.util.Objects.equals(a.breaths(), b.breaths());
    }

    private static boolean lastWasEased(int state) {
        return (state & 1) == 1;
    }

    private static int credits(int state) {
        return state >> 1;
    }

    /** Step in the upper bits, then credits, then whether the last session was eased. */
    int after(int at, int state, boolean clean) {
        return (clean ? afterClean : afterEased)[at][state];
    }

    static int step(int packed) {
        return packed >> 4;
    }

    static int state(int packed) {
        return packed & 7;
    }
}
