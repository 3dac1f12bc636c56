package fernstep.core.forecast;

import fernstep.core.approach.Stances.DoseStance;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.Window;
import fernstep.core.findings.Findings;
import fernstep.core.findings.Observed;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import fernstep.core.plan.DoseRules;
import fernstep.core.plan.RungGates;
import fernstep.core.progress.Progress;
import fernstep.core.progress.SessionResult;
import fernstep.core.screening.Strand;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.WeakHashMap;
import org.jspecify.annotations.Nullable;

/**
 * One strand with every dose of every rung on the way. What a session changes is asked of {@link Progress}, the same engine
 * that reads her real log, and kept: there are few states, and the answer never changes.
 */
final class Ladder {
    private static final LocalDate SOME_DAY = LocalDate.of(2000, 1, 3);
    private static final int LIGHT_EFFORT = 3;
    private static final int LONG_ENOUGH_WEEKS = 1000;
    /** Findings that no gate waits for. */
    static final Findings IDEAL = Findings.NONE
            .with(new Findings.Pressure(Observed.Cough.DRAWS_IN, Observed.FloorOnCough.LIFTS, Observed.Doming.NONE))
            .with(new Findings.AtRest(
                    Observed.BreathPattern.RIBS_ALL_ROUND, Observed.LumbarGap.NONE, Observed.RibsOverPelvis.STACKED))
            .with(new Findings.DeepCore(Map.of(Side.LEFT, 5, Side.RIGHT, 5), 20, Map.of()))
            .with(Findings.HandsAndKnees.scoop(Observed.Scoop.YES))
            .with(new Findings.Shown(Map.of(), null, null, Observed.FloorLift.LIFTS, Observed.LetGo.FULLY, null));

    /** What is remembered between sessions: credits so far and what came last. */
    private static final int STATES = 4;

    private static final Map<Catalogue, Map<String, Ladder>> MADE = Collections.synchronizedMap(new WeakHashMap<>());

    private final List<Rung> rungs;
    private final List<Step> steps = new ArrayList<>();
    private final DoseStance stance;
    private final int[] afterClean;
    private final int[] afterEased;

    /**
     * One dose of one rung.
     *
     * @param top from here the next rung opens, if its gates do
     */
    record Step(Rung rung, int rungAt, Dose dose, boolean top) {}

    /** @param rung where she stands, which may be a branch of the main line; null for a strand not begun */
    static Ladder of(Catalogue catalogue, Strand strand, @Nullable String rung, DoseStance stance) {
        List<Rung> line = catalogue.strand(strand).orElseThrow().mainLine();
        boolean branch =
                rung != null && line.stream().noneMatch(each -> each.code().equals(rung));
        return MADE.computeIfAbsent(catalogue, key -> Collections.synchronizedMap(new HashMap<>()))
                .computeIfAbsent(
                        strand + "/" + stance + "/" + (branch ? rung : ""),
                        key -> new Ladder(
                                catalogue, branch ? List.of(catalogue.rung(String.valueOf(rung))) : line, stance));
    }

    /** Every rung done, on both sides. */
    static Set<RungGates.Done> all(Catalogue catalogue) {
        Set<RungGates.Done> done = new HashSet<>();
        catalogue.rungs().forEach(rung -> done.add(new RungGates.Done(rung.code(), null)));
        return done;
    }

    private Ladder(Catalogue catalogue, List<Rung> line, DoseStance stance) {
        this.rungs = line;
        this.stance = stance;
        for (int at = 0; at < line.size(); at++) {
            addSteps(line.get(at), at);
        }
        this.afterClean = new int[steps.size() * STATES];
        this.afterEased = new int[steps.size() * STATES];
        RungGates.Known open = everyGateOpen(catalogue);
        for (int at = 0; at < steps.size(); at++) {
            for (int state = 0; state < STATES; state++) {
                afterClean[at * STATES + state] = ask(catalogue, open, at, state, SessionResult.Kind.CLEAN);
                afterEased[at * STATES + state] = ask(catalogue, open, at, state, SessionResult.Kind.EASED);
            }
        }
    }

    List<Rung> rungs() {
        return rungs;
    }

    /** For each step the place of its rung on the line. */
    int[] rungsOfSteps() {
        return steps.stream().mapToInt(Step::rungAt).toArray();
    }

    /** The top of its last rung. */
    int lastStep() {
        return steps.size() - 1;
    }

    /** For each step whether the next rung may open from it. */
    boolean[] tops() {
        boolean[] tops = new boolean[steps.size()];
        for (int at = 0; at < tops.length; at++) {
            tops[at] = steps.get(at).top();
        }
        return tops;
    }

    Step at(int step) {
        return steps.get(step);
    }

    private void addSteps(Rung rung, int at) {
        Window window = DoseRules.window(rung.window(), stance);
        Optional<Dose> dose = Optional.of(DoseRules.first(rung, stance));
        while (dose.isPresent()) {
            Optional<Dose> next = DoseRules.notchUp(dose.get(), window);
            steps.add(new Step(rung, at, dose.get(), DoseRules.atTop(dose.get(), window)));
            dose = next;
        }
    }

    /** The step nearest below a dose. */
    int place(String rung, Dose dose) {
        int nearest = 0;
        boolean found = false;
        for (int i = 0; i < steps.size(); i++) {
            Step s = steps.get(i);
            if (s.rung().code().equals(rung) && (!found || reaches(dose, s.dose()))) {
                nearest = i;
                found = true;
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

    /** The next rung's gates are left open here: the simulation looks at them itself. */
    private int ask(Catalogue catalogue, RungGates.Known open, int at, int state, SessionResult.Kind now) {
        Step s = steps.get(at);
        List<SessionResult> log = new ArrayList<>();
        if ((state & 1) == 1) {
            log.add(new SessionResult(SOME_DAY, SessionResult.Kind.EASED, LIGHT_EFFORT, List.of()));
        }
        if (state >> 1 == 1) {
            log.add(new SessionResult(SOME_DAY.plusDays(1), SessionResult.Kind.CLEAN, LIGHT_EFFORT, List.of()));
        }
        LocalDate today = SOME_DAY.plusDays(4);
        log.add(new SessionResult(today, now, LIGHT_EFFORT, List.of()));
        Progress p = Progress.of(new Progress.Question(
                catalogue,
                Progress.Place.atFullRange(
                        s.rung(),
                        s.rung().perSide() ? Side.LEFT : null,
                        s.dose(),
                        DoseRules.window(s.rung().window(), stance)),
                stance,
                log,
                Progress.Day.of(today),
                open));
        int next = where(p, at);
        boolean moved = next != at || p.change() == Progress.Change.NEXT_RUNG;
        int creditsNow = moved ? 0 : Math.min(1, p.credits());
        int eased = !moved && now == SessionResult.Kind.EASED ? 1 : 0;
        return next << 2 | creditsNow << 1 | eased;
    }

    private static RungGates.Known everyGateOpen(Catalogue catalogue) {
        Map<String, Integer> atTop = new HashMap<>();
        catalogue.rungs().forEach(rung -> atTop.put(rung.code(), LONG_ENOUGH_WEEKS));
        return new RungGates.Known(
                catalogue, null, false, IDEAL, null, all(catalogue), new RungGates.History(LONG_ENOUGH_WEEKS, atTop));
    }

    private int where(Progress progress, int at) {
        if (progress.change() == Progress.Change.HOLD || progress.change() == Progress.Change.READY_WAITING) {
            return at;
        }
        for (int i = 0; i < steps.size(); i++) {
            Step s = steps.get(i);
            if (s.rung().code().equals(progress.rung()) && sameAmount(s.dose(), progress.dose())) {
                return i;
            }
        }
        return at;
    }

    private static boolean sameAmount(Dose dose, Dose other) {
        return dose.sets() == other.sets()
                && Objects.equals(dose.reps(), other.reps())
                && Objects.equals(dose.holdS(), other.holdS())
                && Objects.equals(dose.breaths(), other.breaths());
    }

    /** Step in the upper bits, then credits, then whether the last session was eased. */
    int after(int at, int state, boolean clean) {
        return (clean ? afterClean : afterEased)[at * STATES + state];
    }

    static int step(int packed) {
        return packed >> 2;
    }

    static int state(int packed) {
        return packed & 3;
    }
}
